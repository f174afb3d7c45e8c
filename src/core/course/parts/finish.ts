/** The finish ring. */
import { z } from 'zod';
import { round, singleKind } from './kind';
import { point } from './schemas';

export const finish = singleKind({
	schema: z.strictObject({ at: point, radius: z.number().min(0.02).max(2).describe('Metres.') }),
	about: 'The finish ring; null for a course that is only for trying out.',
	stem: 'finish',
	layer: 'Finish ring',
	ink: { colour: '#0f7a6e', width: 9 },
	...round
});
