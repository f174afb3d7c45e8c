import { expect, it } from 'vitest';
import type { Advice } from '$core/analysis/advice';
import { courseOf, go, planOf } from '$core/testing/sample';
import { addMessages } from '$lib/i18n';
import { Advising, type Adviser } from './advising.svelte';
import { deskOf, idsOf } from './testing';

addMessages({ 'advice.taken': 'Advice taken.' });

const arrivals = { successes: 9, count: 10, interval: [0.6, 0.98] as const };

function opened() {
	const { bench, desk } = deskOf(planOf([go(0.5)]));
	const [step] = idsOf(desk.document) as [string];
	const edit = { type: 'setValue', step, name: 'distance', value: 0.4 } as const;
	const advice: Advice = { changes: [], edit, plan: desk.document, arrivals };
	let answer = (): void => {};
	let ended = 0;
	let rehearsed = 0;
	const adviser = (): Adviser => ({
		async advise(_, onProgress) {
			onProgress(0.5);
			await new Promise<void>((done) => (answer = done));
			return { now: arrivals, advice: [advice] };
		},
		end: () => (ended += 1)
	});
	const stand = { course: courseOf(), variation: 'classroom', parameters: undefined };
	const runs = { rehearse: async () => (rehearsed += 1) };
	const own = Object.assign(bench, stand, { runs }) as unknown as typeof bench;
	const advising = new Advising(own, adviser);
	return {
		advising,
		desk,
		advice,
		answer: () => answer(),
		ended: () => ended,
		rehearsed: () => rehearsed
	};
}

it('advice is of the plan as it stands, and taken as one edit that can be undone', async () => {
	const { advising, desk, advice, answer, ended, rehearsed } = opened();
	const finding = advising.find();
	expect(advising.progress).toBe(0.5);
	answer();
	await finding;
	expect(advising.progress).toBeNull();
	expect(advising.advised?.advice).toEqual([advice]);
	const before = JSON.stringify(desk.document);
	await advising.take(advice);
	expect([rehearsed(), ended()]).toEqual([1, 1]);
	expect(advising.advised).toBeNull();
	desk.undo();
	expect(JSON.stringify(desk.document)).toBe(before);
});

it('what is stopped, or switched off, tells nothing', async () => {
	const { advising, desk, answer, ended } = opened();
	const finding = advising.find();
	advising.stop();
	answer();
	await finding;
	expect([advising.advised, ended()]).toEqual([null, 1]);
	desk.edit({ type: 'setHelpers', off: ['advice'] }, '');
	await advising.find();
	expect(advising.progress).toBeNull();
});
