/** Trolley, the rail car. */
import { accelerometer } from '../../devices/accelerometer/device';
import { battery } from '../../devices/battery/device';
import { endLamps } from '../../devices/endLamps/device';
import { hornDevice } from '../../devices/horn/device';
import { lampDevice } from '../../devices/lamp/device';
import { markSensor } from '../../devices/markSensor/device';
import { motion } from '../../devices/motion/device';
import { pacing } from '../../devices/pacing/device';
import { persistence } from '../../devices/persistence/device';
import { rangefinder } from '../../devices/rangefinder/device';
import { shell } from '../../devices/shell/device';
import type { RobotKind } from '../robot';
import { check } from './check';
import { drawing } from './drawing';
import * as settings from './settings';
import type { Trolley } from './trolley';

export const railCar: RobotKind<Trolley> = {
	kind: 'rail',
	ownParts: ['rails'],
	sampleName: 'Dory',
	devices: [
		...[motion, pacing, persistence, lampDevice, endLamps, hornDevice, markSensor],
		...[rangefinder, shell, accelerometer, battery]
	],
	settings: settings.fittings,
	columns: [
		{ name: 'speed', unit: 'mps', of: ({ body }) => body.speed },
		{ name: 'battery', unit: 'part', of: ({ battery }) => battery },
		{ name: 'frontLamp', unit: 'colour', isStepped: true, of: ({ frontLamp }) => frontLamp },
		{ name: 'backLamp', unit: 'colour', isStepped: true, of: ({ backLamp }) => backLamp }
	],
	drawing,
	outline: settings.outline,
	topSpeed: settings.topSpeed,
	isOnRail: true,
	first: ['goFor', 'start', 'stop'],
	options: { side: ['both', 'front', 'back'] },
	course: {
		name: 'Ferry rail',
		lacks: ({ rails }) => (rails.length === 0 ? 'noRail' : undefined)
	},
	check
};
