/** Peg, the rover with a pin board: its constants, each with its unit and its reason. Sizes are guesses. */
import { choice } from '../../steps/values';
import type { ValueDefinition } from '../../steps/definition';
import type { Chassis } from '../two-wheels';

/** What can be wired to a pin. */
export const wirings = [
	...['nothing', 'leftForward', 'leftBack', 'rightForward', 'rightBack'],
	...['amberLamp', 'greenLamp', 'blueLamp', 'redLamp', 'buzzer', 'button']
] as [string, ...string[]];
export type Wiring = string;

const wired = (initial: Wiring): ValueDefinition => ({ ...choice(...wirings), initial });

/** What can never be on together. */
export const opposites = [
	['leftForward', 'leftBack'],
	['rightForward', 'rightBack']
] as const;

/** The board as it comes out of its box. */
export const wiring = {
	pin1: wired('leftForward'),
	pin2: wired('leftBack'),
	pin3: wired('rightForward'),
	pin4: wired('rightBack'),
	pin5: wired('amberLamp'),
	pin6: wired('greenLamp'),
	pin7: wired('buzzer'),
	pin8: wired('button')
};

/** 0xrrggbb of each lamp that there is. */
export const lamps: Readonly<Record<Wiring, number>> = {
	amberLamp: 0xffb020,
	greenLamp: 0x38d39f,
	blueLamp: 0x4aa8ff,
	redLamp: 0xff6b5c
};
/** 0xrrggbb with which the board shows that a pin is on that has no lamp. */
export const pinLight = 0xc8e64a;

/** Hz and loudness of the buzzer. */
export const buzzer = { pitch: 2300, volume: 0.6 };

const axle = 0.09;
const mass = 0.25;

/** 11 by 10 cm of card and board, with small geared motors that know only on and off. */
export const chassis: Chassis = {
	outline: [
		[0.05, -0.05],
		[0.05, 0.05],
		[-0.06, 0.05],
		[-0.06, -0.05]
	],
	mass,
	inertia: mass * (axle / 2) * (axle / 2),
	axle,
	topSpeed: 0.22,
	flatBatteryFactor: 0.55,
	motorLag: 0.09,
	grip: 0.7 * 9.81,
	rollingDrag: 0.8,
	arrivedSpeed: 0.004,
	idleDrain: 1 / (3 * 3600),
	driveDrain: 1 / 2700
};
