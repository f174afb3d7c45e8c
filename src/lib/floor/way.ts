/** The way of a robot as it is drawn. */
import simplify from 'simplify-js';

/** Metres, twice over: so far may the drawn line leave the way, less than can be seen however near one looks. */
const tolerance = 0.0004;

interface Corner {
	/** Of the sample that it came from. */
	readonly index: number;
	readonly x: number;
	readonly y: number;
}

/** The corners of a way, its two ends among them: straight legs of thousands of samples are two points. */
export function wayCorners({
	x,
	y
}: {
	readonly x: ArrayLike<number>;
	readonly y: ArrayLike<number>;
}): readonly Corner[] {
	const all = Array.from(x, (_, index) => ({ index, x: x[index]!, y: y[index]! }));
	return simplify(all, tolerance) as typeof all;
}
