/** Where attempts lie on this device (IndexedDB), told without what packs them: home looks there, too. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { ListedAttempt } from '../core/attempts/kept';
import type { Course } from '../core/course/course';
import type { Plan } from '../core/plan/plan';
import type { Touch } from '../core/simulation/touch';

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

/** A row of this device: what a list shows of one, and where the rest of it lies. */
export interface AttemptRow extends ListedAttempt {
	readonly planHash: string;
	readonly courseHash: string;
	/** Of the recording. */
	readonly bytes: number;
	/** When somebody deleted it, milliseconds since 1970: it may still be wanted back. */
	readonly goneAt?: number | undefined;
	/** One more with each change, and what the server has of it. */
	readonly change?: number | undefined;
	readonly sent?: OnServer | undefined;
}

export interface OnServer {
	readonly change: number;
	/** The server has it whole, and not only word that it does not take it. */
	readonly isWhole: boolean;
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

export const newestFirst = (a: ListedAttempt, b: ListedAttempt): number => b.at - a.at;
