/**
 * A plan made ready to run: each step with its definition and number, and its expressions as
 * functions. Steps that are switched off are left out.
 */
import { compileNode, type Evaluate, type Find } from '../expressions/evaluate';
import { countNodes, eachName, parse, type Node } from '../expressions/expression';
import type { Datum } from '../expressions/types';
import { isReading, type Reading } from '../expressions/vocabulary';
import { isLit, numberSteps, type Chain, type Plan, type Step } from '../plan/plan';
import { variableTypes } from '../plan/variables';
import type { RobotKind } from '../robots/robot';
import { definitionOf } from '../steps/catalogue';
import {
	isExpression,
	slotOf,
	type Ability,
	type StepDefinition,
	type Worked
} from '../steps/definition';
import { inputNames } from '../steps/own';
import { computedOf, type Computed, type Naming } from './computed';
import { Memory, type Cell } from './memory';
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
	/** Names of all values but conditions, and a list in which the computed ones are filled in. */
	readonly names: readonly string[];
	readonly filled: Datum[];
	readonly computed: readonly ComputedValue[];
	/** Conditions are asked anew each time. */
	readonly conditions: Readonly<Record<string, Evaluate>>;
	readonly body: readonly Instruction[];
	/** The variable that it names, if it does. */
	readonly variable: Cell;
	/** What its own values sense. */
	readonly readings: ReadonlySet<Reading>;
	/** What the robot lacks for it. */
	readonly missing: Ability | undefined;
	/** What it takes to begin it, or a round of it, in steps: more than 1 for what it holds or reckons. */
	readonly cost: number;
	/** It does one thing: it holds no steps, calls none, and does not steer its chain. */
	readonly isSimple: boolean;
}

export interface Program {
	/** Lit chains, each with its trigger. */
	readonly chains: readonly {
		readonly id: string;
		readonly trigger: Instruction;
		readonly steps: readonly Instruction[];
	}[];
	readonly routines: ReadonlyMap<
		string,
		{ readonly inputs: readonly string[]; readonly steps: readonly Instruction[] }
	>;
	/** What the plan senses. */
	readonly readings: ReadonlySet<Reading>;
}

/** What matters here of the robot that will run a plan. */
type Capable = Pick<RobotKind, 'abilities' | 'topSpeed'>;

/** What all instructions of a plan are made with. */
interface Compiling extends Naming {
	readonly numbers: ReadonlyMap<string, number>;
	readonly robot: Capable;
	readonly find: Find;
	readonly memory: Memory;
	/** Filled with what the plan senses. */
	readonly used: Set<Reading>;
}

/** @param only the one chain to run, lit or not, as if Run had been pressed for it */
export function compile(plan: Plan, robot: Capable, only?: string): Program {
	const used = new Set<Reading>();
	const types = variableTypes(plan);
	const memory = new Memory();
	const variable: Find = (name) => {
		const cell = memory.cell(name);
		return () => cell.value ?? NaN;
	};
	const compiling = {
		numbers: numberSteps(plan),
		robot,
		topSpeed: robot.topSpeed,
		scope: (name: string) => types.get(name),
		find: variable,
		memory,
		used
	};
	const instruct = (step: Step): Instruction => instructionOf(step, compiling);
	const stepsOf = (chain: Chain) => withoutOff(chain.steps).map(instruct);
	/** A name of an input hides the variable of that name. */
	const stepsOfRoutine = (chain: Chain, inputs: readonly string[]) => {
		const find: Find = (name) => {
			const index = inputs.indexOf(name);
			return index < 0 ? variable(name) : (environment) => environment.input(index) ?? NaN;
		};
		return withoutOff(chain.steps).map((step) => instructionOf(step, { ...compiling, find }));
	};

	const chains = [];
	const routines = new Map<string, { inputs: string[]; steps: Instruction[] }>();
	for (const chain of plan.chains) {
		const { trigger } = chain;
		if (trigger?.kind === 'routine') {
			const inputs = inputNames(trigger.values.inputs);
			const steps = stepsOfRoutine(chain, inputs);
			routines.set(String(trigger.values.name), { inputs, steps });
		} else if (only === undefined && isLit(chain)) {
			chains.push({ id: chain.id, trigger: instruct(trigger!), steps: stepsOf(chain) });
		}
		if (chain.id === only) chains.push({ id: only, trigger: runPressed, steps: stepsOf(chain) });
	}
	return { chains, routines, readings: used };
}

const noVariable: Cell = { value: undefined };

const runPressed: Instruction = {
	id: 'run',
	number: 0,
	definition: definitionOf('whenRunPressed'),
	values: {},
	names: [],
	filled: [],
	computed: [],
	conditions: {},
	body: [],
	variable: noVariable,
	readings: new Set(),
	missing: undefined,
	cost: 1,
	isSimple: true
};

const withoutOff = (steps: readonly Step[]): readonly Step[] => steps.filter((step) => !step.off);

/** An expression that cannot be read. */
const senseless: Node = { type: 'number', value: NaN };

function instructionOf(step: Step, compiling: Compiling): Instruction {
	const { numbers, find, robot, memory, used } = compiling;
	const definition = definitionOf(step.kind);
	const values: Record<string, Datum> = {};
	const computed: ComputedValue[] = [];
	const conditions: Record<string, Evaluate> = {};
	const readings = new Set<Reading>();
	const names: string[] = [];
	const filled: Datum[] = [];
	let nodes = 0;
	for (const [name, value] of Object.entries(step.values)) {
		const slot = slotOf(definition, name);
		if (!isExpression(value)) {
			values[name] = value;
			names.push(name);
			filled.push(value);
			continue;
		}
		const parsed = parse(value.expression);
		const tree = parsed.ok ? parsed.value : senseless;
		nodes += countNodes(tree);
		eachName(tree, (name) => {
			if (isReading(name)) readings.add(name);
		});
		if (slot.type === 'condition') {
			conditions[name] = compileNode(tree, find);
		} else {
			computed.push({ index: names.length, name, ...computedOf(tree, slot, compiling) });
			names.push(name);
			filled.push(NaN);
		}
	}
	for (const reading of readings) used.add(reading);
	const body = withoutOff(step.body ?? []).map((inner) => instructionOf(inner, compiling));
	const isSimple = !definition.hasBody && !definition.hasInputs && !definition.isLast;
	let cost = (isSimple ? 1 : 2) + nodes / nodesPerStep;
	// A choice may ask the conditions of all its branches.
	if (definition.branches) for (const branch of body) cost += branch.cost - 2;
	return {
		id: step.id,
		number: numbers.get(step.id) ?? 0,
		definition,
		values,
		names,
		filled,
		computed,
		conditions,
		body,
		cost,
		variable: 'variable' in values ? memory.cell(String(values.variable)) : noVariable,
		readings,
		missing: definition.needs.find((need) => !robot.abilities.includes(need)),
		isSimple
	};
}
