/** A buoy: a kind of part that does not ship, for the test beside. */
import { z } from 'zod';
import { partKind, round } from '../../src/core/course/parts/kind';
import { point } from '../../src/core/course/parts/schemas';
import { identifierSchema } from '../../src/core/document';

export const buoys = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		at: point,
		radius: z.number().min(0.02).max(0.4)
	}),
	most: 12,
	isLater: true,
	stem: 'buoy',
	layer: 'Buoys',
	ink: { colour: '#b5502f', width: 5 },
	...round
});
