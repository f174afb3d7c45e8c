import { createHash } from 'node:crypto';
import { afterEach, expect, it, vi } from 'vitest';
import type { SentAttempt } from '$core/attempts/kept';
import { database } from '../database/database';
import { saveTo } from '../documents/testing';
import { takeName } from '../people';
import { saveOf, withDatabase } from '../testing';
import {
	changeAttempt,
	fetchAttempt,
	keepAttempt,
	listAttempts,
	newestAttempts,
	tidyAttempts
} from './attempts';

const hashOf = (text: string) => createHash('sha256').update(text).digest('hex');
const [plan, course] = ['{"plan":1}', '{"course":1}'];

let count = 0;
const sent = (changes: Partial<SentAttempt> = {}): SentAttempt => ({
	planId: 'quay',
	courseId: 'c',
	at: (count += 1),
	modelVersion: 3,
	courseMark: 7,
	summary: {
		source: { type: 'run' },
		kind: 'ended',
		reason: { key: 'outcome.ended' },
		seconds: 4,
		reachedFinish: false,
		bumps: 0,
		robots: [{ id: 'r', kind: 'skiff', name: 'Tallow', battery: 0.5, path: '40,40 50,40' }]
	},
	planHash: hashOf(plan),
	courseHash: hashOf(course),
	recording: Buffer.from(`recording ${count}`).toString('base64'),
	bodies: { [hashOf(plan)]: plan, [hashOf(course)]: course },
	...changes
});

const keep = async (
	id: string,
	changes: Partial<SentAttempt> = {},
	person: string | null = null
) => {
	const kept = await keepAttempt(id, sent(changes), person);
	if (!kept.ok) throw new Error(kept.failure.key);
	return kept.value;
};
const ids = async (person: string | null = null) =>
	(await listAttempts('quay', person)).map(({ id }) => id);
const blobs = async () =>
	(await (await database()).statements.select('SELECT hash FROM blobs', [])).length;
const named = async (name: string) => {
	const person = await takeName(name);
	if (!person.ok) throw new Error(person.failure.key);
	return person.value.id;
};

afterEach(() => {
	vi.unstubAllEnvs();
});

it('keeps an attempt whole, its bodies once, and says which are missing', () =>
	withDatabase(async () => {
		expect(await keep('a', { bodies: {} })).toEqual([hashOf(plan), hashOf(course)]);
		expect(await ids()).toEqual([]);
		const whole = sent({
			name: 'First',
			isPinned: true,
			beside: ['a', 'b'],
			only: 'c1',
			touches: [{ time: 1 }]
		});
		await keepAttempt('a', whole, null);
		expect(await keep('b', { bodies: {} })).toEqual([]);
		const { planHash, courseHash, recording, bodies, ...row } = whole;
		void [planHash, courseHash, bodies];
		expect(await fetchAttempt('a', null)).toEqual({
			row: { id: 'a', ...row },
			plan,
			course,
			recording
		});
		expect(await ids()).toEqual(['b', 'a']);
		expect(await fetchAttempt('nobody', null)).toBeNull();
		expect(await keepAttempt('c', sent({ bodies: { [hashOf(plan)]: 'else' } }), null)).toEqual({
			ok: false,
			failure: { key: 'attempt.damaged' }
		});
	}));

it('takes what a person writes, and brings back what was deleted, within an hour', () =>
	withDatabase(async () => {
		await saveTo(saveOf('Quay'));
		const now = Date.now();
		await keep('a', { at: now });
		await keep('b', { at: now - 1 });
		expect(await changeAttempt('a', { note: 'Nearly', isGone: true })).toBe(true);
		expect(await ids()).toEqual(['b']);
		await keep('c', { planId: 'zigzag', at: now - 2 });
		const newest = await newestAttempts(['quay', 'zigzag', 'none'], null);
		expect(newest.map(({ id }) => id).toSorted()).toEqual(['b', 'c']);
		await tidyAttempts();
		expect(await changeAttempt('a', { name: 'Again' })).toBe(true);
		expect(await listAttempts('quay', null)).toMatchObject([
			{ id: 'a', name: 'Again' },
			{ id: 'b' }
		]);
		expect(await blobs()).toBe(5);
		await changeAttempt('a', { isGone: true });
		await tidyAttempts(now + 3_700_000);
		expect(await changeAttempt('a', {})).toBe(false);
		expect(await ids()).toEqual(['b']);
		expect(await blobs()).toBe(3);
	}));

it('gives up the oldest of a person that nobody has pinned', () =>
	withDatabase(async () => {
		vi.stubEnv('LANTERN_ATTEMPTS', '3');
		const maren = await named('Maren');
		await keep('other', {}, maren);
		await keep('pinned', { isPinned: true });
		for (const id of ['a', 'b', 'c', 'd']) await keep(id);
		expect(await ids()).toEqual(['d', 'c', 'b', 'pinned', 'other']);
		vi.stubEnv('LANTERN_ATTEMPT_BYTES', '60');
		await keep('e');
		// Twelve or thirteen bytes each: the pinned one counts first and stays.
		expect(await ids()).toEqual(['e', 'd', 'c', 'pinned', 'other']);
		vi.stubEnv('LANTERN_ATTEMPT_BYTES', '1');
		await keep('f');
		expect(await ids()).toEqual(['pinned', 'other']);
	}));

it("says whose they are, and leaves one person's to that person", () =>
	withDatabase(async () => {
		const [maren, ilse] = [await named('Maren'), await named('Ilse')];
		await keep('a', { name: 'Hers' }, maren);
		await keep('a', { name: 'Taken' }, ilse);
		expect(await listAttempts('quay', ilse)).toMatchObject([{ name: 'Hers', by: 'Maren' }]);
		const [own] = await listAttempts('quay', maren);
		expect(own).not.toHaveProperty('by');
	}));
