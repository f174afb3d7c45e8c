/** Pictures on the shelf that a class shares. */
import type { PictureDocument } from './picture-document';

export interface ShelvedPicture extends Pick<PictureDocument, 'name' | 'film'> {
	/** SHA-256 of its film, in hexadecimal digits: the same picture is there once. */
	readonly id: string;
	/** Who put it there first; null where nobody said. */
	readonly by: string | null;
	readonly isOwn: boolean;
}

/** As many are shown, the newest first. */
export const shelfSize = 60;
