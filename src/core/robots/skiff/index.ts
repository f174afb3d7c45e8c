/** Two kinds: Skiff, and Skiff Lite, the same car without wheel counters and gyro. */
import { battery } from '../../devices/battery/device';
import { clips } from '../../devices/clips/device';
import { counters } from '../../devices/counters/device';
import { curving } from '../../devices/curving/device';
import type { Device } from '../../devices/device';
import { edgeSensor } from '../../devices/edgeSensor/device';
import { floorSensor } from '../../devices/floorSensor/device';
import { gyro } from '../../devices/gyro/device';
import { lampDevice } from '../../devices/lamp/device';
import { lampGrid } from '../../devices/lampGrid/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { microphone } from '../../devices/microphone/device';
import { motion } from '../../devices/motion/device';
import { pacing } from '../../devices/pacing/device';
import { persistence } from '../../devices/persistence/device';
import { motorPorts } from '../../devices/ports/device';
import { rangefinder } from '../../devices/rangefinder/device';
import { shell } from '../../devices/shell/device';
import { speaker } from '../../devices/speaker/device';
import { tiltSensor } from '../../devices/tiltSensor/device';
import { turning } from '../../devices/turning/device';
import { wheelsDevice } from '../../devices/wheels/device';
import type { Column, RobotKind } from '../robot';
import { drawing } from './drawing';
import { insteadByTime } from './instead';
import { portSettings, skiffSettings } from './ports';
import * as settings from './settings';
import type { Skiff } from './skiff';

const ofAll: readonly Device[] = [
	...[
		motion,
		wheelsDevice,
		motorPorts,
		lampDevice,
		speaker,
		rangefinder,
		floorSensor,
		shell,
		edgeSensor
	],
	...[tiltSensor, battery, lightSensor, microphone, lampGrid]
];

const columns: readonly Column<Skiff>[] = [
	{ name: 'speed', unit: 'mps', of: ({ body }) => body.speed },
	{ name: 'leftWheel', unit: 'mps', of: ({ body }) => body.left.speed },
	{ name: 'rightWheel', unit: 'mps', of: ({ body }) => body.right.speed },
	{ name: 'battery', unit: 'part', of: ({ body }) => body.battery },
	{ name: 'leftLamp', unit: 'colour', isStepped: true, of: (skiff) => skiff.leftLamp },
	{ name: 'rightLamp', unit: 'colour', isStepped: true, of: (skiff) => skiff.rightLamp }
];

const kindOf = (
	kind: string,
	sampleName: string,
	devices: readonly Device[],
	more: Pick<RobotKind, 'instead' | 'first' | 'clipRoom'> = {}
): RobotKind<Skiff> => ({
	kind,
	devices,
	settings: skiffSettings,
	fitted: { panel: lampGrid },
	distinct: Object.keys(portSettings),
	columns,
	drawing,
	outline: settings.outline,
	topSpeed: settings.topSpeed,
	weakest: settings.weakest,
	...more,
	sampleName
});

export const skiff = kindOf(
	'skiff',
	'Tallow',
	[...ofAll, ...[pacing, persistence, counters, curving, turning, gyro, clips]],
	{ clipRoom: settings.clipRoom }
);
export const skiffLite = kindOf('skiffLite', 'Wick', ofAll, {
	instead: insteadByTime,
	first: ['goFor', 'turnFor']
});
