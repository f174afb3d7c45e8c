/** Petrel, the drone. */
import { battery } from '../../devices/battery/device';
import { belowSensor } from '../../devices/belowSensor/device';
import { curving } from '../../devices/curving/device';
import { flying, takeOffHeight } from '../../devices/flying/device';
import { gyro } from '../../devices/gyro/device';
import { lampDevice } from '../../devices/lamp/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { motion } from '../../devices/motion/device';
import { pacing } from '../../devices/pacing/device';
import { rangefinder } from '../../devices/rangefinder/device';
import { shell } from '../../devices/shell/device';
import { thermometer } from '../../devices/thermometer/device';
import { turning } from '../../devices/turning/device';
import type { RobotKind } from '../robot';
import { check } from './check';
import { drawing } from './drawing';
import type { Drone } from './drone';
import * as settings from './settings';

export const drone: RobotKind<Drone> = {
	kind: 'drone',
	ownParts: ['gates', 'pads'],
	sampleName: 'Taper',
	devices: [
		...[flying, motion, turning, curving, pacing, gyro, lampDevice, shell],
		...[rangefinder, belowSensor, battery, thermometer, lightSensor]
	],
	settings: settings.charge,
	columns: [
		{ name: 'speed', unit: 'mps', of: ({ body }) => body.speed },
		{ name: 'height', unit: 'metres', of: ({ body }) => body.altitude },
		{ name: 'pitch', unit: 'degrees', of: ({ body }) => body.pitch },
		{ name: 'roll', unit: 'degrees', of: ({ body }) => body.roll },
		{ name: 'battery', unit: 'part', of: ({ battery }) => battery },
		{ name: 'lamp', unit: 'colour', isStepped: true, of: ({ shownLamp }) => shownLamp }
	],
	drawing,
	outline: settings.outline,
	topSpeed: settings.topSpeed,
	/** It hovers while nothing else is asked of it. */
	notFirst: ['wait'],
	options: { side: ['both'], ending: ['brake'] },
	course: { name: 'Signal lamps', lacks: ({ size, ceiling }) => lacksRoom(size, ceiling) },
	check
};

/** It needs a metre of air around it, and more than it takes off to above. */
const lacksRoom = ({ width, height }: { width: number; height: number }, ceiling: number) =>
	Math.min(width, height) < 1 || ceiling < takeOffHeight + 0.2 ? 'noRoomToFly' : undefined;
