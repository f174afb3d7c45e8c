/**
 * Drafts kept on the device (IndexedDB) until the server has them. Each tab has its own, so that two
 * tabs never overwrite each other's.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
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

const open = () =>
	openDB<Shape>('lantern-step', 1, {
		upgrade: (database) => void database.createObjectStore('drafts', { keyPath: ['id', 'tab'] })
	});

let opened: Promise<IDBPDatabase<Shape> | null> | undefined;

/** Null where a browser offers no storage, as some do in private windows: the server still saves. */
const device = () => (opened ??= open().catch(() => null));

export async function keepDraft({ id, tab, save }: Draft): Promise<void> {
	await (await device())?.put('drafts', { id, tab, text: JSON.stringify(save) });
}

/** Drops a draft that the server has, unless a newer one took its place meanwhile. */
export async function dropDraft(id: string, tab: string, saveId: string): Promise<void> {
	const transaction = (await device())?.transaction('drafts', 'readwrite');
	if (!transaction) return;
	const draft = await transaction.store.get([id, tab]);
	if (draft && draftOf(draft).save.saveId === saveId) await transaction.store.delete([id, tab]);
	await transaction.done;
}

export async function findDraft(id: string, tab: string): Promise<Draft | undefined> {
	const kept = await (await device())?.get('drafts', [id, tab]);
	return kept && draftOf(kept);
}

/** All drafts on this device, of whatever tab. */
export const allDrafts = async (): Promise<Draft[]> =>
	((await (await device())?.getAll('drafts')) ?? []).map(draftOf);
