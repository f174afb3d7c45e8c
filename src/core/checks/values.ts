/** Values: expressions that make no sense or go out of range, and variables read before they are set. */
import { isFixed, nothing } from '../expressions/evaluate';
import { parse, type Node } from '../expressions/expression';
import { fits, isPlain, nameOfType, type Type } from '../types';
import { typeOf, type Scope } from '../expressions/typing';
import { computedOf, withinRange, workOut } from '../interpreter/computed';
import type { RobotKind } from '../robots/robot';
import { isExpression, type ValueDefinition } from '../steps/definition';
import { definitionOf } from '../steps/catalogue';
import { wantedType } from '../steps/values';
import { failure, success, type Result } from '../sentence';
import type { Chain, Step } from '../plan/plan';
import { eachNameIn, inputsOf, routinesOf, scopeIn, variableTypes } from '../plan/variables';
import { problemAt, type Context, type Problem } from './problem';

interface Place {
	readonly step: Step;
	readonly chain: Chain;
	readonly place: string;
}

export function checkValues(context: Context): Problem[] {
	const { plan, steps } = context;
	const triggers = plan.chains.flatMap((chain, index) =>
		chain.trigger && !chain.trigger.off
			? [{ step: chain.trigger, chain, place: `chains[${index}].trigger` }]
			: []
	);
	const scopes = new Map(plan.chains.map((chain) => [chain.id, scopeIn(plan, chain)]));
	const problems = [...triggers, ...steps].flatMap((place) =>
		checkStep(place, scopes.get(place.chain.id)!, context)
	);
	return [...problems, ...checkOrder(context)];
}

function checkStep(here: Place, scope: Scope, context: Context): Problem[] {
	const slots = slotsOf(here.step, context);
	return Object.entries(here.step.values).flatMap(([name, value]): Problem[] => {
		const slot = Object.hasOwn(slots, name) ? slots[name] : undefined;
		if (!slot) return [problemAt(here, 'noInput', { name }, { value: name })];
		if (isWeak(slot, value, context.robotOf(here.chain)))
			return [problemAt(here, 'tooWeak', {}, { value: name })];
		if (!isExpression(value)) return [];
		const found = checkExpression(value.expression, slot, scope);
		if (!found.ok) {
			const { id, place } = { id: here.step.id, place: `${here.place}.values.${name}` };
			return [{ place, id, value: name, sentence: found.failure }];
		}
		return checkRange(here, name, slot, found.value, context.robotOf(here.chain).topSpeed);
	});
}

/** The slots of a step; those of a call are the inputs of its routine, too. */
function slotsOf(
	step: Step,
	{ plan }: Pick<Context, 'plan'>
): Readonly<Record<string, ValueDefinition>> {
	const { values } = definitionOf(step.kind);
	if (step.kind !== 'call') return values;
	const routine = routinesOf(plan).get(String(step.values.routine));
	const inputs = routine ? inputsOf(routine) : [];
	const anything: ValueDefinition = { type: 'anything', initial: 0 };
	return { ...values, ...Object.fromEntries(inputs.map((input) => [input, anything])) };
}

/** @returns its tree, when it is sound and fits the slot */
export function checkExpression(text: string, slot: ValueDefinition, scope: Scope): Result<Node> {
	const tree = parse(text);
	if (!tree.ok) return tree;
	const type = typeOf(tree.value, scope);
	if (!type.ok) return type;
	const wanted = wantedType(slot);
	if (wanted.some((one) => isRight(type.value, one))) return success(tree.value);
	return failure('expression.wanted', {
		wanted: nameOfType(wanted[0]!),
		given: nameOfType(type.value)
	});
}

/** A plain number stands for itself where there is a unit: 90 is 90 degrees, as in the document. */
const isRight = (given: Type, wanted: Type): boolean =>
	fits(given, wanted) || (wanted.kind === 'number' && isPlain(given));

const isWeak = (slot: ValueDefinition, value: unknown, { weakest = 0 }: RobotKind): boolean =>
	slot.type === 'number' &&
	slot.quantity === 'power' &&
	typeof value === 'number' &&
	value !== 0 &&
	Math.abs(value) < weakest;

/** An expression without anything that changes comes out the same each time: too much is seen here. */
function checkRange(
	here: Place,
	name: string,
	definition: ValueDefinition,
	tree: Node,
	topSpeed: number
): Problem[] {
	if (definition.type !== 'number' || !isFixed(tree)) return [];
	const computed = computedOf(tree, definition, { scope: () => undefined, topSpeed });
	const worked = workOut(computed, nothing);
	if (typeof worked !== 'number') return [problemAt(here, 'noNumber', {}, { value: name })];
	const used = Number(withinRange(computed, worked));
	if (used === worked) return [];
	const values = { value: worked, used, quantity: definition.quantity };
	return [problemAt(here, 'outOfRange', values, { value: name })];
}

/** In a chain: a variable that is read before the step that sets it, with nobody else setting it. */
function checkOrder({ plan, steps }: Context): Problem[] {
	const variables = variableTypes(plan);
	const setIn = new Map<string, Set<string>>();
	for (const { step, chain } of steps) {
		const { variable } = step.values;
		if (typeof variable !== 'string' || step.kind === 'change') continue;
		setIn.set(variable, (setIn.get(variable) ?? new Set()).add(chain.id));
	}
	const done = new Set<string>();
	return steps.flatMap((here): Problem[] => {
		const { step, chain } = here;
		const reads = new Set<string>();
		const note = (name: string) => {
			if (variables.has(name) && !inputsOf(chain).includes(name)) reads.add(name);
		};
		if (step.kind === 'change') note(String(step.values.variable));
		eachNameIn(step, note);
		const early = [...reads].find((name) => {
			const setters = setIn.get(name);
			const isElsewhere = [...(setters ?? [])].some((id) => id !== chain.id);
			return !isElsewhere && !done.has(`${chain.id} ${name}`);
		});
		const { variable } = step.values;
		if (typeof variable === 'string') done.add(`${chain.id} ${variable}`);
		if (!early) return [];
		done.add(`${chain.id} ${early}`);
		const repair = {
			key: 'repair.set',
			edit: (newId: () => string) => ({
				type: 'insert' as const,
				holder: chain.id,
				index: 0,
				steps: [{ id: newId(), kind: 'set', values: { variable: early, value: 0 } }]
			})
		};
		return [problemAt(here, 'readBeforeSet', { name: early }, { repair })];
	});
}
