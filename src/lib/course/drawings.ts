/** Courses as drawings. */
import './words';
import type { Course } from '$core/course/course';
import { isOwn, readOwn } from '$core/course/svg/own';
import { readDrawing, type Drawing } from '$core/course/svg/shapes';
import { courseFrom, groupsOf } from '$core/course/svg/take';
import { failure, type Result } from '$core/sentence';

/** What a drawing is: a course that was written as one, or lines of any program. */
export type Opened =
	| { readonly type: 'course'; readonly course: Course }
	| { readonly type: 'lines'; readonly drawing: Drawing };

export function openDrawing(text: string): Result<Opened> {
	const drawing = readDrawing(text);
	if (!drawing.ok) return drawing;
	if (!isOwn(drawing.value)) return { ok: true, value: { type: 'lines', drawing: drawing.value } };
	const course = readOwn(drawing.value);
	return course.ok ? { ok: true, value: { type: 'course', course: course.value } } : course;
}

/** What it holds as a course: of any lines, what each layer usually is. @param name of such a course */
export function courseOfDrawing(text: string, name: string): Result<Course> {
	const opened = openDrawing(text);
	if (!opened.ok) return opened;
	if (opened.value.type === 'course') return { ok: true, value: opened.value.course };
	const { drawing } = opened.value;
	const groups = groupsOf(drawing, 'layer');
	if (groups.length === 0) return failure('course.drawing.empty');
	return { ok: true, value: courseFrom(drawing, groups, {}, name).course };
}
