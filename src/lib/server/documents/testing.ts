/** Short ways to save and to look at documents, for tests. */
import type { Result } from '$core/sentence';
import { courseOf } from '$core/testing/sample';
import { say } from '$lib/i18n';
import type { Saved } from '$lib/saving/answers';
import type { Content, Save } from '$lib/saving/protocol';
import { listDocuments, openDocument } from './list';
import { saveDocument } from './save';

/** Of the one document that most of them are about. */
export const id = 'quay';

/** What was done. @throws what was refused, in words */
export function done<T>(result: Result<T> | null): T {
	if (!result?.ok) throw new Error(result ? say(result.failure) : 'nothing there');
	return result.value;
}
export const saveTo = async (save: Save, to = id, person: string | null = null): Promise<Saved> =>
	done(await saveDocument(to, save, person));
export const nameOf = async (of = id) => done(await openDocument(of, 'plan')).content.name;
export const names = async () =>
	(await listDocuments('plan')).rows.map(({ name }) => name).toSorted();
export const courseWork: Content = { kind: 'course', content: courseOf() };
