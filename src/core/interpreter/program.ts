/**
 * A plan made ready to run, as often as anybody likes: nothing in it changes while it runs. It is
 * each step with its definition and number, and its expressions as functions. Steps that are
 * switched off are left out.
 */
import type { Device } from '../devices/device';
import { compileNode, type Find } from '../expressions/evaluate';
import { countNodes, eachName, parse, type Node } from '../expressions/expression';
import type { Datum } from '../types';
import { isReading } from '../expressions/vocabulary';
import { isLit, numberSteps, robotOfChain, type Chain, type Plan, type Step } from '../plan/plan';
import { variableTypes } from '../plan/variables';
import { missingOf, type RobotKind } from '../robots/robot';
import { definitionOf } from '../steps/catalogue';
import {
	isExpression,
	needsOf,
	slotOf,
	type StepDefinition,
	type Worked
} from '../steps/definition';
import { inputNames } from '../steps/own';
import { computedOf, type Computed, type Condition, type Naming } from './computed';
import { Variables } from './memory';
import { nodesPerStep } from './settings';

/** A value that is computed anew whenever the step runs. */
interface ComputedValue extends Computed {
	/** Its place in the list of values. */
	readonly index: number;
	readonly name: string;
}

export interface Instruction {
	readonly id: string;
	/** As on its tag; 0 for a trigger and for a branch. */
	readonly number: number;
	readonly definition: StepDefinition;
	/** Values without expressions. */
	readonly values: Worked;
	/** Names of all values but conditions, and those values; NaN where one is computed. */
	readonly names: readonly string[];
	readonly slots: readonly Datum[];
	readonly computed: readonly ComputedValue[];
	/** Conditions are asked anew each time. */
	readonly conditions: Readonly<Record<string, Condition>>;
	readonly body: readonly Instruction[];
	/** Number of the variable that it names; -1 if it names none. */
	readonly variable: number;
	/** What its own values sense. */
	readonly readings: ReadonlySet<string>;
	/** What the robot lacks for it. */
	readonly missing: Device | undefined;
	/** What it had better have for it, and lacks. */
	readonly without: Device | undefined;
	/** What it takes to work out its values, in whole steps. */
	readonly cost: number;
	/** It does one thing: it holds no steps, calls none, and does not steer its chain. */
	readonly isSimple: boolean;
}

export type Routines = ReadonlyMap<
	string,
	{ readonly inputs: readonly string[]; readonly steps: readonly Instruction[] }
>;

export interface Program {
	/** Lit chains, each with its trigger. */
	readonly chains: readonly {
		readonly id: string;
		readonly trigger: Instruction;
		readonly steps: readonly Instruction[];
		/** Which of the robots runs it. */
		readonly robot: number;
	}[];
	/** For each robot, in the order of the plan: the routines as its kind can run them. */
	readonly routines: readonly Routines[];
	/** For each robot: what its chains sense. */
	readonly readings: readonly ReadonlySet<string>[];
	/** How many variables it has; each robot has its own. */
	readonly variables: number;
	/** Their names, in the order of their numbers. */
	readonly names: readonly string[];
}

/** What matters here of the robot that will run a plan. */
type Capable = Pick<RobotKind, 'devices' | 'topSpeed'>;

/** What all instructions of a plan are made with. */
interface Compiling extends Naming {
	readonly numbers: ReadonlyMap<string, number>;
	readonly robot: Capable;
	readonly find: Find;
	readonly variables: Variables;
	/** One list for all steps of a kind, as long as they name the same values. */
	readonly sameNames: (definition: StepDefinition, names: readonly string[]) => readonly string[];
	/** Filled with what the plan senses. */
	readonly used: Set<string>;
}

/**
 * @param crew for each robot of the plan, what is known of its kind
 * @param only the one chain to run, lit or not, as if Run had been pressed for it
 * @param isByHand Run is not pressed: each chain waits for a hand, or for its own trigger
 */
