/**
 * When two names are the same person: they differ only by case, by width or another way to encode the
 * same letters, or by signs that nobody sees. The steps are those of Unicode's NFKC_Casefold.
 */

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

/** The same for all spellings of one name; empty when there is nothing to see. */
export function nameKey(name: string): string {
	const visible = name.normalize('NFKC').replace(invisible, '');
	return foldCase(visible).normalize('NFKC').replace(/\s+/g, ' ').trim();
}
