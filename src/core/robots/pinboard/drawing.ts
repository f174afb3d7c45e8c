import { pathThrough, roundedBox, type Drawing } from '../drawing';
import { chassis } from './settings';

/** Lights of the pins in two rows along the board, 1 to 4 on the left, 5 to 8 on the right. */
const light = (pin: number) => {
	const at = [0.028 - 0.018 * ((pin - 1) % 4), pin <= 4 ? 0.02 : -0.02] as const;
	return {
		lamp: `pin${pin}`,
		at,
		radius: 0.0055,
		glowAt: at,
		glow: 0.035,
		isDarkWhenOff: true
	} as const;
};

export const drawing: Drawing = [
	{ ink: 'wheel', path: roundedBox(-0.02, 0.04, 0.04, 0.014, 0.004) },
	{ ink: 'wheel', path: roundedBox(-0.02, -0.054, 0.04, 0.014, 0.004) },
	{ ink: 'hull', path: pathThrough(chassis.outline) },
	{ ink: 'deck', path: roundedBox(-0.045, -0.033, 0.082, 0.066, 0.006) },
	{ ink: 'bow', path: 'M.036-.01.046 0 .036.01' },
	...[1, 2, 3, 4, 5, 6, 7, 8].map(light)
];
