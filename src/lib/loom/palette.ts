/** The colours of a cloth that has only so many: those on it first, then usual ones. */
export function palette(used: readonly number[], usual: readonly number[]): readonly number[] {
	const spare = usual.filter((colour) => !used.includes(colour));
	// Of the usual ones each has its place, as long as the other is not taken by another.
	const made = [...used, ...spare].slice(0, usual.length);
	return made.toSorted((a, b) => placeIn(usual, a) - placeIn(usual, b));
}

const placeIn = (usual: readonly number[], colour: number): number => {
	const place = usual.indexOf(colour);
	return place < 0 ? usual.length : place;
};
