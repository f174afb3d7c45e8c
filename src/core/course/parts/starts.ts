/** Start marks, on which robots stand at Run. They have no ids of their own: they are known by their number. */
import { z } from 'zod';
import { placeBeside } from '../measure';
import { startMark } from '../signs';
import { atPoint, closed, figure, partKind } from './kind';
import { bearing, point } from './schemas';

export const starts = partKind({
	schema: z.strictObject({
		at: point,
		bearing: bearing.describe('Where front points, degrees clockwise from north.')
	}),
	most: 8,
	isNumbered: true,
	about: 'Start marks, one for each robot; for more robots than marks there is room beside.',
	stem: 'start',
	layer: 'Start marks',
	ink: { colour: '#5a6270', width: 6 },
	laying: 'spot',
	pull: 'bearing',
	style: {},
	figures: [...figure('length', 'x', 'y'), ...figure('angle', 'bearing')],
	...atPoint,
	extent: ({ at, bearing }) => ({
		line: closed(startMark.map((corner) => placeBeside(at, bearing, ...corner))),
		half: 0,
		isFilled: true
	}),
	moved: (start, { point, bearing }) => ({
		...start,
		at: point(start.at),
		bearing: bearing(start.bearing)
	})
});
