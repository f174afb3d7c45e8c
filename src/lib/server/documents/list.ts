/** Lists of documents, without their contents, and one document opened. */
import { Op } from 'sequelize';
import { success, type Result } from '$core/sentence';
import type { DocumentKind } from '$lib/saving/kinds';
import type { Listed, Page } from '$lib/saving/answers';
import type { Bench } from '$lib/saving/protocol';
import { wordsOfSummary } from '$lib/lists/summary';
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

/** Which rows, where there are many: see listingSchema. */
export interface Choice {
	readonly isDeleted?: boolean;
	readonly find?: string | undefined;
	readonly whose?: string | undefined;
	readonly suits?: string | undefined;
	readonly first?: string | undefined;
	readonly skip?: number;
	readonly limit?: number;
}

/** Newest first; of the deleted ones, those that were deleted last. */
export async function listDocuments(kind: DocumentKind, choice: Choice = {}): Promise<Page> {
	const { isDeleted = false, find, whose, suits, first, skip = 0, limit } = choice;
	const { documents } = await database();
	const where = {
		kind,
		deletedAt: isDeleted ? { [Op.ne]: null } : null,
		...(whose === 'samples' && { id: [...sampleIds[kind]] }),
		...(whose !== undefined && whose !== 'samples' && { ownerId: whose })
	};
	const words = find?.trim().toLowerCase() ?? '';
	// What is said of a content is not in the database: such rows are looked at one by one.
	const isSifted = words !== '' || suits !== undefined || first !== undefined;
	const rows = (await documents.findAll({
		attributes: ['id', 'name', 'updatedAt', 'revision', 'summary', 'deletedAt'],
		where,
		include: { association: 'owner', attributes: ['id', 'name'] },
		order: [
			[isDeleted ? 'deletedAt' : 'updatedAt', 'DESC'],
			['name', 'ASC']
		],
		...(!isSifted && { limit, offset: skip }),
		raw: true,
		nest: true
	})) as WithOwner[];
	const listed = (row: WithOwner): Listed => ({
		id: row.id,
		name: row.name,
		owner: ownerOf(row),
		isSample: sampleIds[kind].has(row.id),
		updatedAt: new Date(isDeleted ? row.deletedAt! : row.updatedAt).toISOString(),
		revision: row.revision,
		summary: readSummary(row.summary)
	});
	if (isSifted) {
		const fitting = rows.filter((row) => says(row, words) && (!suits || isFor(row, suits)));
		const ahead = fitting.filter(({ id }) => id === first);
		const ordered = [...ahead, ...fitting.filter(({ id }) => id !== first)];
		const end = limit === undefined ? undefined : skip + limit;
		return { rows: ordered.slice(skip, end).map(listed), total: fitting.length };
	}
	const isWhole = skip === 0 && (limit === undefined || rows.length < limit);
	return {
		rows: rows.map(listed),
		total: isWhole ? rows.length : await documents.count({ where })
	};
}

/** What lists say of a content, by its summary: many have the same one. */
const said = new Map<string, string>();
const mostSaid = 5000;

function saidOf(summary: string | null): string {
	if (summary === null) return '';
	let words = said.get(summary);
	if (words === undefined) {
		if (said.size >= mostSaid) said.clear();
		said.set(summary, (words = wordsOfSummary(readSummary(summary)).toLowerCase()));
	}
	return words;
}

const says = (row: WithOwner, words: string): boolean =>
	`${row.name} ${row.owner?.name ?? ''}`.toLowerCase().includes(words) ||
	saidOf(row.summary).includes(words);

function isFor({ summary }: WithOwner, kind: string): boolean {
	const read = readSummary(summary);
	return read !== null && 'suits' in read && read.suits?.includes(kind) === true;
}

export interface OpenedDocument<K extends DocumentKind> {
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
): Promise<Result<OpenedDocument<K>> | null> {
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
