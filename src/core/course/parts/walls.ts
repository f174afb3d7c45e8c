/** Walls, which stop what drives, and what flies below their top. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import type { Point } from '../measure';
import { figure, partKind } from './kind';
import { height, point } from './schemas';

const pair = ([x, y]: Point): [number, number] => [x, y];

/** How high a wall stands if its course does not say, metres. */
const usualHeight = 0.15;

export const walls = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		from: point,
		to: point,
		thickness: z.number().min(0.005).max(1).describe('Metres; the ends reach half of it further.'),
		height: height.optional().describe(`Metres; ${usualHeight}, if not given.`)
	}),
	most: 2000,
	stem: 'wall',
	layer: 'Walls',
	ink: { colour: '#16233b' },
	laying: 'line',
	style: { thickness: 0.02 },
	figures: figure('length', 'thickness', 'height'),
	usual: { height: usualHeight },
	points: ({ from, to }) => [from, to],
	withPoints: (wall, [from, to]) => ({ ...wall, from: pair(from!), to: pair(to!) }),
	extent: ({ from, to, thickness }) => ({ line: [from, to], half: thickness / 2, isFilled: false }),
	moved: (wall, { point }) => ({ ...wall, from: point(wall.from), to: point(wall.to) })
});

/** Metres from the floor to the top. */
export const topOfWall = ({ height }: { readonly height?: number | undefined }): number =>
	height ?? usualHeight;
