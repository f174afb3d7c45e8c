/** Orders that show what a robot does. */
import type { Device } from '../devices/device';
import { lampDevice } from '../devices/lamp/device';
import { lampGrid } from '../devices/lampGrid/device';
import { motion } from '../devices/motion/device';
import { pins } from '../devices/pins/device';
import { speaker } from '../devices/speaker/device';
import { turning } from '../devices/turning/device';
import { wheelsDevice } from '../devices/wheels/device';
import { darkLamps, gridSize, writePicture } from '../pictures/picture';

/** What is going on before an order is given, so that there is something to end. */
export const beforehand: readonly (readonly [Device, string, object])[] = [
	[turning, 'turn', { angle: -60 }],
	[wheelsDevice, 'drive', { left: 0.4, right: 0.4 }],
	[motion, 'start', { speed: 0.4 }],
	[lampDevice, 'shine', { side: 'both', colour: '#ffb020', brightness: 1, period: 0 }],
	[lampGrid, 'show', { picture: writePicture(darkLamps(gridSize).with(9, 0xff)) }],
	[speaker, 'play', { notes: [{ pitch: 440, length: 60 }] }],
	[pins, 'set', { pins: ['7'], isOn: true }]
];

/** Of an order, what changes what was going on; of others, anything does. */
export const telling: Readonly<Record<string, object>> = {
	'motion start': { speed: 0.8 },
	'motion stop': { isCoasting: false },
	'motion stand': {},
	'pacing go': { distance: 0.2, speed: 0.6 },
	'pacing zero': {},
	'persistence giveUpAfter': { seconds: 2 },
	'counters turns': { left: 1, right: 2, speed: 0.5 },
	'counters zero': {},
	'curving arc': { direction: 'left', radius: 0.3, angle: 1, speed: 0.4 },
	'turning turn': { angle: 1 },
	'turning turnTo': { bearing: 200 },
	'gyro zero': {},
	'wheels drive': { left: 0.6, right: 0.2 },
	'ports motor': { port: 'A', power: 0.9 },
	'ports use': { left: 'C', right: 'D' },
	'rolling roll': { bearing: 200, speed: 0.5 },
	'rolling rollFar': { bearing: 200, distance: 0.3, speed: 0.5, isEndingStill: true },
	'flying takeOff': {},
	'flying land': {},
	'flying go': { direction: 'left', distance: 0.4, speed: 0.5 },
	'flying start': { direction: 'up', speed: 0.4 },
	'flying flip': { direction: 'left' },
	'flying cut': {},
	'lamp shine': { side: 'both', colour: '#38d39f', brightness: 1, period: 0 },
	'horn sound': { duration: 2 },
	'speaker play': { notes: [{ pitch: 300, length: 0.5 }] },
	'speaker volume': { level: 0.1 },
	'speaker silence': {},
	'voice say': { text: 'Ahoy', seconds: 1 },
	'pins set': { pins: ['1'], isOn: false },
	'pins clear': {},
	'patches shine': { left: 1, right: 0 },
	'screen show': { face: 'sleepy' },
	'lampGrid show': { picture: writePicture(darkLamps(gridSize).map((_, i) => i)) },
	'lampGrid play': { film: `${writePicture(darkLamps(gridSize))} 1`, beat: 1, times: 0 },
	'lampGrid run': { columns: 'ff', colour: '#ffb020', pace: 4 },
	'lampGrid turn': { way: 'half' },
	'lampGrid brightness': { part: 0.5 },
	'lampGrid dark': {}
};
