/** What the simulation needs of a robot, whatever its kind. */
import type { Datum } from '../expressions/types';
import type { Reading } from '../expressions/vocabulary';
import type { Controls, PlayedNote } from '../interpreter/controls';
import type { Random } from '../random/random';
import type { Ability } from '../steps/definition';
import type { Seen } from '../world/ground';
import type { DrivePorts } from './ports';

export const variations = ['ideal', 'classroom', 'worn'] as const;
/** How much a robot misbehaves: not at all, as in a classroom, as after two years in a box. */
export type Variation = (typeof variations)[number];

/** Corners seen from above, counter-clockwise, in metres; x to the front, y to the left. */
export type Outline = readonly (readonly [number, number])[];

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

export interface Making {
	/** Its character follows from its name. */
	readonly name: string;
	readonly ports: DrivePorts;
	readonly variation: Variation;
	/** For the drive, and for the sensors: what a plan reads does not change how its robot drives. */
	readonly chance: Random;
	readonly sensorChance: Random;
	/** For what a display shows: looking at it changes nothing. */
	readonly displayChance: Random;
	readonly surroundings: Surroundings;
	/** Heading on the start mark, as it is told when lined up, radians. */
	readonly heading: number;
}

export interface RobotKind {
	readonly kind: string;
	readonly abilities: readonly Ability[];
	/** What it can sense. */
	readonly senses: readonly Reading[];
	readonly outline: Outline;
	/** Top speed of a new robot with a full battery, m/s: what 100 % means. */
	readonly topSpeed: number;
	/** The name of the robot of this kind that ships with the app. */
	readonly sampleName: string;
	/** A robot on the start mark. */
	build(making: Making): Robot;
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

	/** Wants now: speed ahead and speed of turning, set by `advance`. */
	readonly speed: number;
	readonly turning: number;
	readonly leftWheel: number;
	readonly rightWheel: number;
	/** 1 full, 0 empty. */
	readonly battery: number;
	/** As they shine now, 0xrrggbb. */
	readonly leftLamp: number;
	readonly rightLamp: number;
	/** The move in progress has not got on for a while. */
	readonly isStalled: boolean;
	readonly isStill: boolean;
	/** It plays a tone. */
	readonly isPlaying: boolean;
	/** Its sensor sees the drop ahead. */
	readonly seesEdge: boolean;

	/** What a display beside the robot shows of a sensor: as `read`, with errors of its own. */
	display(reading: Reading): Datum;

	/** Moves the clock of its sensors, motors and moves on by one tick. */
	advance(time: number): void;
	/** Tells it how it really moved, where a wall kept it from moving as it wanted. */
	obstructed(speed: number, turning: number): void;
	/** Tells its sensors how it turned in this tick, in radians. */
	sense(turned: number): void;
	/** Called when it begins to play, in place of what it played. @param volume 0 to 1 */
	onPlay: (notes: readonly PlayedNote[], volume: number) => void;
}
