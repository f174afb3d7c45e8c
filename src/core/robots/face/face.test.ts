import { describe, expect, it } from 'vitest';
import { checkPlan } from '../../checks';
import { type Plan, type Step } from '../../plan/plan';
import { simulate, type Rehearsal } from '../../simulation/simulate';
import { courseOf, go, planFor, planOf, fullStep as step, wait } from '../../testing/sample';
import { faceRobot } from '.';
import { chassis } from './settings';

const patches = (left: number, right: number) => step('patches', { left, right });
const plan = (...steps: Step[]): Plan => planFor(faceRobot, planOf(steps));

const starts = [{ at: [1, 0.75] as [number, number], bearing: 90 }];
function rehearse(plan: Plan, light = 0.6, more: Partial<Rehearsal> = {}) {
	const course = courseOf({ starts, light });
	const attempt = simulate({ plan, course, variation: 'ideal', seed: 1, ...more });
	const { trace } = attempt.runs[0]!;
	const last = trace.x.length - 1;
	const way = Math.hypot(trace.x[last]! - trace.x[0]!, trace.y[last]! - trace.y[0]!);
	return { attempt, trace, way, turned: trace.heading[last]! - trace.heading[0]! };
}

describe('a face robot', () => {
	it.each([
		[1, 1],
		[1, 0.5],
		[0.3, 0.9],
		[0, 0.6]
	])('goes and turns with the ratio of its patches: %d and %d', (left, right) => {
		const { trace } = rehearse(plan(patches(left, right), wait(4)));
		const [at, off] = [3.9 * 120, 60];
		const rate = (trace.heading[at]! - trace.heading[at - off]!) / (off / 120);
		const { topSpeed, axle } = chassis;
		// Its battery sinks a little meanwhile.
		expect(rate).toBeCloseTo(((right - left) * topSpeed) / axle, 2);
		expect(trace.columns.speed![at]!).toBeCloseTo(((left + right) / 2) * topSpeed, 3);
	});

	it('starts late and stops late, but goes for as long as it is told', () => {
		const { way } = rehearse(plan(step('patchesFor', { left: 1, right: 1, duration: 2 })));
		expect(way).toBeCloseTo(2 * chassis.topSpeed, 2);
	});

	it('creeps in a bright room although both patches are dark, and swerves', () => {
		const dark = plan(wait(2));
		expect(rehearse(dark).way).toBeLessThan(0.001);
		expect(rehearse(dark, 1).way).toBeGreaterThan(0.1);
		const curve = plan(patches(1, 0), wait(2));
		expect(Math.abs(rehearse(curve, 1).turned)).toBeLessThan(
			0.7 * Math.abs(rehearse(curve).turned)
		);
		// When Run is over, it comes to rest all the same.
		expect(rehearse(dark, 1).attempt.outcome.seconds).toBeLessThan(4);
	});

	it('does not go with less light than its sensors notice', () => {
		const faint = plan(patches(0.1, 0.1), wait(2));
		expect(rehearse(faint).way).toBeGreaterThan(0.02);
		expect(rehearse(faint, 0.6, { variation: 'classroom' }).way).toBeLessThan(0.002);
	});

	it('turns around the wheel that stands, and refuses to go back', () => {
		const { turned } = rehearse(
			plan(step('turnFor', { direction: 'left', duration: 1, speed: 1 }))
		);
		expect(turned).toBeCloseTo(chassis.topSpeed / chassis.axle, 1);
		const { attempt, way } = rehearse(plan(step('goFor', { speed: -1, duration: 1 })));
		expect(way).toBe(0);
		expect(attempt.notes.map(({ sentence }) => sentence)).toEqual([
			{ key: 'note.refused.noBackwards', values: { number: 1 } }
		]);
	});

	it('shows its face, and starts when that is touched', () => {
		const lit = plan(wait(2));
		const chain = {
			id: 'touch',
			trigger: step('whenTouched'),
			steps: [step('face', { face: 'startled' })]
		};
		const { trace } = rehearse({ ...lit, chains: [...lit.chains, chain] }, 0.6, {
			touches: [{ time: 1 }]
		});
		expect(trace.columns.face![100]).toBe(0);
		expect(trace.columns.face![130]).toBe(3);
	});

	it('knows its bearing by a compass that is off, always by as much', () => {
		const bearings = (name: string, seed: number) => {
			const asked = plan(step('log', { value: { expression: 'compassBearing' } }));
			const named = { ...asked, robots: [{ ...asked.robots[0]!, name }] };
			const { attempt } = rehearse(named, 0.6, { variation: 'worn', seed });
			return Number(attempt.log[0]!.value);
		};
		const off = ['Vesper', 'Wick', 'Tallow', 'Dory'].map((name) => bearings(name, 1) - 90);
		expect(Math.max(...off) - Math.min(...off)).toBeGreaterThan(10);
		for (const seed of [2, 3])
			expect(Math.abs(bearings('Wick', seed) - 90 - off[1]!)).toBeLessThan(20);
	});

	it('is told when nothing ever shines, and what it can do in place of counted moves', () => {
		const keys = (...steps: Step[]) =>
			checkPlan(plan(...steps)).map(({ sentence }) => sentence.key);
		expect(keys(patches(0, 0), wait(1))).toEqual(['check.alwaysDark']);
		expect(keys(patches(0, 0), wait(1), patches(1, 1), wait(1))).toEqual([]);
		const [problem] = checkPlan(plan(go(0.4)));
		const edit = problem!.repair!.edit(() => 'new');
		const [, insert] = edit.type === 'together' ? edit.edits : [];
		expect(insert).toMatchObject({ steps: [{ kind: 'goFor', values: { duration: 2, speed: 1 } }] });
	});
});
