/** A step in words, for a tag, a screen reader, a message. */
import type { Step } from '$core/plan/plan';
import { definitionOf } from '$core/steps/catalogue';
import type { Values } from '$core/steps/definition';
import { partsOf } from '$lib/i18n';
import { showValue } from '$lib/values/format';

const parts = new Map<string, ReturnType<typeof partsOf>>();

/** The sentence of a step kind, split at its values. */
export function sentenceParts(kind: string): ReturnType<typeof partsOf> {
	const known = parts.get(kind);
	if (known) return known;
	const made = partsOf(`step.${kind}.sentence`, Object.keys(definitionOf(kind).values));
	parts.set(kind, made);
	return made;
}

/** A step of this kind with these values, in words. */
export function phrase(kind: string, values: Values): string {
	const definitions = definitionOf(kind).values;
	return sentenceParts(kind)
		.map((part) =>
			'slot' in part
				? showValue(kind, part.slot, definitions[part.slot]!, values[part.slot]!)
				: part.text
		)
		.join('');
}

/** Steps are values, so the words of one never change. */
const words = new WeakMap<Step, string>();

export function wordsOf(step: Step): string {
	const known = words.get(step);
	if (known !== undefined) return known;
	const made = phrase(step.kind, step.values);
	words.set(step, made);
	return made;
}
