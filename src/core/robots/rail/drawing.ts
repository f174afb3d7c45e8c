import { pathThrough, roundedBox, type Drawing } from '../drawing';

/** A car with a cab, buffers at both ends, and a lamp at each. */
export const drawing: Drawing = [
	{ ink: 'wheel', path: roundedBox(-0.062, -0.027, 0.028, 0.054, 0.003) },
	{ ink: 'wheel', path: roundedBox(0.034, -0.027, 0.028, 0.054, 0.003) },
	{ ink: 'hull', path: roundedBox(-0.076, -0.022, 0.148, 0.044, 0.01) },
	{
		ink: 'deck',
		path: pathThrough([
			[0.03, -0.015],
			[0.046, -0.009],
			[0.046, 0.009],
			[0.03, 0.015],
			[-0.05, 0.015],
			[-0.05, -0.015]
		])
	},
	{ ink: 'bow', path: 'M.052-.009.062 0 .052.009' },
	{ ink: 'bow', path: 'M.079-.012v.024M-.079-.012v.024' },
	{ lamp: 'frontLamp', at: [0.068, 0], radius: 0.006, glowAt: [0.11, 0], glow: 0.09 },
	{ lamp: 'backLamp', at: [-0.066, 0], radius: 0.006, glowAt: [-0.1, 0], glow: 0.07 }
];
