/** Documents saved to and opened from files on the device. */
import { courseFormat, type Course } from '$core/course/course';
import { maximumBytes, readDocument, writeDocument } from '$core/document';
import { planFormat, type Plan } from '$core/plan/plan';
import { failure, type Result } from '$core/sentence';

/** Offers a document as a file, named after it. */
export const downloadDocument = (document: Plan | Course): void =>
	downloadText(document.name, document.format.split('/')[1]!, writeDocument(document));

/** Offers a text as a file, whatever it holds. @param kind such as plan */
export function downloadText(title: string, kind: string, text: string): void {
	const name = title.replace(/[^\p{L}\p{N} ,'-]/gu, '').trim() || kind;
	const url = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
	const link = Object.assign(document.createElement('a'), {
		href: url,
		download: `${name}.${kind}.json`
	});
	link.click();
	URL.revokeObjectURL(url);
}

async function textOf(file: File): Promise<Result<string>> {
	if (file.size > maximumBytes) {
		return failure('document.tooLarge', { bytes: file.size, maximum: maximumBytes });
	}
	return { ok: true, value: await file.text() };
}

export async function readPlanFile(file: File): Promise<Result<Plan>> {
	const text = await textOf(file);
	return text.ok ? readDocument(text.value, planFormat) : text;
}

/** A plan or a course, by the format that the file names. */
export async function readAnyFile(file: File): Promise<Result<Plan | Course>> {
	const text = await textOf(file);
	if (!text.ok) return text;
	const isCourse = text.value.includes(`"${courseFormat.name}"`);
	return readDocument<Plan | Course>(text.value, isCourse ? courseFormat : planFormat);
}
