import { circle, type Drawing } from '../drawing';
import { radius } from './settings';

/** A shell that shines through; where its front is cannot be seen. */
export const drawing: Drawing = [
	{ ink: 'hull', path: circle(0, 0, radius) },
	{ ink: 'deck', path: circle(0, 0, radius * 0.8) },
	{
		lamp: 'lamp',
		at: [0, 0],
		radius: radius * 0.55,
		glowAt: [0, 0],
		glow: 0.15
	},
	{ grid: true, at: [0, 0], side: radius * 1.05 }
];
