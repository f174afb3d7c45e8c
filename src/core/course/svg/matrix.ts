/** Affine transforms as SVG 1.1 writes them (section 7.6): [a b c d e f]. */
import * as exact from '../../exact';
import { radians } from '../../units/angles';
import type { Point } from '../measure';

export type Matrix = readonly [number, number, number, number, number, number];

export const unchanged: Matrix = [1, 0, 0, 1, 0, 0];

/** First the inner one, then the outer one. */
export const combined = ([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix => [
	a * g + c * h,
	b * g + d * h,
	a * i + c * j,
	b * i + d * j,
	a * k + c * l + e,
	b * k + d * l + f
];

export const placed = ([a, b, c, d, e, f]: Matrix, [x, y]: Point): Point => [
	a * x + c * y + e,
	b * x + d * y + f
];

/** By how much lengths grow, on the whole. */
export const growth = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));

const shifted = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y];

const makers: Readonly<Record<string, (numbers: readonly number[]) => Matrix | undefined>> = {
	matrix: (n) => (n.length === 6 ? (n as unknown as Matrix) : undefined),
	translate: ([x = 0, y = 0]) => shifted(x, y),
	scale: ([x = 1, y = x]) => [x, 0, 0, y, 0, 0],
	rotate: ([angle = 0, x = 0, y = 0]) => {
		const [cos, sin] = [exact.cos(radians(angle)), exact.sin(radians(angle))];
		return combined(combined(shifted(x, y), [cos, sin, -sin, cos, 0, 0]), shifted(-x, -y));
	},
	skewX: ([angle = 0]) => [1, 0, exact.tan(radians(angle)), 1, 0, 0],
	skewY: ([angle = 0]) => [1, exact.tan(radians(angle)), 0, 1, 0, 0]
};

/** @returns undefined for what is no list of transforms */
export function readTransform(text: string): Matrix | undefined {
	let whole = unchanged;
	const rest = text.replace(
		/\b(\w{1,20})\s*\(([^()]*)\)[\s,]*/g,
		(_all, name: string, list: string) => {
			const numbers =
				list.trim() === ''
					? []
					: list
							.trim()
							.split(/[\s,]+/)
							.map(Number);
			const made = numbers.every(Number.isFinite) ? makers[name]?.(numbers) : undefined;
			if (!made) return '?';
			whole = combined(whole, made);
			return '';
		}
	);
	return rest.trim() === '' && whole.every(Number.isFinite) ? whole : undefined;
}
