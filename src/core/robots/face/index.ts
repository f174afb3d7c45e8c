/** Mimic, the face robot. */
import { battery } from '../../devices/battery/device';
import { clips } from '../../devices/clips/device';
import { compass } from '../../devices/compass/device';
import { ears } from '../../devices/ears/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { microphone } from '../../devices/microphone/device';
import { motion } from '../../devices/motion/device';
import { patchesDevice } from '../../devices/patches/device';
import { screen } from '../../devices/screen/device';
import { shell } from '../../devices/shell/device';
import { speaker } from '../../devices/speaker/device';
import { tiltSensor } from '../../devices/tiltSensor/device';
import { voice } from '../../devices/voice/device';
import { wheelsDevice } from '../../devices/wheels/device';
import { byTime } from '../instead';
import type { RobotKind } from '../robot';
import { check } from './check';
import { drawing } from './drawing';
import type { FaceRobot } from './face';
import { chassis } from './settings';

const { topSpeed, axle, outline } = chassis;
const sizes = { speed: topSpeed, turnRate: topSpeed / axle };

/** 0xrrggbb of a patch: white, as bright as it is. */
const shine = (brightness: number): number => Math.round(255 * brightness) * 0x010101;

export const faceRobot: RobotKind<FaceRobot> = {
	kind: 'face',
	sampleName: 'Vesper',
	devices: [
		...[motion, wheelsDevice, patchesDevice, screen, speaker, clips, voice, ears, compass],
		...[shell, tiltSensor, battery, lightSensor, microphone]
	],
	settings: {},
	columns: [
		{ name: 'speed', unit: 'mps', of: ({ body }) => body.speed },
		{ name: 'battery', unit: 'part', of: ({ body }) => body.battery },
		{
			name: 'leftPatch',
			unit: 'colour',
			isStepped: true,
			of: ({ left }) => shine(left.brightness)
		},
		{
			name: 'rightPatch',
			unit: 'colour',
			isStepped: true,
			of: ({ right }) => shine(right.brightness)
		},
		{ name: 'face', unit: 'count', isStepped: true, of: ({ face }) => face }
	],
	drawing,
	outline,
	topSpeed,
	/** A part of the top speed that the dead zone of its sensors swallows. */
	weakest: 0.15,
	first: ['goFor', 'turnFor'],
	clipRoom: 4 * 1024 * 1024,
	instead: (step) => byTime(sizes, step),
	check
};
