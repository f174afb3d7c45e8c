import { word, type Word } from './sentence';

/**
 * What a value can be. A number carries its unit as exponents of metre, second and degree, so that
 * `distance / time` is a speed and `distance + angle` is found to make no sense.
 */
export interface NumberType {
	readonly kind: 'number';
	readonly metres: number;
	readonly seconds: number;
	readonly degrees: number;
	/** A part of a whole, written in percent. */
	readonly isPart: boolean;
}

export type Type =
	NumberType | { readonly kind: 'truth' | 'text' | 'colour' | 'list' | 'anything' };

/** What a value is while a plan runs. Numbers are in the units of documents: m, s, degrees, 0 to 1. */
export type Datum = number | boolean | string | Datum[];

const number = (metres: number, seconds: number, degrees: number, isPart = false): NumberType => ({
	kind: 'number',
	metres,
	seconds,
	degrees,
	isPart
});

export const types = {
	plain: number(0, 0, 0),
	part: number(0, 0, 0, true),
	length: number(1, 0, 0),
	duration: number(0, 1, 0),
	angle: number(0, 0, 1),
	speed: number(1, -1, 0),
	turnRate: number(0, -1, 1),
	frequency: number(0, -1, 0),
	truth: { kind: 'truth' },
	text: { kind: 'text' },
	colour: { kind: 'colour' },
	list: { kind: 'list' },
	anything: { kind: 'anything' }
} as const satisfies Record<string, Type>;

export const isPlain = (type: Type): boolean =>
	type.kind === 'number' && hasSameUnit(type, types.plain) && !type.isPart;

export const hasSameUnit = (a: NumberType, b: NumberType): boolean =>
	a.metres === b.metres && a.seconds === b.seconds && a.degrees === b.degrees;

/** Whether a value of type `given` can stand where `wanted` is expected. */
export function fits(given: Type, wanted: Type): boolean {
	if (given.kind === 'anything' || wanted.kind === 'anything') return true;
	if (given.kind !== 'number' || wanted.kind !== 'number') return given.kind === wanted.kind;
	return hasSameUnit(given, wanted);
}

/** The unit of a product (`sign` 1) or of a quotient (-1). */
export const combine = (a: NumberType, b: NumberType, sign: 1 | -1): NumberType => {
	const made = number(
		a.metres + sign * b.metres,
		a.seconds + sign * b.seconds,
		a.degrees + sign * b.degrees
	);
	const isPart = (a.isPart || b.isPart) && hasSameUnit(made, types.plain);
	return isPart && !(sign === -1 && a.isPart && b.isPart) ? { ...made, isPart } : made;
};

/** The unit of a root (`power` 0.5) or of another power. */
export const raise = (a: NumberType, power: number): NumberType =>
	number(a.metres * power, a.seconds * power, a.degrees * power);

/** Names the type in a sentence. */
export function nameOfType(type: Type): Word {
	if (type.kind !== 'number') return word(`type.${type.kind}`);
	const found = Object.entries(types).find(
		([, known]) =>
			known.kind === 'number' && hasSameUnit(known, type) && known.isPart === type.isPart
	);
	return word(`type.${found?.[0] ?? 'otherUnit'}`);
}

/** A value as a robot shows or says it: numbers with two places at most. */
export const written = (datum: Datum): string =>
	typeof datum === 'number' ? String(Math.round(datum * 100) / 100) : String(datum);
