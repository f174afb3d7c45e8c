/** Parameters as people read them: percent, centimetres, degrees, seconds. */
import type { ParameterUnit } from '../robots/parameter';
import type { Sentence } from '../sentence';
import { degrees } from '../units/angles';
import type { FoundValue } from './fit';

const asItIs = (value: number): number => value;
const hundredfold = (value: number): number => 100 * value;

const shown: Readonly<Record<ParameterUnit, (value: number) => number>> = {
	factor: hundredfold,
	part: hundredfold,
	metres: hundredfold,
	mps: hundredfold,
	radians: degrees,
	radps: degrees,
	degrees: asItIs,
	seconds: asItIs,
	mps2: asItIs,
	m2ps2: asItIs
};

/** A factor is said by how much it is more, or less, than drawn. */
export function figureOf({ unit, value, sigma }: Omit<FoundValue, 'name'>): Sentence {
	const from = unit === 'factor' ? value - 1 : value;
	const values = { value: shown[unit](from), sigma: shown[unit](sigma) };
	return { key: `parameter.figure.${unit}`, values };
}
