/** What the world has to know of a robot to move it, and what a robot can find out about the world. */
import type { Surface } from '../course/surfaces';
import type { RailPlace, RailSpot } from '../course/rails';
import type { Seen } from './paint';
import type { Pose } from './pose';

/** Corners seen from above, counter-clockwise, in metres; x to the front, y to the left. */
export type Outline = readonly (readonly [number, number])[];

/** Speeds as seen from the body: m/s to its front and to its left, rad/s counter-clockwise. */
export interface Motion {
	ahead: number;
	left: number;
	turning: number;
}

/** What keeps a body from moving as it wants. */
export type Obstacle = 'wall' | 'crate' | 'robot' | 'stop';

/** A straight or a bend that a body cannot leave, such as a rail under its wheels. */
export interface Guide {
	/** The place where it begins, metres, radians, 1/m: the same object while the body is on it. */
	readonly piece: RailPlace;
	/** Metres that the body can still go back, and on, along it. */
	readonly back: number;
	readonly on: number;
}

export interface Body {
	readonly outline: Outline;
	/** kg, and kg m² about its middle. */
	readonly mass: number;
	readonly inertia: number;
	/** The part of its speed with which it comes back from a wall; it stays there, if not given. */
	readonly bounce?: number;
	/** m/s to its front, as it really moves; less than 0 backwards. */
	readonly speed: number;
	/** For what flies: metres from the floor to its feet. It rises and sinks by itself. */
	readonly altitude?: number;
	/** How high it stands, metres; `usualTallness`, if not given. What flies higher passes over it. */
	readonly tall?: number;
	/**
	 * How it would move in this tick, if nothing were in its way. The object may be used again.
	 * @param pose where it is
	 */
	wish(pose: Readonly<Pose>): Readonly<Motion>;
	/** Tells it how it really moved, and what it touched. Only told while something is near. */
	settle(moved: Readonly<Motion>, touching: Obstacle | null): void;
	/** What holds it now, if something does. */
	readonly guide?: Guide | undefined;
	/** Puts it back to where its guide lets it be, after things near it have pushed it. */
	hold?(pose: Pose): void;
	/** Tells its sensors how it turned in this tick, in radians. */
	sense(turned: number): void;
}

/** Metres from the feet of a robot to its top, if it does not say. */
export const usualTallness = 0.1;

/** What the place around a robot is like, without any error. Lengths in metres from its middle. */
export interface Surroundings {
	/** To the nearest wall, crate or robot in a cone to the front, from a point ahead; `range` at the most. */
	distanceFrom(ahead: number, spread: number, range: number): number;
	/** Metres from the floor to the top of what is under its middle: 0 for the floor itself. */
	readonly topUnder: number;
	/** Its middle. */
	readonly place: { readonly x: number; readonly y: number };
	/** The nearest rail, if one is so near, and the way to the nearest place on it, metres. */
	railNear(reach: number): RailSpot | undefined;
	/** Metres from the floor to the ceiling. */
	readonly ceiling: number;
	seenUnder(ahead: number, left: number): Seen;
	isEdgeUnder(ahead: number): boolean;
	/** What the floor under its middle is made of. */
	readonly surface: Surface;
	readonly isBumped: boolean;
	readonly isTouched: boolean;
	/** 0 to 1 */
	readonly light: number;
	readonly sound: number;
}
