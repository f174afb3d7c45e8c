/**
 * A plan made ready to run: each step with its definition and number, and its expressions as
 * functions. Steps that are switched off are left out.
 */
import { compileNode, type Environment, type Evaluate } from '../expressions/evaluate';
import { eachName, parse } from '../expressions/expression';
import type { Datum, Type } from '../expressions/types';
import { isReading, units, type Reading } from '../expressions/vocabulary';
import { typeOf } from '../expressions/typing';
import { isLit, numberSteps, type Chain, type Plan, type Step } from '../plan/plan';
import { variableTypes } from '../plan/variables';
import { definitionOf } from '../steps/catalogue';
import {
	isExpression,
	type Ability,
	type StepDefinition,
	type Value,
	type ValueDefinition,
	type Worked
} from '../steps/definition';
import { inputNames } from '../steps/own';

export interface Computed {
	readonly name: string;
	readonly definition: ValueDefinition;
	readonly evaluate: Evaluate;
	/** It is in m/s, and has to be a part of the robot's top speed. */
	readonly isSpeed: boolean;
}

export interface Instruction {
	readonly id: string;
	/** As on its tag; 0 for a trigger and for a branch. */
	readonly number: number;
	readonly definition: StepDefinition;
	/** Values without expressions. */
	readonly values: Worked;
	/** All values: one object, in which the computed ones are filled in whenever the step runs. */
	readonly worked: Record<string, Datum>;
	readonly computed: readonly Computed[];
	/** Conditions are asked anew each time. */
	readonly conditions: Readonly<Record<string, Evaluate>>;
	readonly body: readonly Instruction[];
	/** What its own values sense. */
	readonly readings: ReadonlySet<Reading>;
	/** What the robot lacks for it. */
	readonly missing: Ability | undefined;
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

/** What all instructions of a plan are made with. */
interface Compiling {
	readonly numbers: ReadonlyMap<string, number>;
	readonly types: ReadonlyMap<string, Type>;
	readonly abilities: readonly Ability[];
	/** Filled with what the plan senses. */
	readonly used: Set<Reading>;
}

/**
 * @param abilities of the robot that will run it
 * @param only the one chain to run, lit or not, as if Run had been pressed for it
 */
export function compile(plan: Plan, abilities: readonly Ability[], only?: string): Program {
	const used = new Set<Reading>();
	const types = variableTypes(plan);
	const compiling = { numbers: numberSteps(plan), types, abilities, used };
	const instruct = (step: Step): Instruction => instructionOf(step, compiling);
	const stepsOf = (chain: Chain) => withoutOff(chain.steps).map(instruct);

	const chains = [];
	const routines = new Map<string, { inputs: string[]; steps: Instruction[] }>();
	for (const chain of plan.chains) {
		const { trigger } = chain;
		if (trigger?.kind === 'routine') {
			const steps = stepsOf(chain);
			routines.set(String(trigger.values.name), {
				inputs: inputNames(trigger.values.inputs),
				steps
			});
		} else if (only === undefined && isLit(chain)) {
			chains.push({ id: chain.id, trigger: instruct(trigger!), steps: stepsOf(chain) });
		}
		if (chain.id === only) chains.push({ id: only, trigger: runPressed, steps: stepsOf(chain) });
	}
	return { chains, routines, readings: used };
}

const runPressed: Instruction = {
	id: 'run',
	number: 0,
	definition: definitionOf('whenRunPressed'),
	values: {},
	worked: {},
	computed: [],
	conditions: {},
	body: [],
	readings: new Set(),
	missing: undefined,
	isSimple: true
};

const withoutOff = (steps: readonly Step[]): readonly Step[] => steps.filter((step) => !step.off);

function instructionOf(step: Step, compiling: Compiling): Instruction {
	const { numbers, types, abilities, used } = compiling;
	const definition = definitionOf(step.kind);
	const values: Record<string, Datum> = {};
	const computed: Computed[] = [];
	const conditions: Record<string, Evaluate> = {};
	const readings = new Set<Reading>();
	for (const [name, value] of Object.entries(step.values)) {
		const slot: ValueDefinition = definition.values[name] ?? { type: 'anything', initial: 0 };
		if (!isExpression(value)) {
			values[name] = value;
			continue;
		}
		const { evaluate, isSpeed } = compileValue(value, slot, types, readings);
		if (slot.type === 'condition') conditions[name] = evaluate;
		else computed.push({ name, definition: slot, evaluate, isSpeed });
	}
	for (const reading of readings) used.add(reading);
	return {
		id: step.id,
		number: numbers.get(step.id) ?? 0,
		definition,
		values,
		worked: { ...values, ...Object.fromEntries(computed.map(({ name }) => [name, NaN])) },
		computed,
		conditions,
		body: withoutOff(step.body ?? []).map((inner) => instructionOf(inner, compiling)),
		readings,
		missing: definition.needs.find((need) => !abilities.includes(need)),
		isSimple: !definition.hasBody && !definition.hasInputs && !definition.isLast
	};
}

function compileValue(
	value: Exclude<Value, number | string>,
	slot: ValueDefinition,
	types: ReadonlyMap<string, Type>,
	used: Set<Reading>
): { evaluate: Evaluate; isSpeed: boolean } {
	const tree = parse(value.expression);
	if (!tree.ok) return { evaluate: () => NaN, isSpeed: false };
	eachName(tree.value, (name) => {
		if (isReading(name)) used.add(name);
	});
	const type = typeOf(tree.value, (name) => types.get(name));
	const isPower = slot.type === 'number' && slot.quantity === 'power';
	const isSpeed =
		isPower &&
		type.ok &&
		type.value.kind === 'number' &&
		type.value.metres === units.cmps!.type.metres;
	return { evaluate: compileNode(tree.value), isSpeed };
}

/**
 * A value worked out, in the unit of its slot; not yet kept within its range.
 * @returns undefined when the expression gives nothing that can be used here
 */
export function workOut(
	{ definition, evaluate, isSpeed }: Computed,
	environment: Environment,
	topSpeed: number
): Datum | undefined {
	const given = evaluate(environment);
	if (typeof given !== 'number') return definition.type === 'number' ? undefined : given;
	if (definition.type !== 'number') return Number.isNaN(given) ? undefined : given;
	if (!Number.isFinite(given)) return undefined;
	const number = isSpeed ? given / topSpeed : given;
	return definition.quantity === 'count' ? Math.round(number) : number;
}

/** The nearest value within the range of the slot: the same, when it is in it. */
export function withinRange(definition: ValueDefinition, value: Datum): Datum {
	if (definition.type !== 'number' || typeof value !== 'number') return value;
	return Math.max(definition.minimum, Math.min(definition.maximum, value));
}
