/** Petrel, the drone: its constants, each with its unit and its reason. Guesses are said to be such. */
import type { Values, ValueDefinition } from '../../steps/definition';
import { ratio } from '../../steps/values';
import type { Outline } from '../../world/body';

/** What a person says of it: how full the battery is at Run, as a charger shows it. */
export const charge: Readonly<Record<string, ValueDefinition>> = {
	charge: ratio(1, { minimum: 0.05 })
};
export const chargeOf = ({ charge }: Values): number => (typeof charge === 'number' ? charge : 1);

/** Metres: guards around four rotors, as wide as a hand. */
const half = 0.09;
const cut = half * (Math.SQRT2 - 1);
export const outline: Outline = [
	[half, -cut],
	[half, cut],
	[cut, half],
	[-cut, half],
	[-half, cut],
	[-half, -cut],
	[-cut, -half],
	[cut, -half]
];
/** Metres from its feet to its top. */
export const tall = 0.04;
/** kg and kg m²: guesses for a toy of this size. */
export const mass = 0.08;
export const inertia = 0.0003;

/** m/s at 100 %, in every direction: a walk, so that it can be caught. */
export const topSpeed = 1.2;
/** Part of the top speed that is left with an empty battery. */
export const flatBatteryFactor = 0.85;
/** Part of the top speed at which a counted move creeps, if it is told to go slower. */
export const slowest = 0.01;
/** Seconds in which it gets 63 % of the way to the speed it is told. */
export const lag = 0.4;
/** Seconds in which the air's wandering changes. */
export const wanderTime = 2;
/** rad/s of a turn at the most, and the seconds in which what is left of it shrinks to a third. */
export const turnRate = 2;
export const turnLag = 0.25;

/** Seconds until the rotors lift it, and m/s to which it then rises: 3 s in all. */
export const spinUp = 0.3;
export const climb = 0.84;
/** m/s with which it sinks to land. */
export const sink = 0.45;
/** Near the floor its own wind bears it: metres of its rotors, and the part of the sinking that is lost at the most. */
export const rotorRadius = 0.09;
export const cushion = 0.7;

/** m/s and radians: slower than this it hovers, nearer than this it points where it is to. */
export const stillSpeed = 0.02;
export const arrivedAngle = 0.005;
/** Metres: an arc of less is a turn on the spot. */
export const leastRadius = 0.001;
/** Radians of an arc that may be left when it ends. */
export const nearlyTurned = 0.02;

/** A flip: what it needs, seconds, and metres that it sags meanwhile (a guess). */
export const flipBattery = 0.5;
export const flipHeight = 0.6;
export const flipTime = 0.8;
export const flipSag = 0.12;

/** m/s²; and m/s with which it may hit the floor unharmed: from 5 cm. */
export const gravity = 9.81;
export const hardLanding = 1;

/** It lands by itself when this part of the battery is left. */
export const lastBattery = 0.08;
/** Part of the battery used in a second in the air (8 minutes), and on the ground (2 hours). */
export const flightDrain = 1 / 480;
export const idleDrain = 1 / 7200;

/** Metres that the sensors ahead and below see, and radians of their cone. */
export const range = 2;
export const beam = 0.2;
/** °C of the room, what flying adds in the end, and seconds in which it gets 63 % of the way: guesses. */
export const warmth = { room: 21, flying: 28, lag: 180 };
