/** Lists of documents, without their contents, and one document opened. */
import { Op } from 'sequelize';
import { success, type Result } from '$core/sentence';
import type { Bench, DocumentKind, Listed, Page } from '$lib/saving/protocol';
import { database } from '../database/database';
import type { DocumentRow, PersonRow } from '../database/models';
import index from '../../../../samples/index.json';
import { readBench, readContent, readSummary, type Contents } from './content';

type WithOwner = DocumentRow & { owner?: PersonRow | null };

const ownerOf = ({ owner }: WithOwner): Listed['owner'] =>
	owner?.id ? { id: owner.id, name: owner.name } : null;

/** Samples keep the names of their files as ids. */
const sampleIds = {
	plan: new Set(index.plans.map(({ file }) => file)),
	course: new Set(index.courses.map(({ file }) => file))
};

interface Choice {
	readonly isDeleted?: boolean;
	/** How many at the most. */
	readonly limit?: number;
}

/** Newest first; of the deleted ones, those that were deleted last. */
export async function listDocuments(
	kind: DocumentKind,
	{ isDeleted = false, limit }: Choice = {}
): Promise<Page> {
	const { documents } = await database();
	const where = { kind, deletedAt: isDeleted ? { [Op.ne]: null } : null };
	const rows = (await documents.findAll({
		attributes: ['id', 'name', 'updatedAt', 'revision', 'summary', 'deletedAt'],
		where,
		include: { association: 'owner', attributes: ['id', 'name'] },
		order: [
			[isDeleted ? 'deletedAt' : 'updatedAt', 'DESC'],
			['name', 'ASC']
		],
		limit,
		raw: true,
		nest: true
	})) as WithOwner[];
	const isWhole = limit === undefined || rows.length < limit;
	return {
		rows: rows.map((row) => ({
			id: row.id,
			name: row.name,
			owner: ownerOf(row),
			isSample: sampleIds[kind].has(row.id),
			updatedAt: new Date(isDeleted ? row.deletedAt! : row.updatedAt).toISOString(),
			revision: row.revision,
			summary: readSummary(row.summary)
		})),
		total: isWhole ? rows.length : await documents.count({ where })
	};
}

export interface Opened<K extends DocumentKind> {
	readonly id: string;
	readonly content: Contents[K];
	readonly bench: Bench | null;
	readonly revision: number;
	readonly owner: Listed['owner'];
}

/** @returns null when there is no such document, a failure when it cannot be read */
export async function openDocument<K extends DocumentKind>(
	id: string,
	kind: K
): Promise<Result<Opened<K>> | null> {
	const { documents } = await database();
	const row: WithOwner | null = await documents.findOne({ where: { id, kind }, include: 'owner' });
	if (!row) return null;
	const read = readContent(kind, row.content);
	if (!read.ok) return read;
	const bench = readBench(row.bench);
	return success({ id, content: read.value, bench, revision: row.revision, owner: ownerOf(row) });
}

/** The stored text as it is: also of a document that cannot be read. */
export async function textOf(id: string): Promise<{ text: string; revision: number } | null> {
	const { documents } = await database();
	const row = await documents.findByPk(id, { attributes: ['content', 'revision'] });
	return row && { text: row.content, revision: row.revision };
}
