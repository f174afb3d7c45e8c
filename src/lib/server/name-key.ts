/**
 * When two names are the same person: they differ only by case, by width or another way to encode the
 * same letters, or by signs that nobody sees. The steps are those of Unicode's NFKC_Casefold.
 */

import { rectifyConfusion } from 'unicode-confusables';

/** What no screen shows: joiners, direction marks, soft hyphens, variation selectors. */
const invisible = /\p{Default_Ignorable_Code_Point}/gu;

/**
 * Case folding: JavaScript has none, but small, then capital, then small again comes to the same,
 * except for the dotless i, which Unicode keeps apart.
 */
const foldCase = (text: string): string =>
	Array.from(text, (letter) =>
		letter === 'ı' ? letter : letter.toLowerCase().toUpperCase().toLowerCase()
	).join('');

/**
 * What nobody sees in a name and no name needs: it turns the order of letters round, or is a letter
 * without a shape. Joiners stay: some scripts, and some pictures, are written with them.
 */
const unseen =
	/[\u00ad\u061c\u115f\u1160\u17b4\u17b5\u180e\u200b\u200e\u200f\u202a-\u202e\u2060-\u2069\u2800\u3164\ufeff\uffa0\u{e0000}-\u{e0fff}]/u;

export const holdsUnseen = (name: string): boolean => unseen.test(name);

const likeness = (name: string): string => rectifyConfusion(name.normalize('NFD'));

/**
 * The same for all names that look alike, whichever script they are of (Unicode TR39, section 4): in
 * capitals and small letters as they are written, and in small ones.
 */
export const skeletonOf = (name: string): string => nameKey(likeness(nameKey(likeness(name))));

/** The same for all spellings of one name; empty when there is nothing to see. */
export function nameKey(name: string): string {
	const visible = name.normalize('NFKC').replace(invisible, '');
	return foldCase(visible).normalize('NFKC').replace(/\s+/g, ' ').trim();
}
