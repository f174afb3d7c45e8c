/** The worker that reads plans and courses from files: whatever they hold, the page goes on. */
import { expose } from 'comlink';
import { courseFormat, type Course } from '../core/course/course';
import { readDocument } from '../core/document';
import { planFormat, type Plan } from '../core/plan/plan';
import type { Result } from '../core/sentence';

const service = {
	plan: (text: string): Result<Plan> => readDocument(text, planFormat),

	/** A plan or a course, by the format that the text names. */
	any(text: string): Result<Plan | Course> {
		const isCourse = text.includes(`"${courseFormat.name}"`);
		return readDocument<Plan | Course>(text, isCourse ? courseFormat : planFormat);
	}
};

export type DocumentService = typeof service;

expose(service);
