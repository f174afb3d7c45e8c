/** Whole missions, as a class would set them: each runs in the ideal variation. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { courseSchema, type Course } from '../course/course';
import { lineOf } from '../course/tape';
import { readDocument, writeDocument } from '../document';
import { checkPlan } from '../checks';
import { planFormat, planSchema, type Plan } from '../plan/plan';
import { planFrom } from '../testing/random-plan';
import { courseOf, points, wall } from '../testing/sample';
import { rehearseAlone, type Alone } from '../testing/alone';
import { runs } from '../testing/runs';
import type { Point } from '../course/measure';

const read = (file: string): unknown => JSON.parse(readFileSync(`samples/${file}.json`, 'utf8'));
const planIn = (file: string): Plan => planSchema.parse(read(`plans/${file}`));
const courseIn = (file: string): Course => courseSchema.parse(read(`courses/${file}`));
const run = (plan: string, course: string, seed = 1): Alone =>
	rehearseAlone({ plan: planIn(plan), course: courseIn(course), variation: 'ideal', seed });

/** Distance from a point to a line of many pieces. */
function distanceTo(line: readonly Point[]): (x: number, y: number) => number {
	return (x, y) => {
		const gaps = line.slice(1).map(([x2, y2], index) => {
			const [x1, y1] = line[index]!;
			const squared = (x2 - x1) ** 2 + (y2 - y1) ** 2;
			const along = squared && ((x - x1) * (x2 - x1) + (y - y1) * (y2 - y1)) / squared;
			const part = Math.max(0, Math.min(1, along));
			return Math.hypot(x - x1 - part * (x2 - x1), y - y1 - part * (y2 - y1));
		});
		return Math.min(...gaps);
	};
}

describe('missions', () => {
	it.each([3, 4, 5, 6, 7, 8, 9, 10, 11, 12])('a polygon of %d sides closes within 5 mm', (n) => {
		const plan = planIn('any-polygon');
		const [{ steps, ...chain }] = plan.chains as [Plan['chains'][0]];
		const [first, ...others] = steps as [Plan['chains'][0]['steps'][0]];
		const sides = { ...first, values: { ...first.values, value: n } };
		const many = { ...plan, chains: [{ ...chain, steps: [sides, ...others] }] };
		const { trace, spans } = rehearseAlone({
			plan: many,
			course: courseOf(),
			variation: 'ideal',
			seed: 1
		});
		const gap = Math.hypot(trace.x.at(-1)! - trace.x[0]!, trace.y.at(-1)! - trace.y[0]!);
		expect(gap).toBeLessThan(0.005);
		expect(spans.filter(({ kind }) => kind === 'go')).toHaveLength(n);
	});

	it('a line follower keeps its sensor on a 20 mm tape round curves of 0.25 m', () => {
		const { trace, outcome } = run('follow-the-ring', 'harbour-ring');
		expect(outcome).toMatchObject({ kind: 'finished' });
		expect(outcome.lampPosts.map(({ id }) => id)).toEqual(['east', 'north', 'west']);
		const toTape = distanceTo(lineOf(courseIn('harbour-ring').tapes[0]!));
		const gaps = Array.from(trace.x, (x, i) => {
			const heading = trace.heading[i]!;
			return toTape(x + 0.065 * Math.cos(heading), trace.y[i]! + 0.065 * Math.sin(heading));
		});
		// It follows the edge, 10 mm from the middle, and sees a spot of 6 mm around that.
		expect(Math.max(...gaps)).toBeLessThan(0.016);
	});

	it('a bump-and-turn-back program comes back', () => {
		const attempt = run('along-the-reeds', 'reed-walk');
		expect(attempt.outcome).toMatchObject({ kind: 'finished' });
		expect(attempt.outcome.lampPosts.map(({ id }) => id)).toEqual(['reeds', 'lock']);
		expect(attempt.bumps.length).toBeGreaterThan(10);
	});

	it('a counter stops after three lamp posts', () => {
		const { outcome, trace } = run('three-lamp-posts', 'lantern-row');
		expect(outcome.lampPosts).toHaveLength(3);
		expect(trace.x.at(-1)! - 1.5).toBeLessThan(0);
	});

	it('two chains keep the same timing, to the tick, whatever the seed', () => {
		const lampTimes = (seed: number, variation: 'ideal' | 'worn') => {
			const plan = planIn('lamp-while-driving');
			const { spans } = rehearseAlone({ plan, course: courseIn('lamp-square'), variation, seed });
			return spans.filter(({ kind }) => kind.startsWith('lamp')).map(({ start }) => start);
		};
		const first = lampTimes(1, 'ideal');
		expect(first.slice(0, 4).map((time) => Math.round(time * 120))).toEqual([0, 48, 96, 144]);
		for (const seed of [1, 2, 3]) {
			const again = lampTimes(seed, 'worn');
			const shared = Math.min(first.length, again.length);
			expect(again.slice(0, shared)).toEqual(first.slice(0, shared));
		}
	});

	it('a crate is pushed, and falls over the edge of the table', () => {
		const table = points('0,0 2,0 2,1 0,1');
		const crate = { id: 'nets', at: [0.4, 0.6] as [number, number], bearing: 0 };
		const course = courseOf({
			table,
			crates: [{ ...crate, width: 0.12, depth: 0.1, mass: 0.1 }]
		});
		const plan = planIn('first-lamp');
		const { crates, bumps, outcome } = rehearseAlone({ plan, course, variation: 'ideal', seed: 1 });
		expect(crates[0]!.fellAt).toBeGreaterThan(1);
		expect(bumps[0]).toMatchObject({ against: 'crate' });
		expect(outcome.kind).toBe('fell');
	});
});

describe('random plans', () => {
	const numbers = fc.array(fc.nat(100_000), { minLength: 20, maxLength: 120 });
	const course = courseOf({
		walls: [wall([0, 1.2], [2, 1.2])],
		crates: [{ id: 'c', at: [0.4, 0.8], bearing: 10, width: 0.1, depth: 0.1, mass: 0.2 }],
		patches: [
			{
				id: 'p',
				colour: 'red',
				corners: points('0,0 1,0 1,0.6')
			}
		]
	});
	const bytesOf = (attempt: Alone) =>
		JSON.stringify(attempt, (_, value) =>
			ArrayBuffer.isView(value) ? [...(value as Float64Array)] : value
		);

	it('never break or hang, give the same bytes again, and run the same from a file', () => {
		fc.assert(
			fc.property(numbers, fc.nat(1000), (picks, seed) => {
				const plan = planFrom(picks);
				const saved = readDocument(writeDocument(plan), planFormat);
				if (!saved.ok)
					throw new Error(`${saved.failure.key} ${JSON.stringify(saved.failure.values)}`);
				expect(saved.value).toEqual(plan);
				const rehearsal = {
					course,
					variation: 'classroom' as const,
					seed,
					limit: 3,
					touches: [{ time: 1 }]
				};
				const first = rehearseAlone({ ...rehearsal, plan });
				checkPlan(plan, { course, attempt: first });
				const attempt = bytesOf(first);
				expect(bytesOf(rehearseAlone({ ...rehearsal, plan: saved.value })) === attempt).toBe(true);
			}),
			{ numRuns: runs(60, 250), seed: 2026 }
		);
	}, 120_000);
});
