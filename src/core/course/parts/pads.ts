/** Where something that flies may land. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { partKind, round } from './kind';
import { point } from './schemas';

export const pads = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		at: point,
		radius: z.number().min(0.05).max(1).describe('Metres.')
	}),
	most: 50,
	isLater: true,
	about: 'Where something that flies may land.',
	stem: 'pad',
	layer: 'Landing pads',
	ink: { colour: '#5a6270', width: 4 },
	...round
});
