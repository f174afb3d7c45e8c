/** Values as a person reads and types them: centimetres, percent, degrees, seconds, hertz. */
import type { NumberDefinition, Quantity, Value, ValueDefinition } from '$core/steps/definition';
import { hasMessage, t } from '$lib/i18n';

interface Shown {
	/** Shown units in one unit of the document. */
	readonly factor: number;
	readonly digits: number;
}

const shown: Record<Quantity, Shown> = {
	length: { factor: 100, digits: 1 },
	ratio: { factor: 100, digits: 0 },
	angle: { factor: 1, digits: 1 },
	duration: { factor: 1, digits: 2 },
	count: { factor: 1, digits: 0 },
	frequency: { factor: 1, digits: 0 }
};

const tidy = (number: number): number => Number(number.toPrecision(12));

export const toShown = (quantity: Quantity, value: number): number =>
	tidy(Number((value * shown[quantity].factor).toFixed(shown[quantity].digits)));

export const toStored = (quantity: Quantity, value: number): number =>
	tidy(value / shown[quantity].factor);

export const unitOf = (quantity: Quantity): string => t(`unit.${quantity}`);

/** Range and increment in shown units. */
export function shownRange(definition: NumberDefinition) {
	const { factor } = shown[definition.quantity];
	return {
		minimum: tidy(definition.minimum * factor),
		maximum: tidy(definition.maximum * factor),
		increment: tidy(definition.increment * factor)
	};
}

export const lampColours = [
	['amber', '#ffb020'],
	['white', '#fff4dc'],
	['coral', '#ff6b5c'],
	['rose', '#ff7ac8'],
	['violet', '#b08cff'],
	['blue', '#4aa8ff'],
	['green', '#38d39f'],
	['off', '#000000']
] as const;

export function colourName(colour: string): string {
	const known = lampColours.find(([, code]) => code === colour);
	return known ? t(`colour.${known[0]}`) : colour;
}

/** A value as its chip shows it. */
export function showValue(
	kind: string,
	name: string,
	definition: ValueDefinition,
	value: Value
): string {
	if (definition.type === 'colour') return colourName(String(value));
	if (definition.type === 'choice') return choiceWord(kind, name, String(value));
	const number = toShown(definition.quantity, Number(value));
	return t(`value.${definition.quantity}`, { value: number });
}

export function choiceWord(kind: string, name: string, option: string): string {
	const key = `step.${kind}.${name}.${option}`;
	return hasMessage(key) ? t(key) : option;
}

/** Reads what a person typed, with a point or a comma. NaN when it is no number. */
export function readNumber(text: string): number {
	const plain = text
		.trim()
		.replace(',', '.')
		.replace(/\s*(cm|%|°|s|hz|×|x)$/iu, '');
	return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : NaN;
}
