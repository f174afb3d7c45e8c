/** Courses as drawings. */
import './words';
import type { Course } from '$core/course/course';
import { isOwn, readOwn } from '$core/course/svg/own';
import { readDrawing, type Drawing } from '$core/course/svg/shapes';
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

/** A course that was written as a drawing. */
export function readCourseDrawing(text: string): Result<Course> {
	const opened = openDrawing(text);
	if (!opened.ok) return opened;
	return opened.value.type === 'course'
		? { ok: true, value: opened.value.course }
		: failure('course.drawing.notOwn');
}
