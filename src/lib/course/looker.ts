/** Starts the worker that looks at courses. */
import { wrap, type Remote } from 'comlink';
import type { CourseService } from '$workers/course';

export interface Looker {
	readonly worker: Worker;
	readonly service: Remote<CourseService>;
}

export function startLooker(): Looker {
	const worker = new Worker(new URL('../../workers/course.ts', import.meta.url), {
		type: 'module'
	});
	return { worker, service: wrap<CourseService>(worker) };
}
