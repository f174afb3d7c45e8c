/**
 * Attempts kept on this device (IndexedDB), whole: the newest of each plan, and those that are pinned.
 * Plans and courses as they were are kept once by their hash, however many attempts share them.
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { strFromU8, strToU8 } from 'fflate';
import { isAlike } from '../core/alike';
import { attemptDocument, attemptFormat } from '../core/attempts/attempt-document';
import { pack, unpack } from '../core/attempts/packed';
import {
	notesOf,
	type AttemptNotes,
	type FetchedAttempt,
	type ListedAttempt
} from '../core/attempts/kept';
import { readRecording } from '../core/attempts/recording';
import { attemptSummary } from '../core/attempts/summary';
import { courseFormat, type Course } from '../core/course/course';
import { markOf } from '../core/course/mark';
import { readDocument, writeDocument } from '../core/document';
import { planFormat, type Plan } from '../core/plan/plan';
import { failure, success, type Result } from '../core/sentence';
import type { Attempt } from '../core/simulation/attempt';
import { modelVersion } from '../core/simulation/settings';
import { usualLimits, type AttemptLimits } from './attempt-limits';
import {
	attemptRows,
	newestFirst,
	openAttempts,
	type AttemptDatabase,
	type AttemptRow,
	type Keeping
} from './attempt-store';

/** Milliseconds for which one that was deleted can be brought back. */
const goneFor = 3_600_000;

export interface OpenedAttempt {
	readonly row: ListedAttempt;
	readonly attempt: Attempt;
	readonly plan: Plan;
	readonly course: Course;
}

const hashOf = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));
const textOf = (bytes: Uint8Array): string => btoa(strFromU8(bytes, true));
const bytesOf = (base64: string): Uint8Array => strToU8(atob(base64), true);

interface Bodies {
	readonly planText: string;
	readonly courseText: string;
}

/** The server has it as it is here, or does not take it. */
const isSent = ({ change = 0, sent }: AttemptRow): boolean => sent?.change === change;

/** The text of a file that holds it. */
export function fileOf({ row, attempt, plan, course }: OpenedAttempt): string {
	const { at, touches, only, modelVersion } = row;
	const { name, note, marks } = notesOf(row);
	const origin = { at: new Date(at).toISOString(), plan, course, touches, only };
	const document = { ...attemptDocument(attempt, origin), name, note, marks };
	return writeDocument({ ...document, modelVersion });
}

export class AttemptShelf {
	private opened: Promise<AttemptDatabase> | undefined;
	limits: AttemptLimits = usualLimits;

	/** Null where a browser offers no storage. */
	private async database(): Promise<AttemptDatabase | null> {
		const again = () => (this.opened = undefined);
		try {
			return await (this.opened ??= openAttempts(again));
		} catch {
			again();
			return null;
		}
	}

	/** @returns its row, or null where the device does not take it */
	async keep(
		keeping: Keeping,
		attempt: Attempt,
		notes: AttemptNotes = {}
	): Promise<AttemptRow | null> {
		const database = await this.database();
		if (!database) return null;
		const { plan, course, ...rest } = keeping;
		const recording = pack(attempt);
		const [planText, courseText] = [JSON.stringify(plan), JSON.stringify(course)];
		const before = await database.get('rows', keeping.id);
		const row: AttemptRow = {
			...rest,
			...(before && notesOf(before)),
			...notes,
			summary: attemptSummary(attempt),
			modelVersion,
			courseMark: keeping.courseMark ?? markOf(course),
			planHash: hashOf(planText),
			courseHash: hashOf(courseText),
			bytes: recording.length,
			change: (before?.change ?? 0) + 1
		};
		return (await this.put(row, recording, { planText, courseText })) ? row : null;
	}

	/** Where it is full, the oldest make room, once. @returns whether it is kept */
	private async put(row: AttemptRow, recording: Uint8Array, bodies: Bodies): Promise<boolean> {
		const database = await this.database();
		if (!database) return false;
		const put = () => putAll(database, row, recording, bodies);
		try {
			const { count, megabytes } = this.limits;
			const room = megabytes * 1_000_000;
			await put().catch(() => makeRoom(database, row, count, room / 4).then(put));
			await makeRoom(database, row, count, room);
			return true;
		} catch {
			return false;
		}
	}

