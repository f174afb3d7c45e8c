/** Courses as drawings, which are read in a worker: whatever they hold, the page goes on. */
import './words';
import type { Course } from '$core/course/course';
import type { Taken, Taking } from '$core/course/svg/take';
import { failure, success, type Result } from '$core/sentence';
import { Task } from '$lib/task';
import type { DrawingService, Grouping, Lines, Opened } from '$workers/drawing';

/** Milliseconds after which a drawing is given up. */
const longest = 5000;
const tooLong: Result<never> = failure('course.drawing.tooLong', { seconds: longest / 1000 });

/** Lines of any program, of which somebody says what they become. */
export class OpenLines {
	constructor(
		readonly lines: Lines,
		private readonly task: Task<DrawingService>
	) {}

	/** @param chosen what each group becomes, by its key */
	async take(
		by: Grouping,
		chosen: Readonly<Record<string, Taking>>,
		name: string
	): Promise<Result<Taken>> {
		const taken = await this.task.ask<Result<Taken>>(
			(service) => service.take(by, chosen, name),
			longest
		);
		return taken ?? tooLong;
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
	const opened = await task.ask<Result<Opened>>((service) => service.open(text), longest);
	if (!opened?.ok) task.end();
	if (!opened) return tooLong;
	if (!opened.ok) return opened;
	const { value } = opened;
	if ('lines' in value) return success(new OpenLines(value.lines, task));
	task.end();
	return success(value.course);
}

/** What it holds as a course: of any lines, what each layer usually is. @param name of such a course */
export async function courseOfDrawing(text: string, name: string): Promise<Result<Course>> {
	const opened = await openDrawing(text);
	if (!opened.ok || !(opened.value instanceof OpenLines)) return opened as Result<Course>;
	const taken = await opened.value.take('layer', {}, name);
	opened.value.close();
	return taken.ok ? success(taken.value.course) : taken;
}
