/**
 * Earlier contents of a document, to look at and to go back to. The database keeps them by itself
 * when a content is overwritten (database/migrations), and gives them up with age (./thinning).
 */
import { success, type Result } from '$core/sentence';
import type { Version } from '$lib/saving/answers';
import type { Content } from '$lib/saving/protocol';
import { database } from '../database/database';
import type { PersonRow, VersionRow } from '../database/models';
import { changeContent } from './change';
import { columnsOf, contentOf, readSummary } from './content';

type WithAuthor = VersionRow & { author?: PersonRow | null };

/** Newest first. @returns null when there is no such document */
export async function listVersions(documentId: string): Promise<Version[] | null> {
	const { documents, versions } = await database();
	if (!(await documents.findByPk(documentId, { attributes: ['id'] }))) return null;
	const found: WithAuthor[] = await versions.findAll({
		attributes: ['id', 'name', 'summary', 'savedAt'],
		where: { documentId },
		include: 'author',
		order: [
			['savedAt', 'DESC'],
			['id', 'DESC']
		]
	});
	return found.map(({ id, name, summary, savedAt, author }) => ({
		id,
		name,
		by: author?.name ?? null,
		savedAt: savedAt.toISOString(),
		summary: readSummary(summary)
	}));
}

/** @returns null when there is no such version, a failure when it cannot be read */
export async function openVersion(documentId: string, id: number): Promise<Result<Content> | null> {
	const { documents, versions } = await database();
	const row = await documents.findByPk(documentId, { attributes: ['kind'] });
	const version = row && (await versions.findOne({ where: { id, documentId } }));
	return row && version && contentOf(row.kind, version.content);
}

/** Makes an earlier content the newest again; what stood there becomes a version itself. */
export async function goBack(
	documentId: string,
	id: number,
	person: string | null
): Promise<Result<void> | null> {
	const content = await openVersion(documentId, id);
	if (!content?.ok) return content;
	return changeContent(documentId, person, () => success(columnsOf(content.value)));
}