	/** Keeps one as the server has it. @returns whether it is kept */
	takeFetched(fetched: FetchedAttempt): Promise<boolean> {
		const { row, plan: planText, course: courseText } = fetched;
		const recording = bytesOf(fetched.recording);
		const hashes = { planHash: hashOf(planText), courseHash: hashOf(courseText) };
		const sent = { change: 0, isWhole: true };
		const kept = { ...row, ...hashes, bytes: recording.length, change: 0, sent };
		return this.put(kept, recording, { planText, courseText });
	}

	/** Of a plan, newest first. */
	async list(planId: string): Promise<AttemptRow[]> {
		const database = await this.database();
		return database ? attemptRows(database, planId) : [];
	}

	/** Keeps one that was kept in another place before, unless it is here, or was and has been deleted. */
	async takeOver(keeping: Keeping, attempt: Attempt, notes: AttemptNotes = {}): Promise<void> {
		const isHere = await (await this.database())?.getKey('rows', keeping.id);
		if (isHere === undefined) await this.keep(keeping, attempt, notes);
	}

	async find(id: string): Promise<AttemptRow | undefined> {
		return (await this.database())?.get('rows', id);
	}

	/** @returns the row as it is now; null where there is none */
	async mark(id: string, notes: AttemptNotes): Promise<AttemptRow | null> {
		return this.write(id, notes);
	}

	/** It can be brought back for an hour. */
	async remove(id: string): Promise<AttemptRow | null> {
		return this.write(id, { goneAt: Date.now() });
	}

	async bringBack(id: string): Promise<AttemptRow | null> {
		return this.write(id, { goneAt: undefined });
	}

	/** What a person does to one, which the server has to hear of. */
	private write(id: string, more: Partial<AttemptRow>): Promise<AttemptRow | null> {
		return this.change(id, (row) => ({ ...row, ...more, change: (row.change ?? 0) + 1 }));
	}

	/** Of a plan, those that were deleted, too. */
	async allOf(planId: string): Promise<AttemptRow[]> {
		return (await (await this.database())?.getAllFromIndex('rows', 'planId', planId)) ?? [];
	}

	/** Runs of all plans in which a hand has marked a robot of this kind and name, newest first. */
	async marked(kind: string, name: string): Promise<AttemptRow[]> {
		const all = (await (await this.database())?.getAll('rows')) ?? [];
		return all
			.filter(({ goneAt, marks, summary }) => {
				const own = summary.robots.find((robot) => robot.kind === kind && robot.name === name);
				return goneAt === undefined && own && marks?.some(({ robot }) => robot === own.id);
			})
			.toSorted(newestFirst);
	}

	/** What the server does not have as it is here, oldest first. */
	async unsent(): Promise<AttemptRow[]> {
		const all = (await (await this.database())?.getAll('rows')) ?? [];
		return all.filter((row) => !isSent(row)).toSorted((a, b) => newestFirst(b, a));
	}

	/** All of one that the server wants. */
	async wholeOf({ id, planHash, courseHash }: AttemptRow) {
		const database = await this.database();
		const [recording, plan, course] = await Promise.all([
			database?.get('recordings', id),
			database?.get('bodies', planHash),
			database?.get('bodies', courseHash)
		]);
		const isWhole = recording && plan !== undefined && course !== undefined;
		return isWhole ? { recording: textOf(recording), bodies: [plan, course] as const } : null;
	}

	/** The server has it as it was in this row, or does not take it. */
	async setSent({ id, change = 0 }: AttemptRow, isWhole: boolean): Promise<void> {
		await this.change(id, (row) => ({ ...row, sent: { change, isWhole } }));
	}

	/**
	 * What others have written to it holds here, too, unless this device has something to say itself.
	 * @returns the row as it is now
	 */
	async takeNotes(row: AttemptRow, listed: ListedAttempt): Promise<AttemptRow> {
		if (isAlike(notesOf(row), notesOf(listed))) return row;
		const { name, note, isPinned, beside, marks } = listed;
		const taken = await this.change(row.id, (now) =>
			isSent(now) ? { ...now, name, note, isPinned, beside, marks } : now
		);
		return taken ?? row;
	}

	private async change(
		id: string,
		how: (row: AttemptRow) => AttemptRow
	): Promise<AttemptRow | null> {
		const transaction = (await this.database())?.transaction('rows', 'readwrite');
		const row = await transaction?.store.get(id);
		if (!transaction || !row) return null;
		const changed = how(row);
		await transaction.store.put(changed);
		await transaction.done;
		return changed;
	}

