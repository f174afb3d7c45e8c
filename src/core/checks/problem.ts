/** What is odd about a plan. No problem keeps a rehearsal that can run from running. */
import type { Course } from '../course/course';
import type { Doing, RobotKind } from '../robots/robot';
import type { Sentence } from '../sentence';
import type { Attempt } from '../simulation/attempt';
import type { StepDefinition, Value } from '../steps/definition';
import type { Edit } from '../plan/edits';
import type { Chain, Plan, Step } from '../plan/plan';

export interface Problem {
	/** Where in the document, as in `chains[0].steps[3]`. */
	readonly place: string;
	/** The chain or step it belongs to; empty for the whole plan. */
	readonly id: string;
	/** The value it belongs to, if it is one of the step's. */
	readonly value?: string;
	readonly sentence: Sentence;
	readonly repair?: Repair;
	/** The name of a sample course that has what this one lacks. */
	readonly sampleCourse?: string;
}

export interface Repair {
	/** The message that says what the repair does. */
	readonly key: string;
	/** @param newId gives identifiers for new steps */
	readonly edit: (newId: () => string) => Edit;
}

/** A wait is put in. @param duration seconds */
export const waitAt = (holder: string, index: number, duration: number): Repair => ({
	key: 'repair.wait',
	edit: (newId) => ({
		type: 'insert',
		holder,
		index,
		steps: [{ id: newId(), kind: 'wait', values: { duration } }]
	})
});

/** One value of a step is set. @param key the message that says so */
export const setAt = (
	{ step }: Pick<Visited, 'step'>,
	key: string,
	name: string,
	value: Value
): Repair => ({ key, edit: () => ({ type: 'setValue', step: step.id, name, value }) });

/** Other steps take the place of one. @param key the message that says so */
export const replaceAt = (
	{ holder, index }: Pick<Visited, 'holder' | 'index'>,
	key: string,
	steps: readonly Doing[]
): Repair => ({
	key,
	edit: (newId) => ({
		type: 'together',
		edits: [
			{ type: 'remove', holder, index, count: 1 },
			{ type: 'insert', holder, index, steps: steps.map((step) => ({ ...step, id: newId() })) }
		]
	})
});

/** A step with all that the checks need to know of where it hangs. */
export interface Visited {
	readonly step: Step;
	readonly definition: StepDefinition;
	readonly chain: Chain;
	/** What runs the chain. */
	readonly robot: RobotKind;
	readonly place: string;
	/** The chain or step that it hangs in, the list of its steps there, and its index in it. */
	readonly holder: string;
	readonly siblings: readonly Step[];
	readonly index: number;
	/** Steps around it, from the outermost in. */
	readonly around: readonly Step[];
}

export interface Context {
	readonly plan: Plan;
	readonly robotOf: (chain: Chain) => RobotKind;
	readonly course: Course | undefined;
	/** A rehearsal of this very plan, if there is one. */
	readonly attempt: Attempt | undefined;
	/** Every step that is not switched off, in reading order. */
	readonly steps: readonly Visited[];
}

export const problemAt = (
	{ place, step }: Pick<Visited, 'place' | 'step'>,
	key: string,
	values: Sentence['values'] = {},
	more: Pick<Problem, 'value' | 'repair'> = {}
): Problem => ({ place, id: step.id, sentence: { key: `check.${key}`, values }, ...more });
