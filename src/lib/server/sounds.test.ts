import { createHash } from 'node:crypto';
import { expect, it } from 'vitest';
import { writeClip } from '$core/sounds/clip';
import { wavOf } from '$core/sounds/wav';
import { planOf, step } from '$core/testing/sample';
import { setDeleted } from './documents/change';
import { openDocument } from './documents/list';
import { done, id, saveTo } from './documents/testing';
import { keptDays, tidyUp } from './documents/upkeep';
import { goBack, listVersions } from './documents/versions';
import { takeName } from './people';
import { fetchSound, storeSound } from './sounds';
import { saveOf, withDatabase } from './testing';

const wavWith = (level: number) => Buffer.from(wavOf(new Int16Array(800).fill(level)));
const idOf = (wav: Buffer) => createHash('sha256').update(wav).digest('hex');
const day = 24 * 3600 * 1000;

it('a sound is kept once, and only as what it says it is', () =>
	withDatabase(async () => {
		const wav = wavWith(100);
		done(await storeSound(idOf(wav), wav));
		done(await storeSound(idOf(wav), wav));
		expect(await fetchSound(idOf(wav))).toEqual(wav);
		const other = wavWith(200);
		expect(await storeSound(idOf(wav), other)).toMatchObject({ failure: { key: 'sound.damaged' } });
		const text = Buffer.from('no sound at all');
		expect(await storeSound(idOf(text), text)).toMatchObject({ failure: { key: 'sound.notWav' } });
		const fast = wavWith(300);
		fast.writeUInt32LE(44_100, 24);
		expect(await storeSound(idOf(fast), fast)).toMatchObject({ failure: { key: 'sound.notOurs' } });
	}));

it('what no plan plays goes after its time, and what one in the bin plays goes after that', () =>
	withDatabase(async () => {
		const [played, unused] = [wavWith(1), wavWith(2)];
		for (const wav of [played, unused]) done(await storeSound(idOf(wav), wav));
		const clip = writeClip({ id: idOf(played), samples: 800, pitch: 440, name: 'Beacon' });
		const content = planOf([step('clip', { clip, then: 'wait' })]);
		await saveTo(saveOf('', 0, { work: { kind: 'plan', content } }));
		const there = async (days: number) => {
			await tidyUp(Date.now() + days * day);
			return [await fetchSound(idOf(played)), await fetchSound(idOf(unused))].map(Boolean);
		};
		expect(await there(keptDays - 1)).toEqual([true, true]);
		expect(await there(keptDays + 1)).toEqual([true, false]);
		done(await setDeleted(id, true));
		expect(await there(keptDays - 1)).toEqual([true, false]);
		expect(await there(keptDays + 1)).toEqual([false, false]);
	}));

it('what only an earlier version plays is kept, and there again in it', () =>
	withDatabase(async () => {
		const wav = wavWith(3);
		done(await storeSound(idOf(wav), wav));
		const clip = writeClip({ id: idOf(wav), samples: 800, pitch: 440, name: 'Beacon' });
		const content = planOf([step('clip', { clip, then: 'wait' })]);
		const [ada, piet] = [done(await takeName('Ada')).id, done(await takeName('Piet')).id];
		await saveTo(saveOf('', 0, { work: { kind: 'plan', content } }), id, ada);
		await saveTo(saveOf('silent', 1), id, piet);
		await tidyUp(Date.now() + (keptDays + 1) * day);
		expect(await fetchSound(idOf(wav))).toEqual(wav);
		const [version] = (await listVersions(id))!;
		done(await goBack(id, version!.id, ada));
		expect(JSON.stringify((await openDocument(id, 'plan'))!)).toContain(idOf(wav));
	}));
