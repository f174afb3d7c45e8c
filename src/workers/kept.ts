/**
 * Runs kept on this device (IndexedDB) as they come, since nobody can have them again: what was
 * recorded before the page was closed, or the power went, is still there.
 */
import { openDB, type DBSchema } from 'idb';
import type { LiveNews } from '../core/live/live-news';
import type { Plan } from '../core/plan/plan';

/** Runs of one plan that are kept; older ones make room. */
const mostKept = 20;
/** Milliseconds of news that are written at once. */
const writeEvery = 400;

/** What a run was of. */
export interface KeptRun {
	readonly id: string;
	readonly planId: string;
	readonly courseId: string | null;
	/** Milliseconds since 1970 at which it began. */
	readonly at: number;
	readonly plan: Plan;
	/** Of the course as it was, where the page knew it. */
	readonly courseMark?: number;
}

interface Shape extends DBSchema {
	runs: { key: string; value: KeptRun; indexes: { planId: string } };
	news: { key: [string, number]; value: { id: string; number: number; news: readonly LiveNews[] } };
}

const opening = () =>
	openDB<Shape>('lantern-step-runs', 1, {
		upgrade(database) {
			database.createObjectStore('runs', { keyPath: 'id' }).createIndex('planId', 'planId');
			database.createObjectStore('news', { keyPath: ['id', 'number'] });
		}
	});
let opened: ReturnType<typeof opening> | undefined;
/** Undefined where a browser offers no storage: the run is then shown, and not kept, which is said. */
const device = () => (opened ??= opening()).catch(() => undefined);

/** @returns whether the device has it */
export async function keepRun(run: KeptRun): Promise<boolean> {
	try {
		const database = await device();
		if (!database) return false;
		await database.put('runs', run);
		const all = await runsOf(run.planId);
		for (const old of all.slice(mostKept)) await forget(old.id);
		return true;
	} catch {
		return false;
	}
}

export async function forget(id: string): Promise<void> {
	const database = await device();
	await database?.delete('runs', id);
	await database?.delete('news', IDBKeyRange.bound([id, 0], [id, Infinity]));
}

/** Writes the news of one run, some at once. */
export class NewsWriter {
	private waiting: LiveNews[] = [];
	private number = 0;
	private timer: ReturnType<typeof setTimeout> | undefined;

	/** @param onUnkept told once the device does not take what came */
	constructor(
		private readonly id: string,
		private readonly onUnkept: () => void
	) {}

	/** @param isLast nothing more comes of this run */
	add(news: LiveNews, isLast: boolean): void {
		this.waiting.push(news);
		if (!isLast && this.timer) return;
		clearTimeout(this.timer);
		this.timer = setTimeout(() => void this.write(), isLast ? 0 : writeEvery);
	}

	private async write(): Promise<void> {
		this.timer = undefined;
		const news = this.waiting;
		this.waiting = [];
		const { id } = this;
		try {
			const database = await device();
			if (!database) return this.onUnkept();
			await database.put('news', { id, number: this.number, news });
			this.number += 1;
		} catch {
			// With the next ones it is tried again.
			this.waiting = [...news, ...this.waiting];
			this.onUnkept();
		}
	}
}

/** Of a plan, newest first. */
export async function runsOf(planId: string): Promise<KeptRun[]> {
	const all = (await (await device())?.getAllFromIndex('runs', 'planId', planId)) ?? [];
	return all.toSorted((a, b) => b.at - a.at);
}

export async function newsOf(id: string): Promise<LiveNews[]> {
	const range = IDBKeyRange.bound([id, 0], [id, Infinity]);
	const kept = (await (await device())?.getAll('news', range)) ?? [];
	return kept.flatMap(({ news }) => news);
}
