/**
 * Saving. A save names the revision it was made from; when the server holds another one by now,
 * nothing is overwritten: what was sent is kept as a second version of its own. A save can be sent
 * twice, also twice at once, and one whose answer was lost is recognised, so that no answer is ever
 * guessed at. Each write is one statement that looks whether it may; when it may not, somebody else
 * was faster, and the row is looked at anew.
 */
import '../words';
import { randomUUID } from 'node:crypto';
import { checkSize } from '$core/document';
import { failure, success, type Result } from '$core/sentence';
import { t } from '$lib/i18n';
import type { DocumentKind } from '$lib/saving/kinds';
import type { Saved } from '$lib/saving/answers';
import type { Bench, Save } from '$lib/saving/protocol';
import { database, stamp } from '../database/database';
import { gathering } from '../database/gathering';
import type { DocumentRow } from '../database/models';
import { columnsOf, readBench, contentNamed, shorten } from './content';
import { thinOf } from './thinning';

/** Plans and courses that one installation holds, beside those in its bin; a school has a few thousand. */
export const maximumDocuments = 20_000;
/** So many more may be second versions: a full installation loses nobody's work. */
const roomForSeconds = 2000;
/** Of one person, so that nobody fills it alone. */
const maximumOfOne = 2000;
/** Earlier saves that a document remembers, so that a late repetition of one is recognised. */
const rememberedSaves = 40;
const rememberedLetters = 2000;

/** @param mayMake whether whoever saves may make one more document */
export async function saveDocument(
	id: string,
	save: Save,
	person: string | null,
	mayMake: () => boolean = () => true
): Promise<Result<Saved>> {
	const columns = columnsFor(save);
	const size = checkSize(columns.content);
	if (!size.ok) return size;
	// Nearly every save goes on from what the server holds: then one statement is all there is to do.
	const { baseRevision } = save;
	const next = { ...save, id, kind: save.work.kind };
	const usual = { ...next, revision: baseRevision, isDeleted: false };
	if (baseRevision > 0 && (await overwrite(usual, columns, person)))
		return success({ revision: baseRevision + 1, kept: null });
	for (;;) {
		const [row] = await find([id]);
		if (!row) {
			if (!mayMake()) return failure('save.tooFast');
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
		// Of deleting and saving the later one wins: whoever saves is told that it had been deleted.
		const { revision, isDeleted } = row;
		if (await overwrite({ ...next, revision, isDeleted: isDeleted === 1 }, columns, person))
			return success({
				...{ revision: revision + 1, kept: null },
				...(isDeleted === 1 && { wasDeleted: true })
			});
	}
}

/** Of a document, all that a save has to look at. */
type Held = Pick<
	DocumentRow,
	'id' | 'kind' | 'ownerId' | 'name' | 'revision' | 'saveId' | 'earlierSaves'
> & { readonly isDeleted: 0 | 1 };

const find = async (ids: readonly string[]): Promise<Held[]> =>
	(await database()).statements.select<Held>(
		'SELECT id, kind, ownerId, name, revision, saveId, earlierSaves, ' +
			'deletedAt IS NOT NULL AS isDeleted FROM documents ' +
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
	person: string | null,
	isSecond = false
): Promise<Result<boolean>> {
	const most = maximumDocuments + (isSecond ? roomForSeconds : 0);
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
	const { statements } = await database();
	const made = await statements.change(
		`INSERT OR IGNORE INTO documents (${names.join()})
			SELECT ${names.map(() => '?').join()}
			WHERE (SELECT count(*) FROM documents WHERE deletedAt IS NULL) < ${most}`,
		Object.values(columns)
	);
	if (made === 0) {
		const room = await roomFor(owner, most);
		if (!room.ok) return room;
	}
	return success(made === 1);
}

/** Whether one more document has room. @param owner whose it would be */
export async function roomFor(
	owner: string | null,
	most = maximumDocuments
): Promise<Result<void>> {
	const { documents } = await database();
	if ((await documents.count({ where: { deletedAt: null } })) >= most)
		return failure('save.full', { maximum: maximumDocuments });
	const own = owner ? await documents.count({ where: { ownerId: owner, deletedAt: null } }) : 0;
	return own >= maximumOfOne
		? failure('save.fullOfOne', { maximum: maximumOfOne })
		: success(undefined);
}

/** Which save writes, and over which revision of which document. */
interface Overwrite extends Pick<Save, 'saveId' | 'unanswered'> {
	readonly id: string;
	readonly kind: DocumentKind;
	readonly revision: number;
	readonly isDeleted: boolean;
}

/** Bytes of a content from which on its versions are looked at with each save: see thinOf. */
const largeContent = 100_000;

/** What a save writes; `bench` stays as it is where there is none. */
type Columns = ReturnType<typeof columnsFor>;

/** @returns whether it was still that revision, that kind, and there or deleted, in the moment of writing */
export async function overwrite(
	over: Overwrite,
	columns: Columns,
	person: string | null
): Promise<boolean> {
	const isDone = await write({ over, columns, person });
	if (isDone && columns.content.length > largeContent) await thinOf(over.id);
	return isDone;
}

interface Write {
	readonly over: Overwrite;
	readonly columns: Columns;
	readonly person: string | null;
}

const valuesOf = ({ over, columns, person }: Write): unknown[] => [
	...[over.id, over.kind, over.revision, over.isDeleted ? 1 : 0],
	...[over.saveId, containedIn(over)],
	...[columns.name, columns.content, columns.summary, columns.bench ?? null],
	...[person, stamp()]
];

/** Saves of a whole school in one statement, each of another document. */
const write = gathering<Write, boolean>(
	({ over }) => over.id,
	async (writes) => {
		const values = writes.map(valuesOf);
		const { statements } = await database();
		const rows = values.map((row) => `(${row.map(() => '?').join()})`);
		const written = await statements.select<{ id: string }>(
			`WITH next (id, kind, revision, isDeleted, saveId, contained, name, content, summary, bench,
					savedBy, updatedAt) AS (VALUES ${rows.join()})
				UPDATE documents SET name = next.name, content = next.content, summary = next.summary,
					bench = coalesce(next.bench, documents.bench), savedBy = next.savedBy,
					updatedAt = next.updatedAt, revision = documents.revision + 1, deletedAt = NULL,
					saveId = next.saveId, earlierSaves = substr(
						next.contained || documents.saveId || ' ' || earlierSaves, 1, ${rememberedLetters}
					)
				FROM next WHERE documents.id = next.id AND documents.kind = next.kind
					AND documents.revision = next.revision
					AND (documents.deletedAt IS NOT NULL) = next.isDeleted
				RETURNING documents.id`,
			values.flat()
		);
		const ids = new Set(written.map(({ id }) => id));
		return writes.map(({ over }) => ids.has(over.id));
	}
);

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
		const second = { ...save, work: contentNamed(save.work, name), bench };
		if (ours) {
			const columns = columnsFor(second);
			const next = { ...second, ...ours, isDeleted: ours.isDeleted === 1, saveId: save.saveId };
			if (!(await overwrite(next, columns, person))) continue;
			return success({ revision: ours.revision + 1, kept: { id: ours.id, name } });
		} else {
			// An id that is taken by another document is nothing to stumble over.
			if (found.some((each) => each.id === id)) id = randomUUID();
			const created = await create(id, second, person ?? row.ownerId, person, true);
			if (!created.ok) return created;
		}
	}
}

async function benchOf(id: string): Promise<Bench | undefined> {
	const { documents } = await database();
	const row = await documents.findByPk(id, { attributes: ['bench'] });
	return readBench(row?.bench ?? null) ?? undefined;
}
