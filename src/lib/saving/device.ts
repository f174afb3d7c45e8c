/**
 * Drafts kept on the device until the server has them. Each tab has its own, so that two tabs never
 * overwrite each other's. They are kept in the browser's database (IndexedDB). Where that is missing,
 * full, or too slow for a page that is leaving, they are kept as text in its small store, which is
 * written at once and holds a few MB; a draft there is newer than one in the database.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { store, stored, storedKeys, unstore } from '$lib/storage';
import type { Save } from './protocol';

export interface Draft {
	/** The document it belongs to. */
	readonly id: string;
	readonly tab: string;
	readonly save: Save;
}

/** A long save is kept as text: the browser copies that several times faster than its objects. */
interface Kept {
	readonly id: string;
	readonly tab: string;
	readonly text: string;
}

/** Devices may still hold what an earlier version of the app has kept, which was the draft itself. */
interface Shape extends DBSchema {
	drafts: { key: [string, string]; value: Kept | Draft };
}

const draftOf = (kept: Kept | Draft): Draft =>
	'save' in kept ? kept : { ...kept, save: JSON.parse(kept.text) as Save };

const smallKeys = 'lantern-draft ';
const smallKey = (id: string, tab: string): string => `${smallKeys}${id} ${tab}`;

function inSmall(id: string, tab: string): Draft | undefined {
	const text = stored(smallKey(id, tab));
	try {
		return text === null ? undefined : { id, tab, save: JSON.parse(text) as Save };
	} catch {
		// Not ours, whatever it is.
		return undefined;
	}
}

const allSmall = (of?: string): Draft[] =>
	storedKeys(of === undefined ? smallKeys : smallKey(of, '')).flatMap((key) => {
		const [id = '', tab = ''] = key.slice(smallKeys.length).split(' ');
		return inSmall(id, tab) ?? [];
	});

let opened: Promise<IDBPDatabase<Shape>> | undefined;

function open(): Promise<IDBPDatabase<Shape>> {
	const again = () => (opened = undefined);
	const opening = openDB<Shape>('lantern-step', 1, {
		upgrade: (database) => void database.createObjectStore('drafts', { keyPath: ['id', 'tab'] }),
		terminated: again
	});
	opening.catch(again);
	return opening;
}

/** Null where a browser offers no database, as some do in private windows. */
const database = async (): Promise<IDBPDatabase<Shape> | null> => {
	try {
		return await (opened ??= open());
	} catch {
		return null;
	}
};

/** For a page that has no time left, and a device without a database. @returns whether it is kept */
export const keepDraftAtOnce = ({ id, tab, save }: Draft): boolean =>
	store(smallKey(id, tab), JSON.stringify(save));

/** @returns whether it is kept */
export async function keepDraft(draft: Draft): Promise<boolean> {
	const { id, tab, save } = draft;
	try {
		const place = await database();
		if (!place) return keepDraftAtOnce(draft);
		await place.put('drafts', { id, tab, text: JSON.stringify(save) });
		unstore(smallKey(id, tab));
		return true;
	} catch {
		return keepDraftAtOnce(draft);
	}
}

/** Drops a draft that the server has, and what came before it, but never a newer one. */
export async function dropDraft(id: string, tab: string, saved: Save): Promise<void> {
	const isSaved = ({ save: { saveId } }: Draft) =>
		saveId === saved.saveId || saved.unanswered.includes(saveId);
	const small = inSmall(id, tab);
	if (small && isSaved(small)) unstore(smallKey(id, tab));
	try {
		const transaction = (await database())?.transaction('drafts', 'readwrite');
		if (!transaction) return;
		const kept = await transaction.store.get([id, tab]);
		if (kept && isSaved(draftOf(kept))) await transaction.store.delete([id, tab]);
		await transaction.done;
	} catch (error) {
		// It stays, and is sent once more: the server knows it by its id.
		console.warn(error);
	}
}

/** The drafts on this device, of whatever tab; of two of one tab the newer one. @param of this document alone */
export async function allDrafts(of?: string): Promise<Draft[]> {
	const small = allSmall(of);
	const isOlder = ({ id, tab }: Draft) => small.some((one) => one.id === id && one.tab === tab);
	try {
		const place = await database();
		const range = of !== undefined && place ? IDBKeyRange.bound([of], [of, []]) : null;
		const kept = (await place?.getAll('drafts', range)) ?? [];
		return [...small, ...kept.map(draftOf).filter((draft) => !isOlder(draft))];
	} catch (error) {
		console.warn(error);
		return small;
	}
}
