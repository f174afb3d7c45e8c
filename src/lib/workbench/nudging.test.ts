import { describe, expect, it, vi } from 'vitest';
import { legsIn, type Leg } from '$core/attempts/legs';
import { findStep } from '$core/plan/places';
import type { Plan, Step } from '$core/plan/plan';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf, right, step } from '$core/testing/sample';
import { addMessages } from '$lib/i18n';
import { Nudging } from './nudging.svelte';
import type { Refining } from './refining.svelte';
import { deskOf, poolHere } from './testing';
import type { Workbench } from './workbench.svelte';

// With the leaf that says it.
addMessages({ 'nudge.done': 'changed' });

const course = courseOf({ size: { width: 6, height: 6 }, starts: [{ at: [3, 3], bearing: 0 }] });
/** The leg of a step is looked at. */
function nudgingOf(steps: Step[], number: number, more: Partial<Plan> = {}) {
	const plan: Plan = { ...planOf(steps), ...more };
	const { desk, bench } = deskOf(plan);
	const how = { plan, course, variation: 'classroom' as const, seed: 3 };
	const attempt = simulate(how);
	const intended = simulate({ ...how, variation: 'ideal' });
	const legs: readonly Leg[] = legsIn(attempt, attempt.runs[0]!, intended);
	const chosen = legs.find(({ span }) => span.number === number) ?? null;
	const rehearsed: (number | undefined)[] = [];
	const player = { attempt, pause: () => {}, seek: () => {} };
	const runs = {
		player,
		hasChanged: false,
		isLive: false,
		rehearse: async (_: undefined, seed: number) => void rehearsed.push(seed)
	};
	Object.assign(bench, { course, runs, player, variation: 'classroom' });
	const refining = { legs, chosen, look: async () => {}, choose: () => {} };
	const nudging = new Nudging(
		bench as unknown as Workbench,
		refining as unknown as Refining,
		poolHere().pool
	);
	const valueOf = (at: number, name: string) => findStep(bench.plan, steps[at]!.id)!.values[name];
	return { nudging, desk, valueOf, rehearsed, to: chosen?.span.to };
}

const settled = (nudging: Nudging) => vi.waitFor(() => expect(nudging.ghost).not.toBeNull());

describe('pulling the end of a leg', () => {
	it('is one edit of rounded numbers, rehearsed by the same chance, and undone by one', async () => {
		const { nudging, desk, valueOf, rehearsed, to } = nudgingOf([go(0.4), right(90), go(0.4)], 3);
		nudging.pull({ x: to!.x + 0.1, y: to!.y });
		await settled(nudging);
		expect(nudging.isOutOfReach).toBe(false);
		expect(nudging.turned.map(({ knob }) => knob.name)).toEqual(['angle', 'distance']);
		expect(valueOf(2, 'distance')).toBe(0.4);
		await nudging.take();
		expect(valueOf(2, 'distance')).toBe(0.5);
		expect(rehearsed).toEqual([3]);
		expect(nudging.goal).toBeNull();
		desk.undo();
		expect(valueOf(2, 'distance')).toBe(0.4);
		expect(valueOf(1, 'angle')).toBe(90);
	});

	it('goes by keys, and is left alone where it is dropped', async () => {
		const { nudging, valueOf, rehearsed } = nudgingOf([go(0.4), right(90)], 2);
		expect(nudging.isDirection).toBe(true);
		nudging.move(0, 0, -Math.PI / 180);
		nudging.move(0, 0, (-9 * Math.PI) / 180);
		await vi.waitFor(() => expect(nudging.turned[0]?.value).toBeGreaterThan(96));
		expect(nudging.turned[0]!.value).toBeLessThan(103);
		nudging.drop();
		expect(nudging.turned).toEqual([]);
		await nudging.take();
		expect(valueOf(1, 'angle')).toBe(90);
		expect(rehearsed).toEqual([]);
		// Taken up again before the search for it has ended.
		nudging.move(0, 0, 0.5);
		nudging.drop();
		nudging.move(0, 0, (-10 * Math.PI) / 180);
		await vi.waitFor(() => expect(nudging.turned[0]?.value).toBeGreaterThan(96));
		expect(nudging.turned[0]!.value).toBeLessThan(104);
	});

	it('turns to the other side rather than by less than nothing', async () => {
		const { nudging, valueOf } = nudgingOf([go(0.4)], 1);
		nudging.pull({ x: 3, y: 3.1 });
		nudging.pull({ x: 3, y: 2.8 });
		// Nobody waits for a ghost: what counts is where it was let go.
		await nudging.take();
		expect(valueOf(0, 'direction')).toBe('back');
		expect(valueOf(0, 'distance')).toBe(0.2);
	});

	it('says what is out of reach, and has nothing to pull where a helper is off or a number worked out', async () => {
		const far = nudgingOf([right(90), go(0.4)], 2);
		far.nudging.pull({ x: 3, y: 60 });
		await settled(far.nudging);
		expect(far.nudging.isOutOfReach).toMatchObject({ name: 'distance' });
		const off = nudgingOf([go(0.4)], 1, { helpersOff: ['nudge'] });
		expect(off.nudging.leg).toBeNull();
		const distance = { expression: 'random(40, 40) * cm' };
		const worked = nudgingOf([step('go', { direction: 'forward', distance, speed: 0.4 })], 1);
		expect(worked.nudging.leg).not.toBeNull();
		expect(worked.nudging.knobs).toEqual([]);
		worked.nudging.pull({ x: 3, y: 3.5 });
		expect(worked.nudging.goal).toBeNull();
	});
});
