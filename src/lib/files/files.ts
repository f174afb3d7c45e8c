/** Documents saved to and opened from files on the device. */
import type { Remote } from 'comlink';
import type { Course } from '$core/course/course';
import { maximumBytes, writeDocument } from '$core/document';
import type { Plan } from '$core/plan/plan';
import { failure, type Result } from '$core/sentence';
import { Task } from '$lib/task';
import type { DocumentService } from '$workers/document';

/** Offers a document as a file, named after it. */
export const downloadDocument = (document: Plan | Course): void =>
	downloadText(document.name, document.format.split('/')[1]!, writeDocument(document));

/** Offers a text as a file, whatever it holds. @param kind such as plan */
export const downloadText = (title: string, kind: string, text: string): void =>
	download(title, `${kind}.json`, new Blob([text], { type: 'application/json' }));

/** Offers what is in it as a file. @param ending of its name */
export function download(title: string, ending: string, content: Blob): void {
	const name = title.replace(/[^\p{L}\p{N} ,'-]/gu, '').trim() || ending;
	const url = URL.createObjectURL(content);
	Object.assign(document.createElement('a'), { href: url, download: `${name}.${ending}` }).click();
	URL.revokeObjectURL(url);
}

/** Characters of a name that comes from a file. */
const longestName = 80;

const nameOf = ({ name }: File): string =>
	name
		.replace(/\.[^.]*$/, '')
		.trim()
		.slice(0, longestName) || name.slice(0, longestName);

async function textOf(file: File): Promise<Result<string>> {
	if (file.size > maximumBytes) {
		return failure('document.tooLarge', { bytes: file.size, maximum: maximumBytes });
	}
	return { ok: true, value: await file.text() };
}

/** In a worker: whatever it holds, the page goes on. */
async function read<T extends Plan | Course>(
	kind: keyof DocumentService,
	text: string
): Promise<Result<T>> {
	const worker = new Worker(new URL('../../workers/document.ts', import.meta.url), {
		type: 'module'
	});
	const task = new Task<DocumentService>(worker);
	const work = (service: Remote<DocumentService>) => service[kind](text) as Promise<Result<T>>;
	const result = await task.read(work, 'bench.fileTooLong');
	task.end();
	return result;
}

export async function readPlanFile(file: File): Promise<Result<Plan>> {
	const text = await textOf(file);
	return text.ok ? read('plan', text.value) : text;
}

/** A plan or a course, by the format that the file names; a course as a drawing of any lines, too. */
export async function readAnyFile(file: File): Promise<Result<Plan | Course>> {
	const text = await textOf(file);
	if (!text.ok) return text;
	if (text.value.trimStart().startsWith('<')) {
		const { courseOfDrawing } = await import('./drawings');
		return courseOfDrawing(text.value, nameOf(file));
	}
	return read('any', text.value);
}
