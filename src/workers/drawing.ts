/** The worker that reads drawings: what is in them, and courses of what somebody takes it for. */
import { expose } from 'comlink';
import type { Course } from '../core/course/course';
import { isOwn, readOwn } from '../core/course/svg/own';
import { readDrawing, type VectorDrawing } from '../core/course/svg/shapes';
import {
	courseOfGroups,
	groupsOf,
	type LineGroup,
	type Taken,
	type Taking
} from '../core/course/svg/take';
import { failure, success, type Result } from '../core/sentence';

export type Grouping = 'layer' | 'colour';
/** What is taken alike, and how much of it there is. */
export type ShownGroup = Omit<LineGroup, 'shapes'> & { readonly count: number };

/** Lines of any program. */
export interface Lines {
	/** Metres. */
	readonly size: VectorDrawing['size'];
	readonly groups: Readonly<Record<Grouping, readonly ShownGroup[]>>;
}

/** What a drawing is: a course that was written as one, or lines. */
export type OpenedDrawing = { readonly course: Course } | { readonly lines: Lines };

let opened: VectorDrawing | undefined;

const shown = (drawing: VectorDrawing, by: Grouping): ShownGroup[] =>
	groupsOf(drawing, by).map(({ shapes, ...group }) => ({ ...group, count: shapes.length }));

const service = {
	open(text: string): Result<OpenedDrawing> {
		const drawing = readDrawing(text);
		if (!drawing.ok) return drawing;
		if (isOwn(drawing.value)) {
			const course = readOwn(drawing.value);
			return course.ok ? success({ course: course.value }) : course;
		}
		opened = drawing.value;
		const groups = { layer: shown(opened, 'layer'), colour: shown(opened, 'colour') };
		return success({ lines: { size: opened.size, groups } });
	},

	/** Of the lines that were opened. @param chosen what each group becomes, by its key */
	take(by: Grouping, chosen: Readonly<Record<string, Taking>>, name: string): Result<Taken> {
		const groups = opened ? groupsOf(opened, by) : [];
		if (!opened || groups.length === 0) return failure('course.drawing.empty');
		return success(courseOfGroups(opened, groups, chosen, name));
	}
};

export type DrawingService = typeof service;

expose(service);
