/** What the simulation needs of a robot, whatever its kind. */
import type { Controls } from '../interpreter/controls';
import type { Random } from '../random/random';
import type { Ability } from '../steps/definition';

export const variations = ['ideal', 'classroom', 'worn'] as const;
/** How much a robot misbehaves: not at all, as in a classroom, as after two years in a box. */
export type Variation = (typeof variations)[number];

/** Corners seen from above, counter-clockwise, in metres; x to the front, y to the left. */
export type Outline = readonly (readonly [number, number])[];

export interface RobotKind {
	readonly kind: string;
	readonly abilities: readonly Ability[];
	readonly outline: Outline;
	/** Top speed of a new robot with a full battery, m/s: what 100 % means. */
	readonly topSpeed: number;
	/** The name of the robot of this kind that ships with the app. */
	readonly sampleName: string;
	/** A robot on the start mark. Its character follows from its name. */
	build(name: string, variation: Variation, chance: Random): Robot;
}

/** A robot as it drives. Speeds in m/s and rad/s, counter-clockwise positive. */
export interface Robot extends Controls {
	readonly outline: Outline;
	/** kg, and kg m² about its middle. */
	readonly mass: number;
	readonly inertia: number;
	/** Greatest sideways push that the wheels hold, as acceleration, m/s². */
	readonly grip: number;
	/** How far a person sets it down from the start mark: metres ahead and left, radians. */
	readonly placing: readonly [number, number, number];

	/** Wants now: speed ahead and speed of turning, set by `drive`. */
	readonly speed: number;
	readonly turning: number;
	readonly leftWheel: number;
	readonly rightWheel: number;
	/** 1 full, 0 empty. */
	readonly battery: number;
	/** As 0xrrggbb. */
	readonly lampColour: number;
	/** The move in progress has not got on for a while. */
	readonly isStalled: boolean;
	readonly isStill: boolean;

	/** Moves the clock of its sensors, motors and moves on by one tick. */
	drive(time: number): void;
	/** Tells it how it really moved, where a wall kept it from moving as it wanted. */
	obstructed(speed: number, turning: number): void;
	/** Tells its sensors how it turned in this tick, in radians. */
	sense(turned: number): void;
	/** Called for each tone it plays. */
	onTone: (pitch: number, length: number) => void;
}
