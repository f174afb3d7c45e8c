/** The worker that keeps attempts on this device, packs and unpacks them, and carries them to the server. */
import { expose } from 'comlink';
import type { AttemptNotes, ListedAttempt } from '../core/attempts/kept';
import { success } from '../core/sentence';
import type { Attempt } from '../core/simulation/attempt';
import type { AttemptLimits } from './attempt-limits';
import { AttemptPost } from './attempt-post';
import { AttemptShelf, fileOf } from './attempt-shelf';
import type { Keeping } from './attempt-store';
import { handOver } from './hand-over';

const shelf = new AttemptShelf();
const post = new AttemptPost(shelf);

/** The server hears of it soon; nobody waits for that. */
async function told<T>(work: Promise<T>): Promise<T> {
	const done = await work;
	void post.send();
	return done;
}

let isWarm = false;
/** What unpacks is slow for the first time: so that is before somebody waits for it. */
function warmUp(id: string | undefined): void {
	if (isWarm || !id) return;
	isWarm = true;
	setTimeout(() => void shelf.open(id));
}

const service = {
	keep(
		keeping: Keeping,
		attempt: Attempt,
		limits: AttemptLimits,
		notes: AttemptNotes
	): Promise<ListedAttempt | null> {
		shelf.limits = limits;
		return told(shelf.keep(keeping, attempt, notes));
	},
	takeOver: (keeping: Keeping, attempt: Attempt, notes: AttemptNotes) =>
		told(shelf.takeOver(keeping, attempt, notes)),
	/** @returns undefined where this device does not have it */
	find: (id: string): Promise<ListedAttempt | undefined> => shelf.find(id),
	async list(planId: string): Promise<ListedAttempt[]> {
		const rows = await told(shelf.list(planId));
		warmUp(rows[0]?.id);
		return rows;
	},
	listAll: (planId: string) => post.list(planId),
	marked: (kind: string, name: string): Promise<ListedAttempt[]> => shelf.marked(kind, name),
	/** @returns null where this device does not have it, and the server cannot give it */
	mark: (id: string, notes: AttemptNotes): Promise<ListedAttempt | null> =>
		told(post.bring(id).then(() => shelf.mark(id, notes))),
	remove: (id: string): Promise<ListedAttempt | null> =>
		told(post.bring(id).then(() => shelf.remove(id))),
	bringBack: (id: string): Promise<ListedAttempt | null> => told(shelf.bringBack(id)),
	fileOf: async (id: string) => {
		const opened = await post.open(id);
		return opened.ok ? success(fileOf(opened.value)) : opened;
	},
	takeFile: (text: string, place: Parameters<AttemptShelf['takeFile']>[1]) =>
		told(shelf.takeFile(text, place)),
	async open(id: string) {
		const opened = await post.open(id);
		return opened.ok ? handOver(opened, opened.value.attempt) : opened;
	}
};

export type AttemptService = typeof service;

expose(service);
