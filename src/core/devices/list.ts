/** All devices. What they can say is offered in this order. */
import { accelerometer } from './accelerometer/device';
import { battery } from './battery/device';
import { belowSensor } from './belowSensor/device';
import { clips } from './clips/device';
import { compass } from './compass/device';
import { counters } from './counters/device';
import { curving } from './curving/device';
import { dropSensor } from './dropSensor/device';
import { edgeSensor } from './edgeSensor/device';
import { ears } from './ears/device';
import { endLamps } from './endLamps/device';
import { floorSensor } from './floorSensor/device';
import { flying } from './flying/device';
import { gyro } from './gyro/device';
import { hornDevice } from './horn/device';
import { lampDevice } from './lamp/device';
import { lampGrid } from './lampGrid/device';
import { lightSensor } from './lightSensor/device';
import { markSensor } from './markSensor/device';
import { microphone } from './microphone/device';
import { motion } from './motion/device';
import { pacing } from './pacing/device';
import { persistence } from './persistence/device';
import { patchesDevice } from './patches/device';
import { pins } from './pins/device';
import { motorPorts } from './ports/device';
import { rangefinder } from './rangefinder/device';
import { reckoning } from './reckoning/device';
import { rolling } from './rolling/device';
import { screen } from './screen/device';
import { shell } from './shell/device';
import { speaker } from './speaker/device';
import { thermometer } from './thermometer/device';
import { tiltSensor } from './tiltSensor/device';
import { turning } from './turning/device';
import { voice } from './voice/device';
import { wheelsDevice } from './wheels/device';
import type { Device } from './device';

export const devices: readonly Device[] = [
	motion,
	wheelsDevice,
	rolling,
	flying,
	motorPorts,
	pins,
	patchesDevice,
	screen,
	lampDevice,
	lampGrid,
	endLamps,
	speaker,
	clips,
	voice,
	ears,
	hornDevice,
	rangefinder,
	belowSensor,
	floorSensor,
	markSensor,
	shell,
	edgeSensor,
	turning,
	gyro,
	compass,
	pacing,
	persistence,
	counters,
	curving,
	reckoning,
	accelerometer,
	tiltSensor,
	dropSensor,
	battery,
	lightSensor,
	microphone,
	thermometer
];
