/** Ways to move what lies on a course: shifted, turned, mirrored, resized. */
import * as exact from '../exact';
import { radians } from '../units/angles';
import type { Point } from './measure';

export interface Movement {
	readonly point: (point: Point) => [number, number];
	/** @param degrees clockwise from north */
	readonly bearing: (degrees: number) => number;
	/** Of a length, how long it is then. */
	readonly size: (metres: number) => number;
	readonly isMirrored: boolean;
}

/** Tenths of a millimetre: finer than anybody tapes, and short to write. */
export const tidy = (metres: number): number => {
	const rounded = Math.round(metres * 10_000) / 10_000;
	return rounded === 0 ? 0 : rounded;
};
export const tidyPoint = ([x, y]: Point): [number, number] => [tidy(x), tidy(y)];

/** Degrees from 0 to 360, to a hundredth. */
export function tidyBearing(degrees: number): number {
	const rounded = Math.round(degrees * 100) / 100;
	const turned = ((rounded % 360) + 360) % 360;
	return (Math.round(turned * 100) / 100) % 360;
}

const rest: Movement = {
	point: tidyPoint,
	bearing: (degrees) => degrees,
	size: (metres) => metres,
	isMirrored: false
};

/** @param dx metres to the east @param dy metres to the north */
export const shift = (dx: number, dy: number): Movement => ({
	...rest,
	point: ([x, y]) => tidyPoint([x + dx, y + dy])
});

/** @param degrees clockwise, as bearings are */
export function turnAbout([cx, cy]: Point, degrees: number): Movement {
	const angle = radians(-degrees);
	const [cos, sin] = [exact.cos(angle), exact.sin(angle)];
	return {
		...rest,
		point: ([x, y]) =>
			tidyPoint([cx + (x - cx) * cos - (y - cy) * sin, cy + (x - cx) * sin + (y - cy) * cos]),
		bearing: (bearing) => tidyBearing(bearing + degrees)
	};
}

/** @param axis `x`: east and west change places; `y`: north and south */
export const mirror = ([cx, cy]: Point, axis: 'x' | 'y'): Movement => ({
	...rest,
	point: ([x, y]) => tidyPoint(axis === 'x' ? [2 * cx - x, y] : [x, 2 * cy - y]),
	bearing: (bearing) => tidyBearing(axis === 'x' ? -bearing : 180 - bearing),
	isMirrored: true
});

/** @param factor by which everything grows, away from the middle */
export const resize = ([cx, cy]: Point, factor: number): Movement => ({
	...rest,
	point: ([x, y]) => tidyPoint([cx + (x - cx) * factor, cy + (y - cy) * factor]),
	size: (metres) => tidy(metres * factor)
});
