/** What the world has to know of a robot to move it, and what a robot can find out about the world. */
import type { Seen } from './ground';

/** Corners seen from above, counter-clockwise, in metres; x to the front, y to the left. */
export type Outline = readonly (readonly [number, number])[];

/** Speeds in m/s and rad/s, counter-clockwise positive. */
export interface Body {
	readonly outline: Outline;
	/** kg, and kg m² about its middle. */
	readonly mass: number;
	readonly inertia: number;
	/** Greatest sideways push that the wheels hold, as acceleration, m/s². */
	readonly grip: number;
	/** Wants now: speed ahead and speed of turning. */
	readonly speed: number;
	readonly turning: number;
	/** Tells it how it really moved, where a wall kept it from moving as it wanted. */
	obstructed(speed: number, turning: number): void;
	/** Tells its sensors how it turned in this tick, in radians. */
	sense(turned: number): void;
}

/** What the place around a robot is like, without any error. Lengths in metres from its middle. */
export interface Surroundings {
	/** To the nearest wall or crate in a cone to the front, from a point ahead; `range` at the most. */
	distanceFrom(ahead: number, spread: number, range: number): number;
	seenUnder(ahead: number, left: number): Seen;
	isEdgeUnder(ahead: number): boolean;
	readonly isBumped: boolean;
	readonly isTouched: boolean;
	/** 0 to 1 */
	readonly light: number;
	readonly sound: number;
}
