/**
 * Plans and courses. A save names the revision it was made from; when the server holds another one
 * by now, nothing is overwritten: what was sent is kept as a second version of its own. A save can
 * be sent twice, and one whose answer was lost is recognised, so that no answer is ever guessed at.
 */
import { randomUUID } from 'node:crypto';
import { Op } from 'sequelize';
import { planSchema, type Plan } from '$core/plan/plan';
import { courseSchema, type Course } from '$core/course/course';
import { t } from '$lib/i18n';
import {
	benchSchema,
	type Bench,
	type Content,
	type DocumentKind,
	type Listed,
	type Save,
	type Saved
} from '$lib/saving/protocol';
import { database } from './database/database';
import type { DocumentRow, PersonRow } from './database/models';

type WithOwner = DocumentRow & { owner?: PersonRow | null };

const ownerOf = (row: WithOwner): Listed['owner'] =>
	row.owner ? { id: row.owner.id, name: row.owner.name } : null;

const schemas = { plan: planSchema, course: courseSchema };
interface Contents {
	plan: Plan;
	course: Course;
}

const parse = <K extends DocumentKind>(kind: K, content: string): Contents[K] =>
	schemas[kind].parse(JSON.parse(content)) as Contents[K];

/** Newest first. */
export async function listDocuments<K extends DocumentKind>(
	kind: K
): Promise<(Listed & { content: Contents[K] })[]> {
	const { documents } = await database();
	const rows: WithOwner[] = await documents.findAll({
		where: { kind, deletedAt: null },
		include: 'owner',
		order: [
			['updatedAt', 'DESC'],
			['name', 'ASC']
		]
	});
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		owner: ownerOf(row),
		updatedAt: row.updatedAt.toISOString(),
		content: parse(kind, row.content)
	}));
}

export async function openPlan(id: string) {
	const { documents } = await database();
	const row: WithOwner | null = await documents.findOne({
		where: { id, kind: 'plan' },
		include: 'owner'
	});
	if (!row) return null;
	return {
		id,
		plan: parse('plan', row.content),
		bench: row.bench === null ? null : (benchSchema.parse(JSON.parse(row.bench)) as Bench),
		revision: row.revision,
		owner: ownerOf(row)
	};
}

export async function saveDocument(id: string, save: Save, ownerId: string | null): Promise<Saved> {
	const { documents } = await database();
	const row = await documents.findByPk(id);
	if (!row) return create(id, save, ownerId);
	if (row.saveId === save.saveId) return { revision: row.revision, kept: null };
	const isOurs = row.revision === save.baseRevision || save.unanswered.includes(row.saveId);
	if (isOurs && (await overwrite(row, save))) return { revision: row.revision + 1, kept: null };
	return keepSecondVersion(row, save, ownerId);
}

const fieldsOf = ({ content }: Content, bench: Bench | undefined) => ({
	name: content.name,
	content: JSON.stringify(content),
	...(bench ? { bench: JSON.stringify(bench) } : {})
});

async function create(id: string, save: Save, ownerId: string | null): Promise<Saved> {
	const { documents } = await database();
	const row = await documents.create({
		id,
		kind: save.work.kind,
		ownerId,
		bench: null,
		...fieldsOf(save.work, save.bench),
		revision: 1,
		saveId: save.saveId
	});
	return { revision: row.revision, kept: null };
}

/** Whether it was still the same revision in the moment of writing. */
async function overwrite(row: DocumentRow, save: Save): Promise<boolean> {
	const { documents } = await database();
	const [changed] = await documents.update(
		{
			...fieldsOf(save.work, save.bench),
			revision: row.revision + 1,
			saveId: save.saveId,
			deletedAt: null
		},
		{ where: { id: row.id, revision: row.revision } }
	);
	return changed === 1;
}

async function keepSecondVersion(
	row: DocumentRow,
	save: Save,
	ownerId: string | null
): Promise<Saved> {
	const { documents } = await database();
	const earlier = await documents.findOne({
		where: { id: { [Op.in]: [save.saveId, ...save.unanswered] } }
	});
	const name = earlier?.name ?? t('save.secondVersion', { name: shorten(save.work.content.name) });
	const work = { ...save.work, content: { ...save.work.content, name } } as Content;
	const renamed = { ...save, work, bench: save.bench ?? benchOf(row) };
	const id = earlier?.id ?? save.saveId;
	if (earlier) await overwrite(earlier, renamed);
	else await create(id, renamed, ownerId ?? row.ownerId);
	return { revision: earlier ? earlier.revision + 1 : 1, kept: { id, name } };
}

const benchOf = (row: DocumentRow): Bench | undefined =>
	row.bench === null ? undefined : benchSchema.parse(JSON.parse(row.bench));

/** Leaves room for " (second version)" within the 80 characters of a name. */
const shorten = (name: string): string => name.slice(0, 60).trim();

/** @returns false when there is no such document */
export async function renameDocument(id: string, name: string): Promise<boolean> {
	return change(id, (row) => {
		const content = { ...parse(row.kind, row.content), name };
		return { name, content: JSON.stringify(content) };
	});
}

/** Deletes, or takes the deletion back. @returns false when there is no such document */
export async function setDeleted(id: string, isDeleted: boolean): Promise<boolean> {
	const { documents } = await database();
	const [changed] = await documents.update(
		{ deletedAt: isDeleted ? new Date() : null },
		{ where: { id }, silent: true }
	);
	return changed === 1;
}

async function change(
	id: string,
	fields: (row: DocumentRow) => { name: string; content: string }
): Promise<boolean> {
	const { documents } = await database();
	for (;;) {
		const row = await documents.findByPk(id);
		if (!row) return false;
		const [changed] = await documents.update(
			{ ...fields(row), revision: row.revision + 1, saveId: randomUUID() },
			{ where: { id, revision: row.revision } }
		);
		if (changed === 1) return true;
	}
}

/** @returns the id of the copy, or null when there is nothing to copy */
export async function copyDocument(id: string, ownerId: string | null): Promise<string | null> {
	const { documents } = await database();
	const row = await documents.findByPk(id);
	if (!row) return null;
	const name = t('save.copyName', { name: shorten(row.name) });
	const content = { ...parse(row.kind, row.content), name };
	const copyId = randomUUID();
	await documents.create({
		id: copyId,
		kind: row.kind,
		ownerId,
		name,
		content: JSON.stringify(content),
		bench: row.bench,
		revision: 1,
		saveId: randomUUID()
	});
	return copyId;
}
