/**
 * Which tabs live, so that nobody sends the drafts of a tab that will send them itself. A tab holds a
 * lock for as long as it lives. Without a certificate, the way a school serves this, a browser offers
 * no locks; there, and everywhere, a tab also beats: it writes the time down every few seconds.
 */
import { store, stored, unstore } from '$lib/storage';
import { newId } from './id';

/** Milliseconds between two beats. */
const beatPause = 2000;
/** Milliseconds after which a tab counts as gone: one that is hidden may beat but once a minute. */
export const beatLife = 75_000;

const lockOf = (tab: string): string => `lantern-tab-${tab}`;
const beatOf = (tab: string): string => `lantern-beat-${tab}`;
const storageKey = 'lantern-tab';

let own: Promise<string> | undefined;

/** The name of this tab: the same after a reload, another one in a duplicated tab. */
export const thisTab = (): Promise<string> => (own ??= takeTab());

/** The same once it is told; before that a name that no other tab has. */
let known: string | undefined;
export const thisTabNow = (): string => (known ??= newId());

async function takeTab(): Promise<string> {
	const before = namedBefore();
	const tab = before && (await hold(before)) ? before : newId();
	if (tab !== before) {
		rename(tab);
		await hold(tab);
	}
	beatOn(tab);
	return (known = tab);
}

/** Where a browser blocks its stores, a tab has a new name after each reload. */
function namedBefore(): string | null {
	try {
		return sessionStorage.getItem(storageKey);
	} catch {
		return null;
	}
}

function rename(tab: string): void {
	try {
		sessionStorage.setItem(storageKey, tab);
	} catch {
		// As above.
	}
}

/** Takes the lock of this tab for as long as the page lives. @returns whether it was free */
function hold(tab: string): Promise<boolean> {
	if (!navigator.locks) return Promise.resolve(isReload() || !beats(tab));
	return new Promise((resolve) => {
		void navigator.locks.request(lockOf(tab), { ifAvailable: true }, (lock) => {
			resolve(lock !== null);
			return lock ? new Promise<void>(() => {}) : undefined;
		});
	});
}

/** A page that is loaded again after a crash finds its own last beat. */
const isReload = (): boolean =>
	performance
		.getEntriesByType('navigation')
		.some((entry) => (entry as PerformanceNavigationTiming).type === 'reload');

const beats = (tab: string): boolean => Date.now() - Number(stored(beatOf(tab)) ?? 0) < beatLife;

function beatOn(tab: string): void {
	const beat = () => void store(beatOf(tab), String(Date.now()));
	beat();
	setInterval(beat, beatPause);
	addEventListener('pageshow', beat);
	addEventListener('pagehide', () => unstore(beatOf(tab)));
}

/** Whether some page, perhaps this one, is that tab. */
export async function livingTabs(): Promise<(tab: string) => boolean> {
	if (!navigator.locks) return beats;
	const { held = [] } = await navigator.locks.query();
	const alive = new Set(held.map((lock) => lock.name));
	return (tab) => alive.has(lockOf(tab));
}
