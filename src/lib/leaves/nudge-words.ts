/** What a pull comes to, in words. */
import type { Knob } from '$core/analysis/knobs';
import { numberSteps, type Plan } from '$core/plan/plan';
import { showNumber } from '$lib/words/format';
import type { Nudging } from '$lib/workbench/nudging.svelte';

const shown = ({ definition }: Knob, value: number): string =>
	showNumber(definition.quantity, value);

/** The numbers that change, with the steps that they are of. */
export function turnedWords(plan: Plan, { turned }: Pick<Nudging, 'turned'>): string {
	const numbers = numberSteps(plan);
	return turned
		.filter(({ knob, value }) => value !== knob.value)
		.map(({ knob, value }) => `${numbers.get(knob.step)} · ${shown(knob, value)}`)
		.join(', ');
}

/** The number that is at its end, as it stands there. */
export const endWords = (knob: Knob, turned: Nudging['turned']): string =>
	shown(knob, turned.find((each) => each.knob === knob)?.value ?? knob.value);
