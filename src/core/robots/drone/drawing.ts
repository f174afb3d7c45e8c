import { circle, pathThrough, roundedBox, type Drawing } from '../drawing';

const arm = 0.052;
const corners = [
	[arm, arm],
	[arm, -arm],
	[-arm, -arm],
	[-arm, arm]
] as const;

/** Four rotors in their guards, and a lamp in the middle. */
export const drawing: Drawing = [
	{ ink: 'rotor', path: corners.map(([x, y]) => circle(x, y, 0.036)).join('') },
	{
		ink: 'hull',
		path: pathThrough([
			[0.058, 0.047],
			[0.047, 0.058],
			[-0.058, -0.047],
			[-0.047, -0.058]
		])
	},
	{
		ink: 'hull',
		path: pathThrough([
			[0.047, -0.058],
			[0.058, -0.047],
			[-0.047, 0.058],
			[-0.058, 0.047]
		])
	},
	{ ink: 'hull', path: roundedBox(-0.042, -0.024, 0.084, 0.048, 0.016) },
	{ ink: 'deck', path: roundedBox(-0.034, -0.016, 0.058, 0.032, 0.012) },
	{ ink: 'bow', path: 'M.03-.011.041 0 .03.011' },
	{ lamp: 'lamp', at: [-0.006, 0], radius: 0.0085, glowAt: [-0.006, 0], glow: 0.15 }
];
