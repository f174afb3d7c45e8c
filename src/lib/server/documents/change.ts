/** What is done to a document from the list: renamed, copied, deleted and brought back. */
import { randomUUID } from 'node:crypto';
import { Op } from 'sequelize';
import { success, type Result } from '$core/sentence';
import { t } from '$lib/i18n';
import { database } from '../database/database';
import type { DocumentRow } from '../database/models';
import { columnsOf, contentOf, readBench, contentNamed, shorten } from './content';
import { overwrite, roomFor } from './save';
import { mayBeNeeded } from './uses';

/** `null` stands for: there is no such document. */
type Changed = Promise<Result<void> | null>;

export const renameDocument = (id: string, name: string, person: string | null): Changed =>
	changeContent(id, person, (row) => {
		const content = contentOf(row.kind, row.content);
		return content.ok ? success(columnsOf(contentNamed(content.value, name))) : content;
	});

/** Writes other columns as one more save, whatever others save meanwhile. */
export async function changeContent(
	id: string,
	person: string | null,
	columns: (row: DocumentRow) => Result<ReturnType<typeof columnsOf>>
): Changed {
	const { documents } = await database();
	for (;;) {
		const row = await documents.findByPk(id);
		if (!row) return null;
		const next = columns(row);
		if (!next.ok) return next;
		const save = {
			id,
			revision: row.revision,
			kind: row.kind,
			isDeleted: row.deletedAt !== null,
			saveId: randomUUID(),
			unanswered: []
		};
		if (await overwrite(save, next.value, person)) return success(undefined);
	}
}

/** Deletes, or takes the deletion back. */
export async function setDeleted(id: string, isDeleted: boolean): Changed {
	const { documents } = await database();
	const [changed] = await documents.update(
		{ deletedAt: isDeleted ? new Date() : null },
		{ where: { id }, silent: true }
	);
	if (changed !== 1) return null;
	if (!isDeleted) await bringBackCourseOf(id);
	return success(undefined);
}

/**
 * Destroys what was deleted, its versions with it. A course that a plan is still tried on stays, though
 * no list shows it.
 *
 * @param before deleted before this; all, if not given
 */
export async function emptyBin(before = new Date(8.64e15)): Promise<void> {
	const { documents } = await database();
	const isOld = { deletedAt: { [Op.lt]: before } };
	await documents.destroy({ where: { ...isOld, kind: 'plan' } });
	for (const { id } of await documents.findAll({ attributes: ['id'], where: isOld }))
		if (!(await mayBeNeeded(id))) await documents.destroy({ where: { id } });
}

/** A plan that comes back is tried on the course that it was tried on. */
async function bringBackCourseOf(plan: string): Promise<void> {
	const { documents } = await database();
	const row = await documents.findByPk(plan, { attributes: ['bench'] });
	const course = readBench(row?.bench ?? null)?.courseId;
	if (!course) return;
	await documents.update(
		{ deletedAt: null },
		{ where: { id: course, kind: 'course', deletedAt: { [Op.ne]: null } }, silent: true }
	);
}

/** @returns the id of the copy */
export async function copyDocument(
	id: string,
	person: string | null
): Promise<Result<string> | null> {
	const { documents } = await database();
	const row = await documents.findByPk(id);
	if (!row) return null;
	const room = await roomFor(person);
	if (!room.ok) return room;
	const content = contentOf(row.kind, row.content);
	if (!content.ok) return content;
	const name = t('save.copyName', { name: shorten(row.name) });
	const copyId = randomUUID();
	await documents.create({
		id: copyId,
		kind: row.kind,
		ownerId: person,
		...columnsOf(contentNamed(content.value, name)),
		bench: row.bench,
		revision: 1,
		saveId: randomUUID(),
		savedBy: person
	});
	return success(copyId);
}
