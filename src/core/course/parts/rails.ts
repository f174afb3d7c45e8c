/** Rails, on which rail cars go. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import type { Point } from '../measure';
import { RailPath } from '../rails';
import { atPoint, figure, partKind } from './kind';
import { bearing, colour, point } from './schemas';

const piece = z.union([
	z.strictObject({ length: z.number().min(0.01).max(20).describe('A straight, metres.') }),
	z
		.strictObject({
			radius: z.number().min(0.1).max(5).describe('Metres.'),
			angle: z.number().min(-360).max(360).describe('Degrees; positive to the right.')
		})
		.describe('A curve.')
]);

const schema = z
	.strictObject({
		id: identifierSchema,
		at: point.describe('Where it begins.'),
		bearing: bearing.describe('Along which it begins.'),
		pieces: z.array(piece).min(1).max(200).describe('One after the other.'),
		isClosed: z
			.boolean()
			.describe('Whether it ends where it begins; else it has an end stop at each end.'),
		marks: z
			.array(z.strictObject({ at: z.number().min(0).describe('Metres along the rail.'), colour }))
			.max(50)
			.describe('Colour marks beside it.')
	})
	.refine((rail) => !rail.isClosed || new RailPath(rail).doesMeetItself, {
		params: { key: 'railOpen' }
	});

/** How far from a rail one still points to it. Metres. */
const half = 0.035;

export const rails = partKind({
	schema,
	most: 20,
	isLater: true,
	stem: 'rail',
	layer: 'Rails',
	ink: { colour: '#6b4a2b', width: 42 },
	laying: 'line',
	style: {},
	figures: [...figure('length', 'x', 'y'), ...figure('angle', 'bearing')],
	...atPoint,
	extent: (rail) => ({
		line: new RailPath(rail).line.map(({ x, y }): Point => [x, y]),
		half,
		isFilled: false
	}),
	moved: (rail, { point, bearing, size, isMirrored }) => ({
		...rail,
		at: point(rail.at),
		bearing: bearing(rail.bearing),
		pieces: rail.pieces.map((piece) =>
			'length' in piece
				? { length: size(piece.length) }
				: { radius: size(piece.radius), angle: isMirrored ? -piece.angle : piece.angle }
		),
		marks: rail.marks.map((mark) => ({ ...mark, at: size(mark.at) }))
	})
});
