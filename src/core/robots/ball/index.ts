/** Bobbin, the ball that rolls along a bearing. */
import { accelerometer } from '../../devices/accelerometer/device';
import { battery } from '../../devices/battery/device';
import { dropSensor } from '../../devices/dropSensor/device';
import { gyro } from '../../devices/gyro/device';
import { lampDevice } from '../../devices/lamp/device';
import { lampGrid } from '../../devices/lampGrid/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { motion } from '../../devices/motion/device';
import { pacing } from '../../devices/pacing/device';
import { reckoning } from '../../devices/reckoning/device';
import { rolling } from '../../devices/rolling/device';
import { shell } from '../../devices/shell/device';
import { tiltSensor } from '../../devices/tiltSensor/device';
import { turning } from '../../devices/turning/device';
import type { RobotKind } from '../robot';
import type { Ball } from './ball';
import { drawing } from './drawing';

import * as settings from './settings';

export const ball: RobotKind<Ball> = {
	kind: 'ball',
	sampleName: 'Rushlight',
	devices: [
		...[motion, rolling, turning, gyro, pacing, reckoning, lampDevice, lampGrid, shell],
		...[accelerometer, tiltSensor, dropSensor, lightSensor, battery]
	],
	settings: {},
	columns: [
		{ name: 'speed', unit: 'mps', of: ({ body }) => body.speed },
		{ name: 'battery', unit: 'part', of: ({ battery }) => battery },
		{ name: 'lamp', unit: 'colour', isStepped: true, of: ({ shownLamp }) => shownLamp }
	],
	drawing,
	outline: settings.outline,
	topSpeed: settings.topSpeed,
	options: { side: ['both'] },
	isRound: true,
	feelsJolts: true
};
