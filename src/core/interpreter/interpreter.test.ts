import { describe, expect, it } from 'vitest';
import type { Plan } from '../plan/plan';
import { rehearseAlone } from '../testing/alone';
import { courseOf, go, lamp, planOf, repeat, step, tone, trigger, wait } from '../testing/sample';

const rehearse = (plan: Plan, limit?: number) =>
	rehearseAlone({ plan, course: courseOf(), variation: 'ideal', seed: 1, limit });

const spansOf = (plan: Plan) =>
	rehearse(plan).spans.map(({ kind, number, start, end }) => ({ kind, number, start, end }));

describe('chains in virtual time', () => {
	it('reports start, end and values of each step, loops around their rounds', () => {
		const plan = planOf([repeat(2, [wait(0.5), repeat(2, [wait(0.25)])]), lamp('#38d39f')]);
		expect(spansOf(plan)).toEqual([
			{ kind: 'wait', number: 2, start: 0, end: 0.5 },
			{ kind: 'wait', number: 4, start: 0.5, end: 0.75 },
			{ kind: 'wait', number: 4, start: 0.75, end: 1 },
			{ kind: 'repeat', number: 3, start: 0.5, end: 1 },
			{ kind: 'wait', number: 2, start: 1, end: 1.5 },
			{ kind: 'wait', number: 4, start: 1.5, end: 1.75 },
			{ kind: 'wait', number: 4, start: 1.75, end: 2 },
			{ kind: 'repeat', number: 3, start: 1.5, end: 2 },
			{ kind: 'repeat', number: 1, start: 0, end: 2 },
			{ kind: 'lamp', number: 5, start: 2, end: 2 }
		]);
		expect(rehearse(plan).spans[0]!.values).toEqual({ duration: 0.5 });
	});

	it('runs lit chains side by side and leaves unlit ones alone', () => {
		const blinking = { id: 'blink', trigger: trigger(), steps: [wait(0.25), lamp('#4aa8ff')] };
		const loose = { id: 'loose', trigger: null, steps: [tone(440, 1)] };
		const plan = planOf([go(0.3)]);
		const attempt = rehearse({ ...plan, chains: [...plan.chains, blinking, loose] });
		const { time, columns } = attempt.trace;
		const [colour, speed] = [columns.leftLamp!, columns.speed!];
		const changed = colour.findIndex((value) => value === 0x4aa8ff);
		expect(time[changed]).toBeCloseTo(0.25, 5);
		expect(speed[changed]).toBeGreaterThan(0.05);
		expect(attempt.tones).toEqual([]);
	});

	it('loses no time between waits, timed moves and tones that end between two ticks', () => {
		const seconds = (...steps: Parameters<typeof planOf>[0]) =>
			rehearse(planOf(steps)).outcome.seconds;
		expect(seconds(repeat(100, [wait(0.01)]))).toBeCloseTo(1, 9);
		expect(seconds(repeat(1000, [wait(0.001)]))).toBeCloseTo(1, 9);
		expect(seconds(repeat(20, [tone(440, 0.05)]))).toBeCloseTo(1, 9);
		const move = (duration: number) =>
			step('goFor', { direction: 'forward', duration, speed: 0.4, ending: 'brake', then: 'goOn' });
		const wayOf = (...steps: Parameters<typeof planOf>[0]) =>
			rehearse(planOf(steps)).trace.y.at(-1)!;
		expect(wayOf(repeat(200, [move(0.01)]))).toBeCloseTo(wayOf(move(2)), 9);
		expect(wayOf(move(2)) - 0.4).toBeCloseTo(0.4, 3);
	});

	it('ends at once when nothing is lit', () => {
		const plan = planOf([go(0.3)]);
		const unlit = { ...plan, chains: plan.chains.map((chain) => ({ ...chain, trigger: null })) };
		expect(rehearse(unlit)).toMatchObject({ ticks: 0, spans: [], outcome: { kind: 'ended' } });
	});

	it('lets a loop that never waits neither hang nor starve the others', () => {
		const busy = repeat(1000, [repeat(1000, [repeat(1000, [lamp('#ff6b5c')])])]);
		const plan = planOf([busy]);
		const other = { id: 'other', trigger: trigger(), steps: [wait(0.5), tone(440, 0.1)] };
		const attempt = rehearse({ ...plan, chains: [...plan.chains, other] }, 5);
		expect(attempt.outcome).toMatchObject({
			kind: 'timeout',
			reason: { key: 'outcome.timeoutBusy' }
		});
		expect(attempt.notes.map(({ sentence }) => sentence)).toEqual([
			{ key: 'note.neverWaits', values: { number: 1 } }
		]);
		expect(attempt.tones).toEqual([{ time: 0.5, pitch: 440, length: 0.1, volume: 0.6 }]);
		// 3,000 records, and after that only those of steps that took time.
		expect(attempt.spans.length).toBeLessThan(4000);
	});

	it('goes through empty loops', () => {
		expect(rehearse(planOf([repeat(1000, []), wait(0.1)])).outcome.seconds).toBeCloseTo(0.15, 1);
	});
});
