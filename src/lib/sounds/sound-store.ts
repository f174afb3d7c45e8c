/**
 * Sounds that people have recorded, on this device (IndexedDB) and on the server: each once, by the
 * hash of its file. What the server does not have yet waits here until it can be sent.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { recordingsIn, type Plan } from '$core/plan/plan';
import { hashOfWav, toBase64 } from '$core/sounds/travelling';

interface Kept {
	readonly id: string;
	readonly wav: Uint8Array<ArrayBuffer>;
	readonly isSent: boolean;
}

interface Shape extends DBSchema {
	sounds: { key: string; value: Kept };
}

const pathOf = (id: string): string => `/api/sounds/${id}`;

let opened: Promise<IDBPDatabase<Shape>> | undefined;
/** Where a browser offers no database, or it is full, they stay in this page. */
const here = new Map<string, Kept>();

async function database(): Promise<IDBPDatabase<Shape> | null> {
	const again = () => (opened = undefined);
	try {
		return await (opened ??= openDB<Shape>('lantern-step-sounds', 1, {
			upgrade: (made) => void made.createObjectStore('sounds', { keyPath: 'id' }),
			terminated: again
		}));
	} catch {
		again();
		return null;
	}
}

async function put(kept: Kept): Promise<void> {
	here.set(kept.id, kept);
	try {
		await (await database())?.put('sounds', kept);
	} catch (error) {
		console.warn(error);
	}
}

async function onDevice(id: string): Promise<Kept | undefined> {
	const known = here.get(id);
	if (known) return known;
	try {
		return await (await database())?.get('sounds', id);
	} catch {
		return undefined;
	}
}

/** Keeps a sound on this device. @returns its hash */
export async function keepSound(wav: Uint8Array<ArrayBuffer>): Promise<string> {
	const id = hashOfWav(wav);
	if (!(await onDevice(id))) await put({ id, wav, isSent: false });
	return id;
}

/** The file of a sound: from this device, or else from the server. Null where neither has it. */
export async function wavOfSound(id: string): Promise<Uint8Array<ArrayBuffer> | null> {
	const kept = await onDevice(id);
	if (kept) return kept.wav;
	try {
		const response = await fetch(pathOf(id));
		if (!response.ok) return null;
		const wav = new Uint8Array(await response.arrayBuffer());
		if (hashOfWav(wav) !== id) return null;
		await put({ id, wav, isSent: true });
		return wav;
	} catch {
		return null;
	}
}

/** Sends what the server does not have of these. What cannot be sent now is sent with the next save. */
export async function sendSounds(ids: readonly string[]): Promise<void> {
	for (const id of ids) {
		const kept = await onDevice(id);
		if (!kept || kept.isSent) continue;
		const headers = { 'content-type': 'application/json' };
		const body = JSON.stringify({ wav: toBase64(kept.wav) });
		try {
			const response = await fetch(pathOf(id), { method: 'PUT', headers, body });
			if (response.ok) await put({ ...kept, isSent: true });
		} catch {
			return;
		}
	}
}

/** Has all sounds of a plan on this device, so that they are there without a network, too. */
export async function holdSounds(plan: Plan): Promise<void> {
	for (const { id } of recordingsIn(plan)) await wavOfSound(id);
}