	/** As it was recorded. */
	async open(id: string): Promise<Result<OpenedAttempt>> {
		const database = await this.database();
		const [row, recording] = await Promise.all([
			database?.get('rows', id),
			database?.get('recordings', id)
		]);
		if (!database || !row || !recording) return failure('attempt.gone');
		const [planText, courseText] = await Promise.all([
			database.get('bodies', row.planHash),
			database.get('bodies', row.courseHash)
		]);
		const attempt = unpack(recording);
		if (!attempt.ok) return attempt;
		const plan = readDocument(planText ?? '', planFormat);
		if (!plan.ok) return plan;
		const course = readDocument(courseText ?? '', courseFormat);
		if (!course.ok) return course;
		return success({ row, attempt: attempt.value, plan: plan.value, course: course.value });
	}

	/** Keeps what a file holds, pinned, since somebody wanted it. @param text from anywhere */
	async takeFile(text: string, place: Pick<Keeping, 'id' | 'planId' | 'courseId'>) {
		const read = readDocument(text, attemptFormat);
		if (!read.ok) return read;
		const { at, name, note, marks, plan, course, touches, only, recording } = read.value;
		const attempt = readRecording(recording);
		if (!attempt.ok) return attempt;
		const keeping = { ...place, at: Date.parse(at), plan, course, touches, only };
		const row = await this.keep(keeping, attempt.value, {
			...{ name, note, marks },
			isPinned: true
		});
		return row ? success(row) : failure('attempt.noRoom');
	}
}

async function putAll(
	database: AttemptDatabase,
	row: AttemptRow,
	recording: Uint8Array,
	{ planText, courseText }: Bodies
): Promise<void> {
	const transaction = database.transaction(['rows', 'recordings', 'bodies'], 'readwrite');
	await Promise.all([
		transaction.objectStore('rows').put(row),
		transaction.objectStore('recordings').put(recording, row.id),
		transaction.objectStore('bodies').put(planText, row.planHash),
		transaction.objectStore('bodies').put(courseText, row.courseHash),
		transaction.done
	]);
}

/**
 * Those that go: deleted ones, the oldest of the same plan, and the oldest of all once there is no room.
 * @param most of one plan @param room bytes of all
 */
function going(
	rows: readonly AttemptRow[],
	kept: AttemptRow,
	most: number,
	room: number
): AttemptRow[] {
	const sorted = rows.toSorted(newestFirst);
	const isFree = (row: AttemptRow) => !row.isPinned && row.id !== kept.id;
	const isOld = ({ goneAt = Infinity }: AttemptRow) => Date.now() - goneAt > goneFor;
	const ofPlan = sorted.filter((row) => row.planId === kept.planId && !row.isPinned);
	const gone = new Set([...sorted.filter(isOld), ...ofPlan.slice(most).filter(isFree)]);
	let bytes = sorted.reduce((sum, row) => sum + (gone.has(row) ? 0 : row.bytes), 0);
	for (const row of sorted.toReversed().filter(isFree)) {
		if (bytes <= room) break;
		if (gone.has(row)) continue;
		gone.add(row);
		bytes -= row.bytes;
	}
	return [...gone];
}

async function makeRoom(
	database: AttemptDatabase,
	kept: AttemptRow,
	most: number,
	room: number
): Promise<void> {
	const transaction = database.transaction(['rows', 'recordings', 'bodies'], 'readwrite');
	const [rows, recordings, bodies] = [
		transaction.objectStore('rows'),
		transaction.objectStore('recordings'),
		transaction.objectStore('bodies')
	];
	const all = await rows.getAll();
	const gone = going(all, kept, most, room);
	const left = all.filter((row) => !gone.includes(row));
	const used = new Set(left.flatMap(({ planHash, courseHash }) => [planHash, courseHash]));
	const unused = gone
		.flatMap(({ planHash, courseHash }) => [planHash, courseHash])
		.filter((hash) => !used.has(hash));
	await Promise.all([
		...gone.flatMap(({ id }) => [rows.delete(id), recordings.delete(id)]),
		...unused.map((hash) => bodies.delete(hash)),
		transaction.done
	]);
}
