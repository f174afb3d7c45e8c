/** Trolley: what one may be like. Sizes are guesses. */
import { around, batteryFrom, constant, factor, from, same, scatter } from '../parameter';
import type { ParameterValues } from '../parameter';
import * as settings from './settings';

export const parameters = {
	/** Real speed for each m/s of its motor, and metres counted for each metre. */
	motorGain: factor(around(1, 0.04), around(1, 0.12)),
	countGain: factor(around(1, 0.01), around(1, 0.03)),
	/** Part of the speed of a curve that joints and wear take. */
	joints: {
		unit: 'part',
		of: 'day',
		drawing: 0,
		range: [0, 0.5],
		classroom: from(0, 0.04),
		worn: from(0, 0.05)
	},
	battery: batteryFrom([0.5, 1], [0.15, 0.6]),
	/** Standard deviation of what it counts of one stretch, as a part of its way. */
	slip: scatter('part', same(0.01), same(0.03)),
	topSpeed: constant('mps', settings.topSpeed, 0.06 * settings.topSpeed),
	flatBatteryFactor: constant('part', settings.flatBatteryFactor, 0.06),
	lag: constant('seconds', settings.lag, 0.25 * settings.lag),
	traction: constant('mps2', settings.traction, 0.2 * settings.traction),
	drag: constant('mps2', settings.drag, 0.3 * settings.drag),
	brake: constant('mps2', settings.brake, 0.2 * settings.brake),
	curveDrag: constant('m2ps2', settings.curveDrag, 0.4 * settings.curveDrag)
} as const;

export type RailValues = ParameterValues<typeof parameters>;
