/** Skiff, the two-wheel car: its constants, each with its unit and its reason. */
import type { Outline } from '../../world/body';

/** Metres; a toy wheel. What the firmware believes; each real wheel differs a little. */
export const wheelDiameter = 0.056;
/** Metres between the wheels. */
export const axle = 0.112;
/** m/s at 100 % with a full battery: 170 turns of the wheel a minute. */
export const topSpeed = 0.5;
/** Part of the top speed that is left when the battery is empty. */
export const flatBatteryFactor = 0.7;
/** Seconds in which a motor gets 63 % of the way to the commanded speed. */
export const motorLag = 0.12;
/** kg. */
export const mass = 0.6;
/** kg m². With this value each wheel carries half the mass, and both lag alike, alone or together. */
export const inertia = mass * (axle / 2) * (axle / 2);
/** m/s² of sideways push before the tyres slide: friction 0.8 on a classroom floor. */
export const grip = 0.8 * 9.81;

/** Part of the top speed at which a counted move creeps, if it is told to go slower. */
export const slowest = 0.01;
/** Speeding up and slowing down of a counted move, m/s²: gentle enough not to spin the wheels. */
export const acceleration = 0.8;
/** rad/s and rad/s² of a counted turn: a quarter turn in about 1.1 s. */
export const turnRate = 2.1;
export const turnAcceleration = 6;
/** How hard a counted move corrects: m/s for each metre behind, rad/s for each radian. */
export const correction = 9;
/** A profile waits while the wheel is further behind than this, in metres and radians. */
export const mostBehind = 0.02;
export const turnPatience = 0.25;
/** A counted move is done when this near (metres, radians) and this slow (m/s at the wheel). */
export const arrivedDistance = 0.0004;
export const arrivedAngle = 0.002;
export const arrivedSpeed = 0.004;
/** Seconds after which a move that hangs in the dead zone is done all the same. */
export const settleTime = 0.3;
/** Seconds without getting on, while driven, after which a move has stalled. */
export const stallTime = 1;
/** m/s at the wheel: slower than this is not getting on. */
export const stallSpeed = 0.015;

/** Part of the battery used in a second by its electronics (4 h), and what full power takes besides: 70 min in all. */
export const idleDrain = 1 / (4 * 3600);
export const driveDrain = 1 / 4200 - idleDrain;

/** 16 by 13 cm with cut corners; the axle is in the middle. */
export const outline: Outline = [
	[0.08, -0.042],
	[0.08, 0.042],
	[0.057, 0.065],
	[-0.06, 0.065],
	[-0.08, 0.045],
	[-0.08, -0.045],
	[-0.06, -0.065],
	[0.057, -0.065]
];

/** m/s² by which a Skiff slows down when its motors let go: rolling resistance of a toy on a floor. */
export const rollingDrag = 0.5;

/** The distance sensor: metres ahead of the axle, half its cone in radians, its range in metres. */
export const distanceSensor = { ahead: 0.08, spread: 0.14, range: 2, interval: 1 / 25 };
/** The floor sensor looks down just behind the bow, the edge sensor just before it. */
export const floorSensorAhead = 0.065;
export const edgeSensorAhead = 0.09;
/** Loudness at the own microphone of a tone at full volume. */
export const ownLoudness = 0.7;
/** Part of the top speed: less may not get past a motor's dead zone. */
export const weakest = 0.07;

/** Bytes of sounds that it holds: twelve seconds. */
export const clipRoom = 384 * 1024;
