import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { planSchema } from '$core/plan/plan';
import { writeClip } from '$core/sounds/clip';
import { hashOfWav, soundsFrom } from '$core/sounds/travelling';
import { wavOf } from '$core/sounds/wav';
import { planOf, step } from '$core/testing/sample';

const wavWith = (level: number) => wavOf(new Int16Array(800).fill(level));

/** A server: what it has, and what it was asked. */
const server = new Map<string, Uint8Array>();
let isAway = false;
const asked: string[] = [];

beforeEach(() => {
	server.clear();
	asked.length = 0;
	isAway = false;
	vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
		asked.push(`${init?.method ?? 'GET'} ${path.slice(0, 20)}`);
		if (isAway) throw new TypeError('away');
		const id = path.split('/').at(-1)!;
		if (init?.method === 'PUT') {
			const { wav } = JSON.parse(init.body as string) as { wav: string };
			server.set(id, Uint8Array.from(Buffer.from(wav, 'base64')));
		}
		const found = server.get(id);
		return Promise.resolve(new Response(found?.slice() ?? null, { status: found ? 200 : 404 }));
	});
});
afterEach(() => vi.unstubAllGlobals());

/** The page as it is when it is opened anew on this device. */
async function reopened() {
	vi.resetModules();
	return import('./sound-store');
}

it('a sound is kept on the device, sent once, and sent later where the server was away', async () => {
	const store = await reopened();
	const id = await store.keepSound(wavWith(1));
	isAway = true;
	await store.sendSounds([id]);
	expect(server.size).toBe(0);
	isAway = false;
	const later = await reopened();
	expect(await later.wavOfSound(id)).toEqual(wavWith(1));
	await later.sendSounds([id, id]);
	expect(server.get(id)).toEqual(wavWith(1));
	expect(asked.filter((one) => one.startsWith('PUT'))).toHaveLength(2);
});

it('one of another device comes from the server, and is there without it from then on', async () => {
	const store = await reopened();
	const wav = wavWith(2);
	const id = hashOfWav(wav);
	expect(await store.wavOfSound(id)).toBeNull();
	server.set(id, wavWith(3));
	expect(await store.wavOfSound(id)).toBeNull();
	server.set(id, wav);
	expect(await store.wavOfSound(id)).toEqual(wav);
	isAway = true;
	expect(await (await reopened()).wavOfSound(id)).toEqual(wav);
});

it('a plan takes its sounds along in its file, and what was changed there is refused', async () => {
	const store = await reopened();
	const { withSounds } = await import('./travelling');
	const id = await store.keepSound(wavWith(4));
	const clip = writeClip({ id, samples: 800, pitch: 440, name: 'Beacon' });
	const plan = planOf([
		step('clip', { clip, then: 'wait' }),
		step('clip', { clip: 'gull', then: 'wait' })
	]);
	const file = await withSounds(plan);
	expect(planSchema.parse(JSON.parse(JSON.stringify(file)))).toEqual(file);
	expect(soundsFrom(file.sounds!)).toEqual({ ok: true, value: [wavWith(4)] });
	const changed = { [id]: file.sounds![id]!.replace(/A/g, 'B') };
	expect(soundsFrom(changed)).toMatchObject({ failure: { key: 'sound.damaged' } });
	expect(await withSounds(planOf([]))).not.toHaveProperty('sounds');
});

it('a plan with more recorded sounds than it may have is refused', () => {
	const clip = (id: number) =>
		writeClip({ id: String(id).repeat(64), samples: 160_000, pitch: 440, name: 'a' });
	const plan = (count: number) =>
		planOf(Array.from({ length: count }, (_, i) => step('clip', { clip: clip(i), then: 'wait' })));
	expect(planSchema.safeParse(plan(3)).success).toBe(true);
	expect(planSchema.safeParse(plan(4)).success).toBe(false);
});
