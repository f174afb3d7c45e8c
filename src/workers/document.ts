/** The worker that reads plans and courses from files: whatever they hold, the page goes on. */
import { expose } from 'comlink';
import { courseFormat, type Course } from '../core/course/course';
import { readDocument } from '../core/document';
import { planFormat, type Plan } from '../core/plan/plan';
import { success, type Result } from '../core/sentence';
import { soundsFrom } from '../core/sounds/travelling';

/** A plan or a course, and the sounds that came with it, as WAV files. */
export interface ReadFile<T> {
	readonly document: T;
	readonly sounds: readonly Uint8Array<ArrayBuffer>[];
}

/** A plan holds its sounds only in its file. */
function apart<T extends Plan | Course>(read: Result<T>): Result<ReadFile<T>> {
	if (!read.ok) return read;
	if (!('sounds' in read.value)) return success({ document: read.value, sounds: [] });
	const { sounds = {}, ...document } = read.value;
	const found = soundsFrom(sounds);
	return found.ok ? success({ document: document as T, sounds: found.value }) : found;
}

const service = {
	plan: (text: string): Result<ReadFile<Plan>> => apart(readDocument(text, planFormat)),

	/** A plan or a course, by the format that the text names. */
	any(text: string): Result<ReadFile<Plan | Course>> {
		const isCourse = text.includes(`"${courseFormat.name}"`);
		return apart(readDocument<Plan | Course>(text, isCourse ? courseFormat : planFormat));
	}
};

export type DocumentService = typeof service;

expose(service);
