/** Documents opened from files on the device. */
import '$lib/words/core';
import '$lib/i18n/refusals';
import type { Remote } from 'comlink';
import type { Course } from '$core/course/course';
import { maximumBytes } from '$core/document';
import type { Plan } from '$core/plan/plan';
import { failure, success, type Result } from '$core/sentence';
import { readOnce } from '$lib/task';
import type { DocumentService, ReadFile } from '$workers/document';

/** Characters of a name that comes from a file. */
const longestName = 80;

const nameOf = ({ name }: File): string =>
	name
		.replace(/\.[^.]*$/, '')
		.trim()
		.slice(0, longestName) || name.slice(0, longestName);

/** @returns what is in it, if it is not too large for a document */
export async function textOfFile(file: File): Promise<Result<string>> {
	if (file.size > maximumBytes) {
		return failure('document.tooLarge', { bytes: file.size, maximum: maximumBytes });
	}
	return { ok: true, value: await file.text() };
}

/** In a worker: whatever it holds, the page goes on. Sounds that came with it are kept on this device. */
async function read<T extends Plan | Course>(
	kind: keyof DocumentService,
	text: string
): Promise<Result<T>> {
	const worker = new Worker(new URL('../../workers/document.ts', import.meta.url), {
		type: 'module'
	});
	const work = (service: Remote<DocumentService>) =>
		service[kind](text) as Promise<Result<ReadFile<T>>>;
	const file = await readOnce(worker, work, 'bench.fileTooLong');
	if (!file.ok) return file;
	const { document, sounds } = file.value;
	if (sounds.length > 0) {
		const { keepSound, sendSounds } = await import('$lib/sounds/sound-store');
		await sendSounds(await Promise.all(sounds.map(keepSound)));
	}
	return success(document);
}

export async function readPlanFile(file: File): Promise<Result<Plan>> {
	const text = await textOfFile(file);
	return text.ok ? read('plan', text.value) : text;
}

/** A plan or a course, by the format that the file names; a course as a drawing of any lines, too. */
export async function readAnyFile(file: File): Promise<Result<Plan | Course>> {
	const text = await textOfFile(file);
	if (!text.ok) return text;
	if (text.value.trimStart().startsWith('<')) {
		const { courseOfDrawing } = await import('./drawings');
		return courseOfDrawing(text.value, nameOf(file));
	}
	return read('any', text.value);
}
