/** What is rehearsed is what stands there once it is all there. */
import { expect, it, vi } from 'vitest';
import { courseOf, planOf } from '$core/testing/sample';
import { rehearse } from './rehearser';
import { Runs } from './runs.svelte';
import type { Voice } from './voice.svelte';

vi.mock('./rehearser', () => ({ rehearse: vi.fn(() => null), stopAll() {}, stopRehearsing() {} }));

it('waits for the course that was chosen', async () => {
	let arrive = () => {};
	const stand = {
		plan: planOf([]),
		course: courseOf(),
		courseId: 'ferry-rail',
		variation: 'ideal' as const,
		live: null,
		arrived: new Promise<void>((done) => (arrive = done))
	};
	const rehearsing = new Runs(stand, {} as Voice, () => {}).rehearse();
	const chosen = { ...courseOf(), name: 'Ferry rail' };
	stand.course = chosen;
	arrive();
	await rehearsing;
	expect(vi.mocked(rehearse).mock.calls.map(([{ course }]) => course)).toEqual([chosen]);
});
