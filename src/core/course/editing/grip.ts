/** The handle that sizes a part without corners: where it is, and how large the part is pulled there. */
import type { Part, PartName } from '../course';
import { figures, type NumberFigure } from './figures';
import type { Point } from '../measure';
import { tidy } from '../motions';
import { kindOf } from '../parts';

/** Metres; undefined for what is sized by its corners, or not at all. */
export const gripOf = (part: PartName, value: Part): Point | undefined =>
	kindOf(part).grip?.at(value);

/** @param step metres of which every size is a multiple, within what such a part can have */
export function pulledBy(part: PartName, value: Part, to: Point, step: number): Part {
	const fit = (field: string, metres: number): number => {
		const { minimum, maximum } = figures[part].find(({ name }) => name === field) as NumberFigure;
		const whole = Math.max(1, Math.round(metres / step)) * step;
		return tidy(Math.min(maximum, Math.max(minimum, whole)));
	};
	return kindOf(part).grip?.pulled(value, to, fit) ?? value;
}
