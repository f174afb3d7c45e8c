/** What is not known of a robot and of its days: each counted in standard deviations from what is usual. */
import type { Parameter, Parameters, ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';

/** One of them. */
export interface Unknown {
	readonly name: string;
	readonly of: 'robot' | 'day' | 'run';
	readonly mean: number;
	readonly sigma: number;
	/** Least and most, in standard deviations from the mean. */
	readonly range: readonly [number, number];
}

const varietyOf = (parameter: Parameter, variation: Variation) =>
	parameter[variation === 'worn' ? 'worn' : 'classroom'];

export function unknownsOf(list: Parameters, variation: Variation): readonly Unknown[] {
	return Object.entries(list).flatMap(([name, parameter]): Unknown[] => {
		const { of, range } = parameter;
		const { mean, sigma } = varietyOf(parameter, variation);
		if (of === 'chance' || sigma === 0) return [];
		const inSigmas = (value: number): number => (value - mean) / sigma;
		return [{ name, of, mean, sigma, range: [inSigmas(range[0]), inSigmas(range[1])] }];
	});
}

/** As such robots are on average: the values of all parameters, as if nothing were left to chance. */
export const usual = (list: Parameters, variation: Variation): ParameterValues =>
	Object.fromEntries(
		Object.entries(list).map(([name, parameter]) => [
			name,
			parameter.of === 'chance' ? 0 : varietyOf(parameter, variation).mean
		])
	);

/** The same robot with as much chance as such robots have on average. */
export const withChance = (
	values: ParameterValues,
	list: Parameters,
	variation: Variation
): ParameterValues => {
	const chances = Object.entries(list).filter(([, { of }]) => of === 'chance');
	return {
		...values,
		...Object.fromEntries(
			chances.map(([name, parameter]) => [name, varietyOf(parameter, variation).mean])
		)
	};
};

/** Values of unknowns. @param at standard deviations, one for each */
export const valuesAt = (
	unknowns: readonly Unknown[],
	at: (index: number) => number
): ParameterValues =>
	Object.fromEntries(
		unknowns.map(({ name, mean, sigma }, index) => [name, mean + sigma * at(index)])
	);
