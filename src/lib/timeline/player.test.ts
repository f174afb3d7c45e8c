import { afterEach, expect, it, vi } from 'vitest';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf } from '$core/testing/sample';
import { Player } from './player.svelte';

afterEach(() => vi.unstubAllGlobals());

it('never goes back, though its first frame began before the press that starts it', () => {
	let frame: FrameRequestCallback = () => {};
	vi.stubGlobal('requestAnimationFrame', (callback: FrameRequestCallback) => {
		frame = callback;
		return 1;
	});
	vi.stubGlobal('cancelAnimationFrame', () => {});
	const player = new Player();
	const plan = planOf([go(0.3)]);
	player.show(simulate({ plan, course: courseOf(), variation: 'ideal', seed: 1, isWatched: true }));
	const pressed = performance.now();
	player.play();
	frame(pressed - 8);
	expect(player.time).toBe(0);
	expect(player.unread.floorColour).toBe(player.run!.unread.floorColour![0]);
	frame(pressed + 492);
	expect(player.time).toBeCloseTo(0.5, 6);
});