export function compile(
	plan: Plan,
	crew: readonly Capable[],
	only?: string,
	isByHand = false
): Program {
	const types = variableTypes(plan);
	const variables = new Variables();
	const lists = new Map<StepDefinition, readonly string[]>();
	const variable: Find = (name) => {
		const number = variables.numberOf(name);
		return (environment) => environment.cells[number]!.value ?? NaN;
	};
	const all = {
		numbers: numberSteps(plan),
		scope: (name: string) => types.get(name),
		find: variable,
		variables,
		sameNames: (definition: StepDefinition, names: readonly string[]) => {
			const known = lists.get(definition);
			if (known && isSame(known, names)) return known;
			lists.set(definition, names);
			return names;
		}
	};
	const compilings = crew.map((robot): Compiling => {
		const { numbers, scope, find, variables, sameNames } = all;
		const { topSpeed } = robot;
		return { numbers, scope, find, variables, sameNames, robot, topSpeed, used: new Set() };
	});
	const listOf = (steps: readonly Step[], compiling: Compiling) =>
		withoutOff(steps).map((step) => instructionOf(step, compiling));
	/** A name of an input hides the variable of that name. */
	const routineOf = ({ trigger, steps }: Chain, compiling: Compiling) => {
		const inputs = inputNames(trigger!.values.inputs);
		const find: Find = (name) => {
			const index = inputs.indexOf(name);
			return index < 0 ? variable(name) : (environment) => environment.input(index) ?? NaN;
		};
		return { inputs, steps: listOf(steps, { ...compiling, find }) };
	};

	const chains = [];
	const routines = crew.map(() => new Map<string, ReturnType<typeof routineOf>>());
	for (const chain of plan.chains) {
		const { trigger, steps } = chain;
		if (trigger?.kind === 'routine') {
			compilings.forEach((compiling, index) => {
				routines[index]!.set(String(trigger.values.name), routineOf(chain, compiling));
			});
		}
		const robot = plan.robots.indexOf(robotOfChain(plan, chain));
		const compiling = compilings[robot]!;
		if (isByHand && isWithoutInputs(trigger)) {
			const isOwn =
				isLit(chain) && trigger!.kind !== 'whenRunPressed' && trigger!.kind !== 'routine';
			const top = isOwn ? instructionOf(trigger!, compiling) : byHand;
			chains.push({ id: chain.id, trigger: top, steps: listOf(steps, compiling), robot });
		} else if (only === undefined && isLit(chain)) {
			const top = instructionOf(trigger!, compiling);
			chains.push({ id: chain.id, trigger: top, steps: listOf(steps, compiling), robot });
		}
		if (chain.id === only) {
			chains.push({ id: only, trigger: runPressed, steps: listOf(steps, compiling), robot });
		}
	}
	const readings = compilings.map(({ used }) => used);
	return { chains, routines, readings, variables: variables.count, names: variables.names };
}

/** A hand can start it: a chain, or a routine that needs no inputs. */
const isWithoutInputs = (trigger: Step | null): boolean =>
	trigger?.kind !== 'routine' || inputNames(trigger.values.inputs).length === 0;

const isSame = (one: readonly string[], other: readonly string[]): boolean =>
	one.length === other.length && one.every((name, i) => name === other[i]);

const noVariable = -1;

const none: readonly never[] = [];
const noConditions = {};
const noReadings: ReadonlySet<string> = new Set();

const runPressed: Instruction = {
	cost: 0,
	missing: undefined,
	without: undefined,
	slots: [],
	computed: none,
	isSimple: true,
	definition: definitionOf('whenRunPressed'),
	variable: noVariable,
	names: [],
	id: 'run',
	number: 0,
	values: {},
	conditions: noConditions,
	body: none,
	readings: noReadings
};

/** In the place of a trigger that only hands pull. */
const byHand: Instruction = {
	...runPressed,
	id: 'hand',
	definition: { ...runPressed.definition, kind: 'byHand', watch: () => ({ hasFired: () => false }) }
};

const withoutOff = (steps: readonly Step[]): readonly Step[] => steps.filter((step) => !step.off);

/** Of an expression, in whole steps. */
const costOf = (tree: Node): number => Math.floor(countNodes(tree) / nodesPerStep);

/** An expression that cannot be read. */
const senseless: Node = { type: 'number', value: NaN };

function instructionOf(step: Step, compiling: Compiling): Instruction {
	const { numbers, find, robot, variables, used } = compiling;
	const definition = definitionOf(step.kind);
	const values: Record<string, Datum> = {};
	const computed: ComputedValue[] = [];
	let conditions: Record<string, Condition> = noConditions;
	let readings: Set<string> | undefined;
	const names: string[] = [];
	const slots: Datum[] = [];
	const isSimple = !definition.hasBody && !definition.hasInputs && !definition.isLast;
	let cost = 0;
	for (const [name, value] of Object.entries(step.values)) {
		const slot = slotOf(definition, name);
		if (!isExpression(value)) {
			values[name] = value;
			names.push(name);
			slots.push(value);
			continue;
		}
		const parsed = parse(value.expression);
		const tree = parsed.ok ? parsed.value : senseless;
		eachName(tree, (name) => {
			if (isReading(name)) (readings ??= new Set()).add(name);
		});
		if (slot.type === 'condition') {
			const condition = { evaluate: compileNode(tree, find), cost: costOf(tree) };
			conditions = { ...conditions, [name]: condition };
		} else {
			cost += costOf(tree);
			computed.push({ index: names.length, name, ...computedOf(tree, slot, compiling) });
			names.push(name);
			slots.push(NaN);
		}
	}
	if (readings) for (const reading of readings) used.add(reading);
	const body = step.body
		? withoutOff(step.body).map((inner) => instructionOf(inner, compiling))
		: none;
	// First what is read whenever it runs, so that the processor finds it in one place.
	return {
		cost,
		missing: missingOf(robot, needsOf(definition, values)),
		without: definition.wants && missingOf(robot, [definition.wants]),
		slots,
		computed: computed.length > 0 ? computed : none,
		isSimple,
		definition,
		variable: 'variable' in values ? variables.numberOf(String(values.variable)) : noVariable,
		names: compiling.sameNames(definition, names),
		id: step.id,
		number: numbers.get(step.id) ?? 0,
		values,
		conditions,
		body,
		readings: readings ?? noReadings
	};
}
