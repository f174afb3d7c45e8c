/** Pictures as documents and orders hold them, apart from who only draws them. */
import { textSchema } from '../document';
import { faces, mostInks, readFace } from './face';
import { longestFilm, mostCloths, readFilm } from './film';
import { readPicture } from './picture';

/** Of a lamp grid, in a document and in an order alike. */
export const pictureSchema = textSchema(500)
	.refine((text) => readPicture(text) !== null, { params: { key: 'picture' } })
	.describe(
		'Eight rows from the top, "/" between them, of eight lamps each from the left: rrggbb, or "." for a dark one.'
	);

/** Of a lamp grid, too. */
export const filmSchema = textSchema(longestFilm)
	.refine((text) => readFilm(text) !== null, {
		params: { key: 'film', values: { most: mostCloths } }
	})
	.describe('Cloths, "|" between them: each a picture, a space, its beats.');

/** Of a screen that shows a face. */
export const faceSchema = textSchema(1800)
	.refine((text) => readFace(text) !== null, {
		params: { key: 'face', values: { most: mostInks } }
	})
	.describe(
		`One of ${faces.join(', ')}; or SKIN:PICTURE, the skin as rrggbb, and sixteen rows from the top, "/" between them, of sixteen each: rrggbb, or "." for skin, with at most two colours.`
	);
