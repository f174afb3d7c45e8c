/** Lines of tape, which a floor sensor follows. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { lineOf } from '../tape';
import { figure, partKind } from './kind';
import { colour, point } from './schemas';

const schema = z.strictObject({
	id: identifierSchema,
	points: z.array(point).min(2).max(200).describe('The middle of the tape, in order.'),
	isClosed: z.boolean().describe('Whether the last point is joined to the first.'),
	radius: z
		.number()
		.min(0)
		.max(5)
		.describe('Metres; corners are rounded with it where they can be.'),
	width: z.number().min(0.005).max(0.2).describe('Metres.'),
	colour
});

export const tapes = partKind({
	schema,
	most: 200,
	isLater: true,
	stem: 'tape',
	layer: 'Tapes',
	ink: { colour: '#1b1b22' },
	laying: 'line',
	style: { colour: 'black', width: 0.02, radius: 0 },
	figures: [
		...figure('choice', 'colour'),
		...figure('length', 'width', 'radius'),
		...figure('truth', 'isClosed')
	],
	hasCorners: true,
	fewest: 2,
	points: ({ points }) => points,
	withPoints: (tape, points) => ({
		...tape,
		points: points.map(([x, y]): [number, number] => [x, y])
	}),
	extent: (tape) => ({ line: lineOf(tape), half: tape.width / 2, isFilled: false }),
	moved: (tape, { point, size }) => ({
		...tape,
		points: tape.points.map(point),
		radius: size(tape.radius)
	})
});
