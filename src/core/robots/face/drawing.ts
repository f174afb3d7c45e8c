import { pathThrough, roundedBox, type Drawing } from '../drawing';
import { chassis } from './settings';

/** A patch of the screen at the front, on the side of the motor that it drives. */
const patch = (column: string, side: 1 | -1) => {
	const at = [0.038, side * 0.019] as const;
	return { lamp: column, at, radius: 0.0085, glowAt: at, glow: 0.05, isDarkWhenOff: true } as const;
};

const eyes = 'M-.008.012v-.001M-.008-.011v-.001';
/** One for each face, in the order of the screen; seen by who looks at its front from behind. */
const pictures = [
	`${eyes}M-.03.012v-.024`,
	`${eyes}M-.026.014q-.014-.014 0-.028`,
	'M-.008.016v-.008M-.008-.008v-.008M-.032.004v-.008',
	'M-.004.015h-.008v-.008h.008zM-.004-.007h-.008v-.008h.008zM-.027.005h-.01v-.01h.01z',
	'M.002 0-.01.014-.034.01v-.02L-.01-.014zM-.016.005v-.01'
];

export const drawing: Drawing = [
	{ ink: 'wheel', path: roundedBox(-0.024, 0.045, 0.048, 0.014, 0.004) },
	{ ink: 'wheel', path: roundedBox(-0.024, -0.059, 0.048, 0.014, 0.004) },
	{ ink: 'hull', path: pathThrough(chassis.outline) },
	{ ink: 'deck', path: roundedBox(-0.07, -0.037, 0.13, 0.074, 0.009) },
	{ ink: 'bow', pictures, shows: 'face' },
	{ grid: true, at: [-0.022, 0], side: 0.06 },
	patch('leftPatch', 1),
	patch('rightPatch', -1)
];
