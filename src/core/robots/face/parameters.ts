/** Mimic: what one may be like. Sizes are guesses. */
import { same, scatter, type Parameter, type Variety } from '../parameter';
import { wheelParameters } from '../two-wheels';
import * as settings from './settings';

/** Degrees by which a compass is wrong, at the most. */
const compassUpTo = (most: number): Variety => ({
	mean: 0,
	sigma: most / Math.sqrt(3),
	draw: (chance) => chance.between(-1, 1) * most
});

/** Degrees that its compass always reads too much. */
const compass: Parameter = {
	unit: 'degrees',
	of: 'robot',
	drawing: 0,
	range: [-180, 180],
	classroom: compassUpTo(8),
	worn: compassUpTo(25),
	isApart: true
};

/** Part of full light that moves no motor. */
const darkest: Parameter = {
	unit: 'part',
	of: 'robot',
	drawing: 0,
	range: [0, 0.6],
	classroom: same(settings.deadZone, 0.05),
	worn: same(1.6 * settings.deadZone, 0.05)
};

export const parameters = {
	...wheelParameters(
		settings.chassis,
		{ wheels: 0.02, battery: [0.5, 1], slip: 0.03, placing: [0.005, 0.02] },
		{ wheels: 0.06, battery: [0.15, 0.7], slip: 0.1, placing: [0.01, 0.04] }
	),
	darkest,
	compass,
	compassNoise: scatter('degrees', same(2), same(5))
};
