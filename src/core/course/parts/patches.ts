/** Coloured paper on the floor. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { area, figure, partKind } from './kind';
import { colour, point } from './schemas';

export const patchesPart = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		corners: z.array(point).min(3).max(50).describe('Its outline, in order.'),
		colour
	}),
	most: 200,
	isLater: true,
	stem: 'patch',
	layer: 'Colour patches',
	ink: { colour: '#3a72c4' },
	style: { colour: 'blue' },
	figures: figure('choice', 'colour'),
	...area
});
