import type { Drawing } from '../drawing';
import { radius } from './settings';

const circle = (r: number): string =>
	`M${r} 0a${r} ${r} 0 1 1 ${-2 * r} 0a${r} ${r} 0 1 1 ${2 * r} 0z`;

/** A shell that shines through; where its front is cannot be seen. */
export const drawing: Drawing = [
	{ ink: 'hull', path: circle(radius) },
	{ ink: 'deck', path: circle(radius * 0.8) },
	{
		lamp: 'lamp',
		at: [0, 0],
		radius: radius * 0.55,
		glowAt: [0, 0],
		glow: 0.15
	}
];
