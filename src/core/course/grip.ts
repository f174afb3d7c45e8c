/** The handle that sizes a part without corners: where it is, and how large the part is pulled there. */
import type { Point } from './course';
import { figures, type NumberFigure } from './figures';
import { lengthTo, placeBeside, toldFrom } from './measure';
import { tidy } from './motions';
import type { Part, PartName } from './parts';

interface Grip<P> {
	readonly at: (part: P) => Point;
	/** @param to where it is pulled @param fit makes a size of a length, metres */
	readonly pulled: (part: P, to: Point, fit: (field: keyof P, metres: number) => number) => P;
}

const round = {
	at: ({ at: [x, y], radius }: { at: Point; radius: number }): Point => [x + radius, y],
	pulled: <P extends { at: Point; radius: number }>(
		part: P,
		to: Point,
		fit: (field: 'radius', metres: number) => number
	): P => ({ ...part, radius: fit('radius', lengthTo(part.at, to)) })
};

const grips: { readonly [N in PartName]?: Grip<Part<N>> } = {
	pads: round,
	finish: round,
	lampPosts: {
		at: ({ at: [x, y], reach }) => [x + reach, y],
		pulled: (post, to, fit) => ({ ...post, reach: fit('reach', lengthTo(post.at, to)) })
	},
	gates: {
		at: (gate) => placeBeside(gate.at, gate.bearing, 0, gate.width / 2),
		pulled: (gate, to, fit) => ({
			...gate,
			width: fit('width', 2 * Math.abs(toldFrom(gate.at, gate.bearing, to).left))
		})
	},
	crates: {
		at: (crate) => placeBeside(crate.at, crate.bearing, crate.depth / 2, crate.width / 2),
		pulled: (crate, to, fit) => {
			const { along, left } = toldFrom(crate.at, crate.bearing, to);
			return {
				...crate,
				width: fit('width', 2 * Math.abs(left)),
				depth: fit('depth', 2 * Math.abs(along))
			};
		}
	}
};

const gripFor = (part: PartName): Grip<Part> | undefined =>
	grips[part] as unknown as Grip<Part> | undefined;

/** Metres; undefined for what is sized by its corners, or not at all. */
export const gripOf = (part: PartName, value: Part): Point | undefined => gripFor(part)?.at(value);

/** @param step metres of which every size is a multiple, within what such a part can have */
export function pulledBy(part: PartName, value: Part, to: Point, step: number): Part {
	const fit = (field: string, metres: number): number => {
		const { minimum, maximum } = figures[part].find(({ name }) => name === field) as NumberFigure;
		const whole = Math.max(1, Math.round(metres / step)) * step;
		return tidy(Math.min(maximum, Math.max(minimum, whole)));
	};
	return gripFor(part)?.pulled(value, to, fit as Parameters<Grip<Part>['pulled']>[2]) ?? value;
}
