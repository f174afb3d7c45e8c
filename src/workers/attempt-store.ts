/** Where attempts lie on this device (IndexedDB), told without what packs them: home looks there, too. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { AttemptSummary } from '../core/attempts/summary';
import type { Course } from '../core/course/course';
import type { Plan } from '../core/plan/plan';
import type { Touch } from '../core/simulation/touch';

/** Attempts of one plan that are kept beside those that are pinned. */
export const mostOfPlan = 50;

/** What an attempt is of. */
export interface Keeping {
	readonly id: string;
	readonly planId: string;
	readonly courseId: string | null;
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly plan: Plan;
	readonly course: Course;
	/** Of the course as it was, where nobody has it any more. */
	readonly courseMark?: number | undefined;
	readonly touches?: readonly Touch[] | undefined;
	readonly only?: string | undefined;
}

/** What a person writes to it. */
export interface AttemptNotes {
	readonly name?: string | undefined;
	readonly note?: string | undefined;
	readonly isPinned?: boolean | undefined;
}

/** What a list shows of one. */
export interface AttemptRow extends Omit<Keeping, 'plan' | 'course'>, AttemptNotes {
	readonly summary: AttemptSummary;
	readonly modelVersion: number;
	readonly courseMark: number;
	readonly planHash: string;
	readonly courseHash: string;
	/** Of the recording. */
	readonly bytes: number;
	/** When somebody deleted it, milliseconds since 1970: it may still be wanted back. */
	readonly goneAt?: number | undefined;
}

interface Shape extends DBSchema {
	rows: { key: string; value: AttemptRow; indexes: { planId: string } };
	recordings: { key: string; value: Uint8Array };
	/** Plans and courses, as text. */
	bodies: { key: string; value: string };
}
export type AttemptDatabase = IDBPDatabase<Shape>;

/** @throws where a browser offers no storage */
export const openAttempts = (onTerminated: () => void): Promise<AttemptDatabase> =>
	openDB<Shape>('lantern-step-attempts', 1, {
		upgrade(database) {
			database.createObjectStore('rows', { keyPath: 'id' }).createIndex('planId', 'planId');
			database.createObjectStore('recordings');
			database.createObjectStore('bodies');
		},
		terminated: onTerminated
	});

/** Of a plan, newest first, without those that were deleted. */
export async function attemptRows(
	database: AttemptDatabase,
	planId: string
): Promise<AttemptRow[]> {
	const all = await database.getAllFromIndex('rows', 'planId', planId);
	return all.filter(({ goneAt }) => goneAt === undefined).toSorted(newestFirst);
}

export const newestFirst = (a: AttemptRow, b: AttemptRow): number => b.at - a.at;
