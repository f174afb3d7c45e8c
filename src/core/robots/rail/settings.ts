/** Trolley, the rail car: its constants, each with its unit and its reason. Guesses are said to be such. */
import type { ValueDefinition } from '../../steps/definition';
import { choice } from '../../steps/values';
import type { Outline } from '../../world/body';

/** Whether a wheel counter is plugged in: without it the car does not know how far it comes. */
export const fittings: Readonly<Record<string, ValueDefinition>> = {
	counter: choice('fitted', 'missing')
};

/** Metres: a car as long as a hand. */
const [long, wide] = [0.08, 0.03];
export const outline: Outline = [
	[long, -wide],
	[long, wide],
	[-long, wide],
	[-long, -wide]
];
export const tall = 0.09;
/** kg, and kg m² of an evenly filled box: as heavy as a toy train is for its size. */
export const mass = 0.7;
export const inertia = (mass * (4 * long * long + 4 * wide * wide)) / 12;

/** m/s at 100 % with a full battery, and the part of it that is left with an empty one. */
export const topSpeed = 1;
export const flatBatteryFactor = 0.85;
/** Part of the top speed at which a counted move creeps, if it is told to go slower. */
export const slowest = 0.01;
/** Seconds in which the motor gets 63 % of the way to its speed, and m/s² that its wheels hold on the rail. */
export const lag = 0.5;
export const traction = 0.5;
/** m/s² by which it slows down when it rolls out, and when it brakes. */
export const drag = 0.08;
export const brake = 0.9;
/** m²/s²: divided by the radius of a curve, what its flanges take there. */
export const curveDrag = 0.04;
/** m/s² with which a counted way ends: gentler than its brake. */
export const gentle = 0.4;

/** Metres between the rails, and from them up to its centre of mass. */
export const gauge = 0.032;
export const centreOfMass = 0.055;
export const gravity = 9.81;
/**
 * m/s: faster than this it tips over in a curve of this radius, metres. Source: any textbook of
 * mechanics; its weight holds it on half its gauge, the push outwards tips it over the outer rail.
 */
export const curveSpeed = (radius: number): number =>
	Math.sqrt((gravity * gauge * radius) / (2 * centreOfMass));

/** m/s: slower than this it stands. */
export const stillSpeed = 0.004;
/** Seconds without getting on after which a counted move has stalled: longer than it takes to set off. */
export const stallTime = 1;
/** Metres that a counted way may lack when it has come to stand. */
export const nearlyThere = 0.002;

/** Metres of a mark along the rail. */
export const markLength = 0.05;
/** Metres that the sensor ahead sees, and radians of its cone. */
export const range = 0.6;
export const beam = 0.1;
/** Hz of the horn, and how loud it is. */
export const hornPitch = 311;
export const loudness = 0.8;
/** Seconds in which a jolt dies away to a third. */
export const joltDecay = 0.05;

/** Part of the battery used in a second standing (4 h), and what full power takes besides: 90 min in all. */
export const idleDrain = 1 / (4 * 3600);
export const driveDrain = 1 / 5400 - idleDrain;
