/**
 * Saving. A save names the revision it was made from; when the server holds another one by now,
 * nothing is overwritten: what was sent is kept as a second version of its own. A save can be sent
 * twice, also twice at once, and one whose answer was lost is recognised, so that no answer is ever
 * guessed at. Each write is one statement that looks whether it may; when it may not, somebody else
 * was faster, and the row is looked at anew.
 */
import { randomUUID } from 'node:crypto';
import { failure, success, type Result } from '$core/sentence';
import { t } from '$lib/i18n';
import type { Save, Saved } from '$lib/saving/protocol';
import { database } from '../database/database';
import type { DocumentRow } from '../database/models';
import { columnsOf, readBench, renamed, shorten } from './content';

/** Plans and courses that one installation holds; a school has a few thousand. */
export const maximumDocuments = 20_000;
/** Earlier saves that a document remembers, so that a late repetition of one is recognised. */
const rememberedSaves = 40;

export async function saveDocument(
	id: string,
	save: Save,
	person: string | null
): Promise<Result<Saved>> {
	const { documents } = await database();
	for (;;) {
		const row = await documents.findByPk(id);
		if (!row) {
			const created = await create(id, save, person, person);
			if (!created.ok) return created;
			continue;
		}
		if (row.kind !== save.work.kind) return failure(`save.otherKind.${row.kind}`);
		const known = revisionOf(row, save.saveId);
		if (known) return success({ revision: known, kept: null });
		const isOurs = row.revision === save.baseRevision || save.unanswered.includes(row.saveId);
		if (!isOurs) return keepSecondVersion(row, save, person);
		await overwrite(row, save, person);
	}
}

/** Behind the id of a save that never came itself, but is contained in the one before it. */
const contained = '~';

/** The revision that holds a save; undefined when none does, or has long ago. */
function revisionOf(row: DocumentRow, saveId: string): number | undefined {
	let revision = row.revision + 1;
	for (const entry of [row.saveId, ...row.earlierSaves.split(' ')]) {
		if (!entry.endsWith(contained)) revision -= 1;
		if (entry === saveId || entry === saveId + contained) return revision;
	}
	return undefined;
}

/** What is remembered of the saves before this one: late repetitions must not count as new. */
const remembered = (earlier: readonly string[], unanswered: readonly string[]): string =>
	[...unanswered.slice(-rememberedSaves / 2).map((id) => id + contained), ...earlier]
		.slice(0, rememberedSaves)
		.join(' ');

const columnsFor = (save: Save) => ({
	...columnsOf(save.work),
	...(save.bench ? { bench: JSON.stringify(save.bench) } : {})
});

/** What a row says of its saves once it has one more. */
export const nextSave = (
	row: DocumentRow,
	{ saveId, unanswered }: Pick<Save, 'saveId' | 'unanswered'>,
	person: string | null
) => ({
	revision: row.revision + 1,
	saveId,
	earlierSaves: remembered([row.saveId, ...row.earlierSaves.split(' ')], unanswered),
	savedBy: person
});

/** Makes a document, unless one of this id was made in the same moment. */
async function create(
	id: string,
	save: Save,
	owner: string | null,
	person: string | null
): Promise<Result<void>> {
	const { documents } = await database();
	if ((await documents.count()) >= maximumDocuments) return full();
	await documents.bulkCreate(
		[
			{
				id,
				kind: save.work.kind,
				ownerId: owner,
				bench: null,
				...columnsFor(save),
				revision: 1,
				saveId: save.saveId,
				earlierSaves: remembered([], save.unanswered),
				savedBy: person
			}
		],
		{ ignoreDuplicates: true }
	);
	return success(undefined);
}

export const full = (): Result<never> => failure('save.full', { maximum: maximumDocuments });

/** Only while it is still the same revision in the moment of writing. */
async function overwrite(row: DocumentRow, save: Save, person: string | null): Promise<void> {
	const { documents } = await database();
	await documents.update(
		{ ...columnsFor(save), ...nextSave(row, save, person), deletedAt: null },
		{ where: { id: row.id, revision: row.revision } }
	);
}

/**
 * A second version has the id of the save that made it. The same tab goes on with one that it made
 * with a save whose answer was lost, as long as nobody else has saved there.
 */
async function keepSecondVersion(
	row: DocumentRow,
	save: Save,
	person: string | null
): Promise<Result<Saved>> {
	const { documents } = await database();
	const sent = [save.saveId, ...save.unanswered];
	let id = save.saveId;
	for (;;) {
		const found = await documents.findAll({ where: { id: [id, ...save.unanswered] } });
		const known = found.find((each) => revisionOf(each, save.saveId));
		if (known) {
			const revision = revisionOf(known, save.saveId)!;
			return success({ revision, kept: { id: known.id, name: known.name } });
		}
		const ours = found.find((each) => each.kind === row.kind && sent.includes(each.saveId));
		const name = ours?.name ?? t('save.secondVersion', { name: shorten(save.work.content.name) });
		const bench = save.bench ?? readBench(row.bench) ?? undefined;
		const second = { ...save, work: renamed(save.work, name), bench };
		if (ours) await overwrite(ours, second, person);
		else {
			// An id that is taken by another document is nothing to stumble over.
			if (found.some((each) => each.id === id)) id = randomUUID();
			const created = await create(id, second, person ?? row.ownerId, person);
			if (!created.ok) return created;
		}
	}
}
