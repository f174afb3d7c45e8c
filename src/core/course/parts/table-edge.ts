/** The outline of the table that a course stands on. */
import { z } from 'zod';
import { closed, singleKind } from './kind';
import { point } from './schemas';

export const table = singleKind({
	schema: z.array(point).min(3).max(50),
	isLater: true,
	about: 'Outline of the table that the course stands on; beyond it is the drop. null: floor.',
	stem: 'table',
	layer: 'Table edge',
	ink: { colour: '#c0432f', width: 8, dash: 6 },
	laying: 'area',
	style: {},
	figures: [],
	hasCorners: true,
	fewest: 3,
	points: (table) => table,
	ofCorners: (corners) => corners,
	withPoints: (_table, points) => points.map(([x, y]) => [x, y]),
	// Whoever points inside it means what lies on it.
	extent: (table) => ({ line: closed(table), half: 0, isFilled: false }),
	moved: (table, { point }) => table.map(point)
});
