import { pathThrough, roundedBox, type Drawing } from '../drawing';
import { outline } from './settings';

const lamp = (column: string, side: 1 | -1) =>
	({
		lamp: column,
		at: [0.012, side * 0.024],
		radius: 0.0145,
		glowAt: [0.02, side * 0.0384],
		glow: 0.13
	}) as const;

export const drawing: Drawing = [
	{ ink: 'wheel', path: roundedBox(-0.028, 0.047, 0.056, 0.018, 0.005) },
	{ ink: 'wheel', path: roundedBox(-0.028, -0.065, 0.056, 0.018, 0.005) },
	{ ink: 'hull', path: pathThrough(outline) },
	{ ink: 'deck', path: 'M-.058-.036h.09l.026.02v.032l-.026.02h-.09z' },
	{ ink: 'bow', path: 'M.056-.018.073 0 .056.018' },
	{ grid: true, at: [-0.022, 0], side: 0.066 },
	lamp('leftLamp', 1),
	lamp('rightLamp', -1)
];
