/** What a kind of robot is, and what a robot of it is made from. */
import type { Course, PartName } from '../course/course';
import type { Device } from '../devices/device';
import { ownReadings } from '../expressions/vocabulary';
import type { Random } from '../random/random';
import type { Sentence } from '../sentence';
import type { ChoiceDefinition, Value, ValueDefinition, Values } from '../steps/definition';
import type { Obstacle, Outline, Surroundings } from '../world/body';
import type { Drawing } from './drawing';
import type { Machine } from './machine';
import type { Parameters, ParameterValues } from './parameter';
import type { Sounding } from './speaker';

export const variations = ['ideal', 'classroom', 'worn'] as const;
/** How much a robot misbehaves: not at all, as in a classroom, as after two years in a box. */
export type Variation = (typeof variations)[number];

export interface Making {
	/** Its character follows from its name. */
	readonly name: string;
	/** Of its kind. */
	readonly settings: Values;
	readonly variation: Variation;
	/** What this robot is like, in place of what its name and the day would make of it: all, or some. */
	readonly parameters?: ParameterValues | undefined;
	/** For the drive, and for the sensors: what a plan reads does not change how its robot drives. */
	readonly chance: Random;
	readonly sensorChance: Random;
	/** For what a display shows: looking at it changes nothing. */
	readonly displayChance: Random;
	readonly surroundings: Surroundings;
	/** To be told when it begins to play, in place of what it played. @param volume 0 to 1 */
	readonly played: (notes: readonly Sounding[], volume: number) => void;
	/** To be told when it takes something for a bump: for kinds that feel jolts, not walls. */
	readonly felt: (kind: 'bump') => void;
	/** To be told when something of its own kind stops it, that the world does not know. */
	readonly met: (obstacle: Obstacle) => void;
	/** To be told what went so wrong that the attempt is over, as in the message `outcome.<fault>`. */
	readonly failed: (fault: string) => void;
	/** Heading on the start mark, as it is told when lined up, radians. */
	readonly heading: number;
}

/** How the figures of a column are meant, and written. */
export type ColumnUnit = 'mps' | 'metres' | 'degrees' | 'part' | 'colour' | 'count';

/** One figure of a robot, recorded with each sample beside its pose. */
export interface Column<M extends Machine = Machine> {
	readonly name: string;
	/** m/s; metres; degrees; 0 to 1; 0xrrggbb; a whole number from 0. */
	readonly unit: ColumnUnit;
	/** It jumps from one value to the next, as a lamp does: nothing lies between. */
	readonly isStepped?: true;
	of(machine: M): number;
}

export interface RobotKind<M extends Machine = Machine> {
	readonly kind: string;
	/** What it has. */
	readonly devices: readonly Device[];
	/** What a person can set of one robot, such as what is plugged in where. */
	readonly settings: Readonly<Record<string, ValueDefinition>>;
	/** Devices that only a robot has whose setting of this name is `fitted`. */
	readonly fitted?: Readonly<Record<string, Device>>;
	/** Settings of which no two may be the same. */
	readonly distinct?: readonly string[];
	readonly columns: readonly Column<M>[];
	readonly drawing: Drawing;
	readonly outline: Outline;
	/** Top speed of a new robot with a full battery, m/s: what 100 % means. */
	readonly topSpeed: number;
	/** A part of the top speed: less may not get past the dead zone of its motors. Left out if they have none. */
	readonly weakest?: number;
	/** Steps that it offers at level First although others do not: what it has in place of theirs. */
	readonly first?: readonly string[];
	/** Steps that it does not offer there, so that there are not too many to choose from. */
	readonly notFirst?: readonly string[];
	/** By the name of a value: the only options of a choice that it has, where it has fewer. */
	readonly options?: Readonly<Record<string, readonly string[]>>;
	/** Bytes of sounds that it holds, if it plays any. */
	readonly clipRoom?: number;
	/** What lies on a course for robots of this kind alone. */
	readonly ownParts?: readonly PartName[];
	/** It stands on a rail, and goes where that goes. */
	readonly isOnRail?: true;
	/** Nobody sees where its front is: it has to be lined up before a run. */
	readonly isRound?: true;
	/** It does not know what it touches: what it takes for a bump it says itself, through `felt`. */
	readonly feelsJolts?: true;
	/** The same move as it can do it, though less well, where it lacks what a step needs: a first guess. */
	instead?(step: Doing): readonly Doing[];
	/**
	 * What it finds odd about steps that follow each other in one list, switched off or not.
	 * @param isWhole the list is all that runs, from Run to the end
	 */
	check?(
		steps: readonly ListedStep[],
		settings: Values,
		isWhole: boolean,
		course?: Course
	): readonly Fault[];
	/** What it needs of a course: what one lacks, as in `check.<key>`, and the sample that has it. */
	readonly course?: { readonly name: string; lacks(course: Course): string | undefined };
	/** The name of the robot of this kind that ships with the app. */
	readonly sampleName: string;
}

/** How robots of a kind behave: for whoever simulates, apart from what a page shows of a kind. */
export interface RobotModel<M extends Machine = Machine> {
	/** What it takes for granted of one robot, and of one day. */
	readonly parameters: Parameters;
	/** A robot on the start mark. */
	build(making: Making): M;
}

/** What is odd about a step, in a sentence `check.<key>`. */
export interface Fault {
	readonly step: Doing;
	readonly key: string;
	readonly values?: Sentence['values'];
	readonly mend?: Mend;
}

/** What mends it, as in `repair.<key>`: other steps around this one, or other values. */
export interface Mend {
	readonly key: string;
	readonly before?: Doing;
	readonly after?: Doing;
	readonly set?: { readonly name: string; readonly value: Value };
	/** Other settings of the robot. */
	readonly fit?: Values;
}

/** What a step does, wherever it stands. */
export interface Doing {
	readonly kind: string;
	readonly values: Values;
	readonly off?: true | undefined;
}

/** With what it holds, if it holds steps. */
export interface ListedStep extends Doing {
	readonly body?: readonly ListedStep[] | undefined;
}

/** What a robot of this kind can choose from for a value of a step. */
export const optionsOf = (
	{ options, devices }: Pick<RobotKind, 'options' | 'devices'>,
	name: string,
	definition: ChoiceDefinition
): readonly string[] =>
	definition.options.filter((option) => {
		const need = definition.needs?.[option];
		return (options?.[name]?.includes(option) ?? true) && (!need || devices.includes(need));
	});

/** The first of what a step needs that robots of a kind do not have. */
export const missingOf = (
	{ devices }: Pick<RobotKind, 'devices'>,
	needs: readonly Device[]
): Device | undefined => needs.find((need) => !devices.includes(need));

export const canDo = (kind: Pick<RobotKind, 'devices'>, needs: readonly Device[]): boolean =>
	missingOf(kind, needs) === undefined;

const known = new WeakMap<readonly Device[], readonly string[]>();

/** What a plan for robots of a kind can read: of its devices, and of the interpreter. */
export function readingsOf({ devices }: Pick<RobotKind, 'devices'>): readonly string[] {
	const before = known.get(devices);
	if (before) return before;
	const made = [...devices.map(({ readings }) => readings), ownReadings].flatMap(Object.keys);
	known.set(devices, made);
	return made;
}
