/** Bobbin, the ball: its constants, each with its unit and its reason. Guesses are said to be such. */
import type { Outline } from '../../world/body';

/** Metres; a shell that a child's hand can hold. */
export const radius = 0.036;
const [long, half] = [Math.sqrt(3) / 2, 0.5];
/** Twelve corners: nowhere more than 1.3 mm from a circle. */
export const outline: Outline = [
	...[
		[1, 0],
		[long, half],
		[half, long],
		[0, 1],
		[-half, long],
		[-long, half]
	],
	...[
		[-1, 0],
		[-long, -half],
		[-half, -long],
		[0, -1],
		[half, -long],
		[long, -half]
	]
].map(([x, y]) => [x! * radius, y! * radius] as const);

/** kg: a guess. */
export const mass = 0.19;
/** kg m². What is inside stands by its gyro: a push at the shell does not turn it. */
export const inertia = 1;
/** Part of the speed with which a hard shell comes back from a wall: a guess. */
export const bounce = 0.35;

/** m/s at 100 % with a full battery: a brisk walk. */
export const topSpeed = 1.5;
/** Part of the top speed that is left when the battery is empty. */
export const flatBatteryFactor = 0.75;
/** Seconds in which it gets 63 % of the way to the speed it is told, where the floor can hold it. */
export const lag = 0.35;
/** Part of the top speed at which a counted move creeps, if it is told to go slower. */
export const slowest = 0.01;
/** rad/s with which what is inside turns on the spot: a quarter turn in 0.2 s, a guess. */
export const turnRate = 8;
/** m/s² with which a counted way ends, where the floor can hold it: gentler than any floor. */
export const gentle = 0.8;

/** m/s: slower than this it is still. */
export const stillSpeed = 0.004;
/** m/s: slower than this a direction of rolling means nothing. */
export const slowSpeed = 0.02;
/** Radians: nearer than this it points where it is to. */
export const arrivedAngle = 0.01;
/** Metres that a stretch may lack when it has come to stand. */
export const nearlyThere = 0.002;

/** Jolts in parts of the earth's gravity, m/s². */
export const gravity = 9.81;
/** In g: less than this it takes for rolling. A wall is felt from about 0.2 m/s on: a guess. */
export const bumpJolt = 2;
/** Seconds for which it says that it was bumped. */
export const bumpHold = 0.25;
/** Seconds in which it takes jolts for one and the same. */
export const bumpPause = 0.5;
/** Seconds in which a jolt dies away to a third. */
export const joltDecay = 0.05;
/** Chance, in each tick, of a jolt that is no wall: in a hard corner, and at 1 m/s on the roughest floor. */
export const falseJolt = { corner: 0.0025, rough: 0.0004 };

/** Part of the battery used in a second standing (5 h), and what full power takes besides: 60 min in all. */
export const idleDrain = 1 / (5 * 3600);
export const driveDrain = 1 / 3600 - idleDrain;

/** Of the way that it is pushed along a wall, the part that it takes for rolled: its shell slips there. */
export const slipCounted = 0.5;
