/** Pictures on the shelf that a class shares. */
import { z } from 'zod';
import { nameSchema } from '../document';
import { filmSchema } from './schema';

/** One cloth, if it does not move. */
export const keptPictureSchema = z.strictObject({ name: nameSchema, film: filmSchema });
export type KeptPicture = Readonly<z.infer<typeof keptPictureSchema>>;

export interface ShelvedPicture extends KeptPicture {
	/** SHA-256 of its film, in hexadecimal digits: the same picture is there once. */
	readonly id: string;
	/** Who put it there first; null where nobody said. */
	readonly by: string | null;
	readonly isOwn: boolean;
}

/** As many are shown, the newest first. */
export const shelfSize = 60;
