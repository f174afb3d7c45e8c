/**
 * What a person types at a bud: words that choose the step, then its values. "go 60" is the step Go
 * with 60 cm; "back 20 30" goes back 20 cm at 30 %. Words come from the message files.
 */
import { stepKinds } from '$core/steps/catalogue';
import type { StepDefinition, Value, Values } from '$core/steps/definition';
import { t } from '$lib/i18n';
import { choiceWord, colourName, lampColours, readNumber, toStored } from '$lib/values/format';

export interface Offer {
	readonly definition: StepDefinition;
	readonly values: Values;
}

const fold = (text: string): string => text.toLowerCase().trim();

/** The steps that fit what was typed, best first, with the values that were typed. */
export function offersFor(text: string): Offer[] {
	const words = fold(text)
		.replace(/(\d)([a-z°%×])/g, '$1 $2')
		.split(/\s+/)
		.filter(Boolean);
	return stepKinds
		.map((definition) => ({ definition, match: matchStep(definition, words) }))
		.filter(({ match }) => match !== null)
		.sort((a, b) => b.match!.score - a.match!.score)
		.map(({ definition, match }) => ({ definition, values: match!.values }));
}

function matchStep(
	definition: StepDefinition,
	words: string[]
): { score: number; values: Values } | null {
	const initial = Object.entries(definition.values).map(([name, { initial }]) => [name, initial]);
	const values: Record<string, Value> = Object.fromEntries(initial);
	const names = fold(t(`step.${definition.kind}.typed`)).split(' ');
	const numbers: number[] = [];
	let score = 0;
	for (const word of words) {
		const number = readNumber(word);
		if (!Number.isNaN(number)) numbers.push(number);
		else if (names.includes(word)) score += 3;
		else if (names.some((name) => name.startsWith(word))) score += 2;
		else if (setByWord(definition, values, word)) score += 2;
		else if (!units.has(word)) return null;
	}
	return setNumbers(definition, values, numbers) ? { score, values } : null;
}

const units = new Set(['cm', '%', '°', 's', 'hz', 'at', '×', 'x', 'times']);

function setByWord(
	definition: StepDefinition,
	values: Record<string, Value>,
	word: string
): boolean {
	for (const [name, value] of Object.entries(definition.values)) {
		if (value.type === 'choice') {
			const option = value.options.find((candidate) =>
				fold(choiceWord(definition.kind, name, candidate)).startsWith(word)
			);
			if (option) {
				values[name] = option;
				return true;
			}
		}
		if (value.type === 'colour') {
			const colour = lampColours.find(([, code]) => fold(colourName(code)).startsWith(word));
			if (colour) {
				values[name] = colour[1];
				return true;
			}
		}
	}
	return false;
}

/** Gives the numbers to the step's numbers in order. @returns false when one is too many or too big */
function setNumbers(
	definition: StepDefinition,
	values: Record<string, Value>,
	numbers: readonly number[]
): boolean {
	const slots = Object.entries(definition.values).flatMap(([name, value]) =>
		value.type === 'number' ? [{ name, value }] : []
	);
	if (numbers.length > slots.length) return false;
	return numbers.every((number, index) => {
		const { name, value } = slots[index]!;
		const stored = toStored(value.quantity, number);
		values[name] = stored;
		const isWhole = value.quantity !== 'count' || Number.isInteger(stored);
		return isWhole && stored >= value.minimum && stored <= value.maximum;
	});
}
