/** Where the floor is made of something else. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { surfaceKinds as kinds, type SurfaceName } from '../surfaces';
import { area, figure, partKind } from './kind';
import { point } from './schemas';

export const surface = z.enum(Object.keys(kinds) as [SurfaceName, ...SurfaceName[]]);

export const surfacesPart = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		corners: z.array(point).min(3).max(50).describe('Its outline, in order.'),
		surface
	}),
	most: 50,
	isLater: true,
	about: 'Where it is made of something else; what comes later covers what comes before.',
	stem: 'surface',
	layer: 'Surfaces',
	ink: { colour: '#a59a80', dash: 4 },
	style: { surface: 'carpet' },
	figures: figure('choice', 'surface'),
	...area
});
