/** A picture, or a moving one, as a file. */
import { z } from 'zod';
import { nameSchema, type DocumentFormat } from '../document';
import { filmSchema } from './schema';

export interface PictureDocument {
	readonly format: 'lantern-step/picture';
	readonly version: 1;
	readonly name: string;
	/** One cloth, if it does not move. */
	readonly film: string;
}

export const pictureFormat: DocumentFormat<PictureDocument> = {
	name: 'lantern-step/picture',
	version: 1,
	schema: z.strictObject({
		format: z.literal('lantern-step/picture'),
		version: z.literal(1),
		name: nameSchema,
		film: filmSchema
	})
};

export const pictureDocument = (name: string, film: string): PictureDocument => ({
	format: 'lantern-step/picture',
	version: 1,
	name,
	film
});
