/** Peg, the rover with a pin board. */
import { battery } from '../../devices/battery/device';
import { motion } from '../../devices/motion/device';
import { pinNumbers, pins } from '../../devices/pins/device';
import { shell } from '../../devices/shell/device';
import { wheelsDevice } from '../../devices/wheels/device';
import type { RobotKind } from '../robot';
import { check } from './check';
import { drawing } from './drawing';
import { instead } from './instead';
import type { Pinboard } from './pinboard';
import { chassis, wiring } from './settings';

export const pinboard: RobotKind<Pinboard> = {
	kind: 'pinboard',
	sampleName: 'Taper',
	devices: [motion, wheelsDevice, pins, shell, battery],
	settings: wiring,
	columns: [
		{ name: 'speed', unit: 'mps', of: ({ body }) => body.speed },
		{ name: 'battery', unit: 'part', of: ({ body }) => body.battery },
		...pinNumbers.map((pin) => ({
			name: `pin${pin}`,
			unit: 'colour' as const,
			isStepped: true as const,
			of: (board: Pinboard) => board.lightOf(pin)
		}))
	],
	drawing,
	outline: chassis.outline,
	topSpeed: chassis.topSpeed,
	/** A motor that is on is wholly on. */
	first: ['goFor', 'turnFor'],
	instead,
	check
};
