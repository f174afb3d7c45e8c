/** Parts of a course in words, for lists and for whoever cannot see them. */
import type { Course, PartName } from '$core/course/course';
import { boundsOf, extentOf, middleOf } from '$core/course/extent';
import { kindOf, find, type PartRef } from '$core/course/parts';
import { lengthAlong, type Point } from '$core/course/measure';
import { t } from '$lib/i18n';
import { showNumber } from '$lib/words/format';

export const partWord = (part: PartName): string => t(`course.part.${part}`);

/** A place, as it is counted from the south-west corner. */
export const place = ([x, y]: Point): string =>
	t('course.place', { x: showNumber('length', x), y: showNumber('length', y) });

export function describe(course: Course, ref: PartRef): string {
	const value = find(course, ref);
	if (!value) return partWord(ref.part);
	const points = kindOf(ref.part).points(value);
	const isLine = ref.part === 'walls' || ref.part === 'tapes';
	if (isLine)
		return t('course.line', {
			part: partWord(ref.part),
			length: showNumber('length', lengthAlong(points)),
			from: place(points[0]!),
			to: place(points.at(-1)!)
		});
	const at = points.length === 1 ? points[0]! : middleOf(boundsOf(extentOf(course, ref)!));
	return t('course.at', { part: partWord(ref.part), place: place(at) });
}
