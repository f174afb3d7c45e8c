/** What is rehearsed is what stands there once it is all there. */
import { expect, it, vi } from 'vitest';
import { courseOf, planOf } from '$core/testing/sample';
import { rehearse } from './rehearser';
import { Runs } from './runs.svelte';
import type { Voice } from './voice.svelte';

vi.mock('./rehearser', () => ({ rehearse: vi.fn(() => null), stopAll() {}, stopRehearsing() {} }));

const stand = {
	...{ plan: planOf([]), course: courseOf(), courseId: 'ferry-rail', variation: 'ideal' as const },
	...{ live: null, arrived: Promise.resolve() }
};

it('says of a rehearsal that it has halted, of a robot nothing before it stands', () => {
	const announce = vi.fn();
	new Runs(stand, { announce } as unknown as Voice, () => {}).halt();
	expect(announce.mock.calls).toEqual([['Halted.']]);
	const live = { halt: () => true };
	new Runs({ ...stand, live }, { announce } as unknown as Voice, () => {}).halt();
	expect(announce).toHaveBeenCalledTimes(1);
});

it('waits for the course that was chosen', async () => {
	let arrive = () => {};
	const arriving = { ...stand, arrived: new Promise<void>((done) => (arrive = done)) };
	const rehearsing = new Runs(arriving, {} as Voice, () => {}).rehearse();
	const chosen = { ...courseOf(), name: 'Ferry rail' };
	arriving.course = chosen;
	arrive();
	await rehearsing;
	expect(vi.mocked(rehearse).mock.calls.map(([{ course }]) => course)).toEqual([chosen]);
});
