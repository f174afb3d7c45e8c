/** Numbers as a person reads and types them: in centimetres or inches, percent, degrees, seconds, hertz. */
import type { NumberDefinition, Quantity } from '$core/steps/definition';
import { pitchOf, readNotes } from '$core/sounds/notes';
import { t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import { reader } from './reader.svelte';

interface Shown {
	/** Key of the unit in the message files. */
	readonly unit: string;
	/** Shown units in one unit of the document. */
	readonly factor: number;
	/** Shown units at none. */
	readonly offset?: number;
	readonly digits: number;
}

const shown: Record<Quantity, Shown> = {
	length: { unit: 'length', factor: 100, digits: 1 },
	ratio: { unit: 'ratio', factor: 100, digits: 0 },
	power: { unit: 'power', factor: 100, digits: 1 },
	angle: { unit: 'angle', factor: 1, digits: 1 },
	duration: { unit: 'duration', factor: 1, digits: 2 },
	count: { unit: 'count', factor: 1, digits: 0 },
	number: { unit: 'number', factor: 1, digits: 4 },
	frequency: { unit: 'frequency', factor: 1, digits: 1 }
};

/** A part of the top speed, as it is drawn. */
const asDrawn = (): Shown =>
	preferences.lengths === 'inch'
		? { unit: 'inchps', factor: reader.topSpeed / 0.0254, digits: 1 }
		: { unit: 'cmps', factor: reader.topSpeed * 100, digits: 1 };

/** As it was measured, where it was. */
function perSecond(): Shown {
	const drawn = asDrawn();
	const line = reader.line();
	if (!line) return drawn;
	const inUnits = drawn.factor / reader.topSpeed;
	return { ...drawn, factor: line.slope * inUnits, offset: line.offset * inUnits };
}

function shownAs(quantity: Quantity): Shown {
	if (quantity === 'length' && preferences.lengths === 'inch') {
		return { unit: 'inch', factor: 1 / 0.0254, digits: 2 };
	}
	return quantity === 'power' && preferences.speeds === 'perSecond' ? perSecond() : shown[quantity];
}

/** Without what binary fractions leave in the last places. */
export const tidyNumber = (number: number): number => Number(number.toPrecision(12));

export function toShown(quantity: Quantity, value: number): number {
	const { factor, offset = 0, digits } = shownAs(quantity);
	return tidyNumber(Number((value * factor + offset).toFixed(digits)));
}

export function toStored(quantity: Quantity, value: number): number {
	const { factor, offset = 0 } = shownAs(quantity);
	return tidyNumber((value - offset) / factor);
}

export const unitOf = (quantity: Quantity): string => t(`unit.${shownAs(quantity).unit}`);

/** Range and increment in shown units. */
export function shownRange({ quantity, minimum, maximum, increment }: NumberDefinition) {
	const { factor, offset = 0, digits, unit } = shownAs(quantity);
	const round = (number: number) =>
		tidyNumber(Number((number * factor + offset).toFixed(Math.max(digits, 2))));
	const isOwnUnit = unit === shown[quantity].unit;
	return {
		minimum: round(minimum),
		maximum: round(maximum),
		increment: isOwnUnit ? round(increment) : 1
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

export const showNumber = (quantity: Quantity, value: number): string =>
	t(`value.${shownAs(quantity).unit}`, { value: toShown(quantity, value) });

/** @param part of the top speed, that a robot has */
export function showSpeed(part: number): string {
	const { unit, factor } = asDrawn();
	return t(`value.${unit}`, { value: part * factor });
}

/** What a power comes to, and whether that was measured. @param power a part of the top speed, that is told */
export function showRealSpeed(power: number): string {
	const { unit, factor, offset } = perSecond();
	const speed = t(`value.${unit}`, { value: Math.max(0, power * factor + (offset ?? 0)) });
	return t(offset === undefined ? 'value.realSpeed' : 'value.measuredSpeed', { speed });
}

/** A number as `readNumber`; for a pitch, the name of a note does as well: "A4", "c#5", "G". */
export function readFor(quantity: Quantity, text: string): number {
	const number = readNumber(text);
	if (quantity !== 'frequency' || !Number.isNaN(number)) return number;
	const notes = readNotes(text);
	const name = notes.ok && notes.value.length === 1 ? notes.value[0]!.name : null;
	return name ? Number(pitchOf(name).toFixed(1)) : NaN;
}

/** Reads what a person typed, with a point or a comma. NaN when it is no number. */
export function readNumber(text: string): number {
	const plain = text
		.trim()
		.replace(',', '.')
		.replace(/\u2212/g, '-')
		.replace(/\s*(cm\/s|in\/s|cm|in|%|°|s|hz|×|x)$/iu, '');
	return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : NaN;
}
