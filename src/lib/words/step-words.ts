/** A step in words, for a tag, a screen reader, a message. */
import './core';
import type { Plan, Step } from '$core/plan/plan';
import { inputsOf, routinesOf } from '$core/plan/variables';
import { definitionOf } from '$core/steps/catalogue';
import { type Level } from '$core/levels';
import {
	slotOf as slotOfDefinition,
	type ValueDefinition,
	type Values
} from '$core/steps/definition';
import { hasMessage, partsOf, t, type MessagePart } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import { showValue } from './values';
import { reader } from './reader.svelte';

const parts = new Map<string, readonly MessagePart[]>();

function partsFor(key: string, slots: readonly string[]): readonly MessagePart[] {
	const known = parts.get(key);
	if (known) return known;
	const made = partsOf(key, slots);
	parts.set(key, made);
	return made;
}

export const slotOfKind = (kind: string, name: string): ValueDefinition =>
	slotOfDefinition(definitionOf(kind), name);

/**
 * The sentence of a step, split at its values. Below the level Full it is the short one, unless a
 * value that it leaves out has been changed. Inputs of a routine come behind it.
 */
export function sentenceParts(
	kind: string,
	values: Values,
	level: Level = preferences.level
): readonly MessagePart[] {
	const definitions = definitionOf(kind).values;
	const slots = Object.keys(definitions);
	const full = partsFor(`step.${kind}.sentence`, slots);
	const inputs = Object.keys(values)
		.filter((name) => !Object.hasOwn(definitions, name))
		.flatMap((name): MessagePart[] => [{ text: ` ${name} ` }, { slot: name }]);
	const shortKey = `step.${kind}.short`;
	if (level === 'full' || !hasMessage(shortKey)) return [...full, ...inputs];
	const short = partsFor(shortKey, slots);
	const shown = new Set(short.flatMap((part) => ('slot' in part ? [part.slot] : [])));
	const isUsual = slots.every(
		(name) => shown.has(name) || values[name] === definitions[name]!.initial
	);
	return [...(isUsual ? short : full), ...inputs];
}

/**
 * The values of a step; inputs that its routine has and it says nothing of yet stand behind them.
 * @param holder its plan is asked for only by a step that calls: else no row depends on all of the plan
 */
export function shownValues({ kind, values }: Step, holder: { readonly plan: Plan }): Values {
	const chain = kind === 'call' ? routinesOf(holder.plan).get(String(values.routine)) : undefined;
	if (!chain) return values;
	return { ...Object.fromEntries(inputsOf(chain).map((input) => [input, 0])), ...values };
}

/** A step of this kind with these values, in words. */
export const phrase = (kind: string, values: Values): string =>
	sentenceParts(kind, values)
		.map((part) =>
			'slot' in part
				? showValue(kind, part.slot, slotOfKind(kind, part.slot), values[part.slot]!)
				: part.text
		)
		.join('');

/** What the words of a step depend on besides the step itself, which is a value. */
export const wording = (): string =>
	[preferences.level, preferences.lengths, preferences.speeds, reader.topSpeed].join(' ');

let words = new WeakMap<Step, string>();
let wordsFor = '';

export function wordsOf(step: Step): string {
	const now = wording();
	if (now !== wordsFor) {
		words = new WeakMap();
		wordsFor = now;
	}
	const known = words.get(step);
	if (known !== undefined) return known;
	const made = phrase(step.kind, step.values);
	words.set(step, made);
	return made;
}

/** One step in words, several by their count. */
export const wordsOfAll = (steps: readonly Step[]): string =>
	steps.length === 1 ? wordsOf(steps[0]!) : t('say.steps', { count: steps.length });

/** What can be added at the end of what hangs in this step; null for a chain. */
export function budWords(owner: Step | null): string {
	if (!owner) return t('trail.bud');
	const { branches, isBranch } = definitionOf(owner.kind);
	if (branches) return t('trail.budBranch');
	return t(isBranch ? 'trail.budInBranch' : 'trail.budIn');
}
