/**
 * Attempts on the server: rows that lists show, and what was recorded by its hash. What is large comes
 * first, then the row that names it, in one statement that looks whether all of it is there: so a row
 * is whole or not there, whatever is killed in between.
 */
import { createHash } from 'node:crypto';
import type {
	ChangedAttempt,
	FetchedAttempt,
	ListedAttempt,
	SentAttempt
} from '$core/attempts/kept';
import { failure, success, type Result } from '$core/sentence';
import { database } from '../database/database';

/** How much is kept of attempts; LANTERN_ATTEMPTS and LANTERN_ATTEMPT_BYTES change it. */
export const attemptLimits = () => ({
	/** The newest of one person's of a plan, beside those that are pinned. */
	ofPlan: limitIn('LANTERN_ATTEMPTS', 50),
	/** Bytes of one person's recordings. */
	bytesOfOne: limitIn('LANTERN_ATTEMPT_BYTES', 20_000_000)
});

function limitIn(name: string, usual: number): number {
	const value = Number(process.env[name]);
	return Number.isInteger(value) && value > 0 ? value : usual;
}

/** Rows of a list, and those of them that come with a picture of their way. */
const mostRows = 1000;
const mostPictures = 60;

/** Milliseconds for which a deleted one can be brought back, and unnamed contents wait for their row. */
const goneFor = 3_600_000;

const hashOf = (content: Buffer): string => createHash('sha256').update(content).digest('hex');

/** @returns hashes of the bodies without which it is not kept */
export async function keepAttempt(
	id: string,
	sent: SentAttempt,
	person: string | null
): Promise<Result<string[]>> {
	const { statements } = await database();
	const now = Date.now();
	const recording = Buffer.from(sent.recording, 'base64');
	const recordingHash = hashOf(recording);
	const bodies = Object.entries(sent.bodies ?? {}).map(
		([hash, text]) => [hash, Buffer.from(text)] as const
	);
	if (bodies.some(([hash, content]) => hashOf(content) !== hash)) return failure('attempt.damaged');
	const contents = [...bodies, [recordingHash, recording] as const];
	await statements.change(
		`INSERT INTO blobs (hash, content, keptAt) VALUES ${contents.map(() => '(?, ?, ?)').join()}
			ON CONFLICT (hash) DO UPDATE SET keptAt = excluded.keptAt`,
		contents.flatMap(([hash, content]) => [hash, content, now])
	);
	const { planHash, courseHash } = sent;
	const columns = {
		id,
		planId: sent.planId,
		courseId: sent.courseId,
		ownerId: person,
		at: sent.at,
		...notesIn(sent),
		summary: JSON.stringify(sent.summary),
		modelVersion: sent.modelVersion,
		courseMark: sent.courseMark,
		touches: sent.touches ? JSON.stringify(sent.touches) : null,
		onlyChain: sent.only ?? null,
		bytes: recording.length,
		...{ recordingHash, planHash, courseHash }
	};
	const names = Object.keys(columns);
	const hashes = [...new Set([recordingHash, planHash, courseHash])];
	const kept = await statements.change(
		`INSERT INTO attempts (${names.join()}) SELECT ${names.map((_, i) => `?${i + 1}`).join()}
			WHERE (SELECT count(*) FROM blobs WHERE hash IN
				(${hashes.map((_, i) => `?${names.length + i + 1}`).join()})) = ${hashes.length}
			ON CONFLICT (id) DO UPDATE SET
				${names.map((name) => `${name} = excluded.${name}`).join()}, goneAt = NULL
				WHERE ownerId IS excluded.ownerId`,
		[...Object.values(columns), ...hashes]
	);
	if (kept === 0) return success(await missingOf(id, [planHash, courseHash]));
	await makeRoom(sent.planId, person);
	return success([]);
}

/** None where somebody else has one by this id: that one stays as it is. */
async function missingOf(id: string, hashes: readonly string[]): Promise<string[]> {
	const { statements } = await database();
	const known = await statements.select<{ hash: string }>(
		'SELECT hash FROM blobs WHERE hash IN (?1, ?2) ' +
			'UNION ALL SELECT planHash FROM attempts WHERE id = ?3',
		[...hashes, id]
	);
	return hashes.filter((hash) => known.every((row) => row.hash !== hash));
}

const notesIn = ({ name, note, isPinned, beside, marks }: ChangedAttempt) => ({
	name: name ?? null,
	note: note ?? null,
	isPinned: isPinned ? 1 : 0,
	beside: beside && beside.length > 0 ? beside.join() : null,
	marks: marks && marks.length > 0 ? JSON.stringify(marks) : null
});

/** @returns whether there is one */
export async function changeAttempt(id: string, change: ChangedAttempt): Promise<boolean> {
	const { statements } = await database();
	const columns = { ...notesIn(change), goneAt: change.isGone ? Date.now() : null };
	const sets = Object.keys(columns).map((name, i) => `${name} = ?${i + 2}`);
	const changed = await statements.change(`UPDATE attempts SET ${sets.join()} WHERE id = ?1`, [
		id,
		...Object.values(columns)
	]);
	return changed === 1;
}

