/**
 * Saving. A save names the revision it was made from; when the server holds another one by now,
 * nothing is overwritten: what was sent is kept as a second version of its own. A save can be sent
 * twice, also twice at once, and one whose answer was lost is recognised, so that no answer is ever
 * guessed at. Each write is one statement that looks whether it may; when it may not, somebody else
 * was faster, and the row is looked at anew.
 */
import { randomUUID } from 'node:crypto';
import { checkSize } from '$core/document';
import { failure, success, type Result } from '$core/sentence';
import { t } from '$lib/i18n';
import type { Bench, DocumentKind, Save, Saved } from '$lib/saving/protocol';
import { database, stamp } from '../database/database';
import type { DocumentRow } from '../database/models';
import { columnsOf, readBench, renamed, shorten } from './content';

/** Plans and courses that one installation holds; a school has a few thousand. */
export const maximumDocuments = 20_000;
/** Earlier saves that a document remembers, so that a late repetition of one is recognised. */
const rememberedSaves = 40;
const rememberedLetters = 2000;

export async function saveDocument(
	id: string,
	save: Save,
	person: string | null
): Promise<Result<Saved>> {
	const columns = columnsFor(save);
	const size = checkSize(columns.content);
	if (!size.ok) return size;
	// Nearly every save goes on from what the server holds: then one statement is all there is to do.
	const { baseRevision } = save;
	const next = { ...save, id, kind: save.work.kind };
	if (baseRevision > 0 && (await overwrite({ ...next, revision: baseRevision }, columns, person)))
		return success({ revision: baseRevision + 1, kept: null });
	for (;;) {
		const [row] = await find([id]);
		if (!row) {
			const created = await create(id, save, person, person);
			if (!created.ok) return created;
			if (created.value) return success({ revision: 1, kept: null });
			continue;
		}
		if (row.kind !== save.work.kind) return failure(`save.otherKind.${row.kind}`);
		const known = revisionOf(row, save.saveId);
		if (known) return success({ revision: known, kept: null });
		const isOurs = row.revision === save.baseRevision || save.unanswered.includes(row.saveId);
		if (!isOurs) return keepSecondVersion(row, save, person);
		if (await overwrite({ ...next, revision: row.revision }, columns, person))
			return success({ revision: row.revision + 1, kept: null });
	}
}

/** Of a document, all that a save has to look at. */
type Held = Pick<
	DocumentRow,
	'id' | 'kind' | 'ownerId' | 'name' | 'revision' | 'saveId' | 'earlierSaves'
>;

const find = async (ids: readonly string[]): Promise<Held[]> =>
	(await database()).statements.select<Held>(
		'SELECT id, kind, ownerId, name, revision, saveId, earlierSaves FROM documents ' +
			`WHERE id IN (${ids.map(() => '?').join()})`,
		ids
	);

/** Behind the id of a save that never came itself, but is contained in the one before it. */
const contained = '~';

/** The revision that holds a save; undefined when none does, or has long ago. */
function revisionOf(row: Held, saveId: string): number | undefined {
	let revision = row.revision + 1;
	for (const entry of [row.saveId, ...row.earlierSaves.split(' ')]) {
		if (!entry.endsWith(contained)) revision -= 1;
		if (entry === saveId || entry === saveId + contained) return revision;
	}
	return undefined;
}

/** Saves that this one contains, though they never came themselves: a late one must not count as new. */
const containedIn = ({ unanswered }: Pick<Save, 'unanswered'>): string =>
	unanswered
		.slice(-rememberedSaves)
		.map((id) => `${id}${contained} `)
		.join('');

const columnsFor = (save: Save) => ({
	...columnsOf(save.work),
	...(save.bench ? { bench: JSON.stringify(save.bench) } : {})
});

/** @returns whether it made a document, or one of this id was made in the same moment */
async function create(
	id: string,
	save: Save,
	owner: string | null,
	person: string | null
): Promise<Result<boolean>> {
	const now = stamp();
	const columns = {
		...columnsFor(save),
		id,
		kind: save.work.kind,
		ownerId: owner,
		revision: 1,
		saveId: save.saveId,
		earlierSaves: containedIn(save),
		savedBy: person,
		createdAt: now,
		updatedAt: now
	};
	const names = Object.keys(columns);
	const { documents, statements } = await database();
	const made = await statements.change(
		`INSERT OR IGNORE INTO documents (${names.join()})
			SELECT ${names.map(() => '?').join()}
			WHERE (SELECT count(*) FROM documents) < ${maximumDocuments}`,
		Object.values(columns)
	);
	if (made === 0 && (await documents.count()) >= maximumDocuments) return full();
	return success(made === 1);
}

export const full = (): Result<never> => failure('save.full', { maximum: maximumDocuments });

/** Which save writes, and over which revision of which document. */
interface Overwrite extends Pick<Save, 'saveId' | 'unanswered'> {
	readonly id: string;
	readonly kind: DocumentKind;
	readonly revision: number;
}

/** @returns whether it was still that revision, and that kind, in the moment of writing */
export async function overwrite(
	{ id, kind, revision, saveId, unanswered }: Overwrite,
	columns: object,
	person: string | null
): Promise<boolean> {
	const written = { ...columns, savedBy: person, updatedAt: stamp() };
	const names = Object.keys(written).map((name, index) => `${name} = ?${index + 6}`);
	const { statements } = await database();
	const changed = await statements.change(
		`UPDATE documents SET ${names.join()}, revision = revision + 1, saveId = ?4, deletedAt = NULL,
			earlierSaves = substr(?5 || saveId || ' ' || earlierSaves, 1, ${rememberedLetters})
			WHERE id = ?1 AND kind = ?2 AND revision = ?3`,
		[id, kind, revision, saveId, containedIn({ unanswered }), ...Object.values(written)]
	);
	return changed === 1;
}

/**
 * A second version has the id of the save that made it. The same tab goes on with one that it made
 * with a save whose answer was lost, as long as nobody else has saved there.
 */
async function keepSecondVersion(
	row: Held,
	save: Save,
	person: string | null
): Promise<Result<Saved>> {
	const sent = [save.saveId, ...save.unanswered];
	let id = save.saveId;
	for (;;) {
		const found = await find([id, ...save.unanswered]);
		const known = found.find((each) => revisionOf(each, save.saveId));
		if (known) {
			const revision = revisionOf(known, save.saveId)!;
			return success({ revision, kept: { id: known.id, name: known.name } });
		}
		const ours = found.find((each) => each.kind === row.kind && sent.includes(each.saveId));
		const name = ours?.name ?? t('save.secondVersion', { name: shorten(save.work.content.name) });
		const bench = save.bench ?? (await benchOf(row.id));
		const second = { ...save, work: renamed(save.work, name), bench };
		if (ours) {
			const columns = columnsFor(second);
			if (!(await overwrite({ ...second, ...ours, saveId: save.saveId }, columns, person)))
				continue;
			return success({ revision: ours.revision + 1, kept: { id: ours.id, name } });
		} else {
			// An id that is taken by another document is nothing to stumble over.
			if (found.some((each) => each.id === id)) id = randomUUID();
			const created = await create(id, second, person ?? row.ownerId, person);
			if (!created.ok) return created;
		}
	}
}

async function benchOf(id: string): Promise<Bench | undefined> {
	const { documents } = await database();
	const row = await documents.findByPk(id, { attributes: ['bench'] });
	return readBench(row?.bench ?? null) ?? undefined;
}
