/** Courses as drawings, which are read in a worker: whatever they hold, the page goes on. */
import './words';
import type { Course } from '$core/course/course';
import type { Taken, Taking } from '$core/course/svg/take';
import { success, type Result } from '$core/sentence';
import { Task } from '$lib/task';
import type { DrawingService, Grouping, Lines, OpenedDrawing } from '$workers/drawing';

const tooLong = 'course.drawing.tooLong';

/** Lines of any program, of which somebody says what they become. */
export class OpenLines {
	constructor(
		readonly lines: Lines,
		private readonly task: Task<DrawingService>
	) {}

	/** @param chosen what each group becomes, by its key */
	take(
		by: Grouping,
		chosen: Readonly<Record<string, Taking>>,
		name: string
	): Promise<Result<Taken>> {
		return this.task.read((service) => service.take(by, chosen, name), tooLong);
	}

	close(): void {
		this.task.end();
	}
}

/** What a drawing is: a course that was written as one, or lines. Those are to be closed. */
export async function openDrawing(text: string): Promise<Result<Course | OpenLines>> {
	const worker = new Worker(new URL('../../workers/drawing.ts', import.meta.url), {
		type: 'module'
	});
	const task = new Task<DrawingService>(worker);
	const opened = await task.read<OpenedDrawing>((service) => service.open(text), tooLong);
	if (!opened.ok || 'course' in opened.value) task.end();
	if (!opened.ok) return opened;
	const { value } = opened;
	return success('lines' in value ? new OpenLines(value.lines, task) : value.course);
}

/** What it holds as a course: of any lines, what each layer usually is. @param name of such a course */
export async function courseOfDrawing(text: string, name: string): Promise<Result<Course>> {
	const opened = await openDrawing(text);
	if (!opened.ok || !(opened.value instanceof OpenLines)) return opened as Result<Course>;
	const taken = await opened.value.take('layer', {}, name);
	opened.value.close();
	return taken.ok ? success(taken.value.course) : taken;
}
