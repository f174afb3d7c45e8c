import { afterEach, expect, it } from 'vitest';
import type { Plan } from '$core/plan/plan';
import { simulate } from '$core/simulation/simulate';
import { go, planOf } from '$core/testing/sample';
import { knownRobots } from '$lib/robots/known.svelte';
import { Measuring, type MeasuringBench } from './measuring.svelte';

const robot = planOf([go(0.5)]).robots[0]!;
afterEach(() => knownRobots.setMeasures(robot, []));

function opened() {
	const ran: Plan[] = [];
	const player = {
		attempt: { source: { type: 'run' } },
		run: { trace: { columns: { battery: [0.75] } } }
	};
	const openLive = async () => ({ runAlone: async (plan: Plan) => ran.push(plan) > 0 });
	const bench = { robot, variation: 'ideal', parameters: undefined, player, openLive };
	const measuring = new Measuring(bench as unknown as MeasuringBench, async (of) => simulate(of));
	return { measuring, ran };
}

it('a move is rehearsed, run alone, measured, and makes the line with a second one', async () => {
	const { measuring, ran } = opened();
	measuring.choose('goFor');
	measuring.speed = 0.4;
	await measuring.foresee();
	// 40 % of 0.5 m/s for 2 s, but for what it takes to get up to speed and to stand.
	expect(measuring.rehearsed).toBeCloseTo(0.4, 1);
	await measuring.run();
	expect(ran[0]!.chains[0]!.steps.map(({ kind, values }) => [kind, values.speed])).toEqual([
		['goFor', 0.4]
	]);
	expect(measuring.note()).toBe(false);
	measuring.value = 0.38;
	expect(measuring.note()).toBe(true);
	expect(measuring.measures).toMatchObject([
		{ kind: 'goFor', speed: 0.4, amount: 2, value: 0.38, battery: 0.75 }
	]);
	expect(measuring.lines).toEqual([]);
	measuring.speed = 0.8;
	measuring.value = 0.78;
	measuring.note();
	expect(measuring.lines[0]!.line.slope).toBeCloseTo(0.5, 9);
	measuring.remove(measuring.measures[0]!);
	expect(measuring.lines).toEqual([]);
});

it('what is told is what people begin with, until somebody says otherwise', () => {
	const { measuring } = opened();
	measuring.choose('turn');
	expect([measuring.amount, measuring.hasSpeed, measuring.isOfTurn]).toEqual([90, false, true]);
	measuring.tell(180);
	measuring.tell(NaN);
	expect(measuring.amount).toBe(180);
	measuring.choose('go');
	expect([measuring.amount, measuring.hasSpeed, measuring.isOfTurn]).toEqual([1, true, false]);
});