/** The oldest of a person make room, but for those that are pinned. */
async function makeRoom(planId: string, person: string | null): Promise<void> {
	const { statements } = await database();
	const { ofPlan, bytesOfOne } = attemptLimits();
	await statements.change(
		`DELETE FROM attempts WHERE id IN (
			SELECT id FROM attempts WHERE planId = ?1 AND ownerId IS ?2 AND isPinned = 0
			ORDER BY at DESC, id LIMIT -1 OFFSET ?3
		)`,
		[planId, person, ofPlan]
	);
	await statements.change(
		`DELETE FROM attempts WHERE isPinned = 0 AND id IN (
			SELECT id FROM (
				SELECT id, row_number() OVER newest AS place, sum(bytes) OVER newest AS bytes
				FROM attempts WHERE ownerId IS ?1
				WINDOW newest AS (ORDER BY isPinned DESC, at DESC, id)
			) WHERE bytes > ?2 AND place > 1
		)`,
		[person, bytesOfOne]
	);
}

interface Row {
	readonly id: string;
	readonly planId: string;
	readonly courseId: string | null;
	readonly at: number;
	readonly name: string | null;
	readonly note: string | null;
	readonly isPinned: 0 | 1;
	/** Ids, with commas between. */
	readonly beside: string | null;
	readonly marks: string | null;
	readonly summary: string;
	readonly modelVersion: number;
	readonly courseMark: number;
	readonly touches: string | null;
	readonly onlyChain: string | null;
	readonly by: string | null;
}

const selectRow = `SELECT a.id, a.planId, a.courseId, a.at, a.name, a.note, a.isPinned, a.beside, a.marks,
	a.summary,
	a.modelVersion, a.courseMark, a.touches, a.onlyChain,
	CASE WHEN a.ownerId IS NOT ?1 THEN p.name END AS by
	FROM attempts a LEFT JOIN people p ON p.id = a.ownerId`;

/** Of a plan, newest first. @param person who asks */
export async function listAttempts(
	planId: string,
	person: string | null
): Promise<ListedAttempt[]> {
	const { statements } = await database();
	const rows = await statements.select<Row>(
		`${selectRow} WHERE a.planId = ?2 AND a.goneAt IS NULL ORDER BY a.at DESC, a.id LIMIT ${mostRows}`,
		[person, planId]
	);
	return rows.map((row, place) => {
		const listed = listedOf(row);
		return place < mostPictures ? listed : { ...listed, summary: withoutPicture(listed.summary) };
	});
}

/** Of each plan that has one, the newest. @param person who asks */
export async function newestAttempts(
	planIds: readonly string[],
	person: string | null
): Promise<ListedAttempt[]> {
	const { statements } = await database();
	const places = planIds.map((_, i) => `?${i + 2}`);
	const rows = await statements.select<Row>(
		`${selectRow} WHERE a.id IN (
			SELECT id FROM (
				SELECT id, row_number() OVER (PARTITION BY planId ORDER BY at DESC, id) AS place
				FROM attempts WHERE planId IN (${places.join()}) AND goneAt IS NULL
			) WHERE place = 1
		)`,
		[person, ...planIds]
	);
	return rows.map(listedOf);
}

const withoutPicture = (summary: ListedAttempt['summary']): ListedAttempt['summary'] => ({
	...summary,
	robots: summary.robots.map((robot) => ({ ...robot, path: '' }))
});

function listedOf(row: Row): ListedAttempt {
	const { id, planId, courseId, at, modelVersion, courseMark } = row;
	return {
		...{ id, planId, courseId, at, modelVersion, courseMark },
		summary: JSON.parse(row.summary) as ListedAttempt['summary'],
		...(row.name !== null && { name: row.name }),
		...(row.note !== null && { note: row.note }),
		...(row.isPinned === 1 && { isPinned: true }),
		...(row.beside && { beside: row.beside.split(',') }),
		...(row.marks && { marks: JSON.parse(row.marks) as ListedAttempt['marks'] }),
		...(row.touches && { touches: JSON.parse(row.touches) as ListedAttempt['touches'] }),
		...(row.onlyChain !== null && { only: row.onlyChain }),
		...(row.by !== null && { by: row.by })
	};
}

/** One whole; null where there is none. @param person who asks */
export async function fetchAttempt(
	id: string,
	person: string | null
): Promise<FetchedAttempt | null> {
	const { statements } = await database();
	const [row] = await statements.select<Row & Record<'plan' | 'course' | 'recording', Buffer>>(
		`SELECT listed.*, plans.content AS plan, courses.content AS course, recordings.content AS recording
			FROM (${selectRow} WHERE a.id = ?2) listed
			JOIN attempts ON attempts.id = listed.id
			JOIN blobs plans ON plans.hash = planHash
			JOIN blobs courses ON courses.hash = courseHash
			JOIN blobs recordings ON recordings.hash = recordingHash`,
		[person, id]
	);
	if (!row) return null;
	const [plan, course] = [row.plan.toString(), row.course.toString()];
	return { row: listedOf(row), plan, course, recording: row.recording.toString('base64') };
}

/** Gives up what was deleted, what is of plans that are gone, and contents that no attempt names. */
export async function tidyAttempts(now = Date.now()): Promise<void> {
	const { statements } = await database();
	await statements.change(
		`DELETE FROM attempts WHERE goneAt < ?1 OR
			(at < ?1 AND planId NOT IN (SELECT id FROM documents))`,
		[now - goneFor]
	);
	await statements.change(
		`DELETE FROM blobs WHERE keptAt < ?1
			AND NOT EXISTS (SELECT 1 FROM attempts WHERE recordingHash = hash)
			AND NOT EXISTS (SELECT 1 FROM attempts WHERE planHash = hash)
			AND NOT EXISTS (SELECT 1 FROM attempts WHERE courseHash = hash)`,
		[now - goneFor]
	);
}
