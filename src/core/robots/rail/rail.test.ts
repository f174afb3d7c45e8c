import { describe, expect, it } from 'vitest';
import { checkPlan } from '../../checks';
import { courseSchema } from '../../course/course';
import { RailPath, type Rail } from '../../course/rails';
import { applyEdit } from '../../plan/edits';
import { planRobot, type Plan, type Step } from '../../plan/plan';
import { sampleRobot } from '../robot-document';
import { skiff } from '../skiff';
import { simulate, type Rehearsal } from '../../simulation/simulate';
import {
	courseOf,
	go,
	planFor,
	planOf,
	fullStep as step,
	trigger,
	wait,
	wall
} from '../../testing/sample';
import { railCar } from '.';
import * as settings from './settings';

const plan = (...steps: Step[]): Plan => planFor(railCar, planOf(steps));
const start = (speed: number) => step('start', { speed });
const stop = (ending: string) => step('stop', { ending, then: 'waitStill' });

type Line = Partial<Rail> & Pick<Rail, 'pieces'>;
const line = (more: Line) => ({
	...{ id: 'rail', at: [0.2, 1] as [number, number], bearing: 90, isClosed: false, marks: [] },
	...more
});
const straight = line({ pieces: [{ length: 8 }] });
const ring = line({
	at: [1, 0.7],
	isClosed: true,
	pieces: [
		{ length: 1 },
		{ radius: 0.25, angle: -180 },
		{ length: 1 },
		{ radius: 0.25, angle: -180 }
	]
});

const courseWith = (one: Line, at: [number, number] = [1.5, one.at?.[1] ?? 1], bearing = 90) =>
	courseOf({
		size: { width: 9, height: 3 },
		starts: [{ at, bearing }],
		rails: [line(one)] as never
	});

function rehearse(plan: Plan, one: Line = straight, more: Partial<Rehearsal> = {}) {
	const course = courseWith(one);
	const attempt = simulate({ plan, course, variation: 'ideal', seed: 1, ...more });
	const { trace, bumps } = attempt.runs[0]!;
	const last = trace.x.length - 1;
	return { attempt, trace, bumps, last, way: trace.x[last]! - trace.x[0]! };
}
const keys = (plan: Plan, one: Line = straight) =>
	checkPlan(plan, { course: courseWith(one) }).map(({ sentence }) => sentence.key);

describe('a rail', () => {
	it('leads along straights and curves, and round again if it is closed', () => {
		const path = new RailPath(line(ring));
		expect(path.doesMeetItself).toBe(true);
		expect(path.length).toBeCloseTo(2 + Math.PI / 2, 6);
		expect(path.at(1.5)).toMatchObject({ curvature: 4 });
		expect(path.at(path.length + 0.3).x).toBeCloseTo(1.3, 6);
		expect(path.at(-0.2).y).toBeCloseTo(path.at(path.length - 0.2).y, 9);
		for (const way of [0.1, 0.9, 1.2, 1.7, 2.5, 3.4]) {
			const { x, y } = path.at(way);
			expect(path.nearest(x, y).way).toBeCloseTo(way, 6);
			expect(path.nearest(x, y).away).toBeLessThan(1e-6);
		}
	});

	it('that is said to be closed and is not, is not read', () => {
		const open = { ...courseWith(ring), rails: [{ ...ring, pieces: ring.pieces.slice(1) }] };
		const { error } = courseSchema.safeParse(open);
		expect(error?.issues[0]).toMatchObject({ path: ['rails', 0], params: { key: 'railOpen' } });
	});
});

describe('a rail car', () => {
	it('rolls out as far as its drag says, and brakes as its brake does', () => {
		for (const [ending, rate] of [
			['coast', settings.drag],
			['brake', settings.brake]
		] as const) {
			const { attempt, trace, last } = rehearse(plan(start(0.5), wait(3), stop(ending)));
			const { start: from } = attempt.spans.find(({ kind }) => kind === 'stop')!;
			const at = Math.round(from * 120);
			const way = trace.x[last]! - trace.x[at]!;
			expect(Math.abs((way * 2 * rate) / trace.columns.speed![at]! ** 2 - 1)).toBeLessThan(0.02);
		}
	});

	it('is heavy: it speeds up by no more than its wheels hold', () => {
		const { trace } = rehearse(plan(start(1), wait(3), stop('brake')));
		expect(trace.columns.speed![60]!).toBeCloseTo(settings.traction * 0.5, 2);
		expect(Math.max(...trace.columns.speed!)).toBeLessThan(settings.topSpeed);
	});

	it('derails in a curve above its speed there, and not below 95 % of it', () => {
		const limit = settings.curveSpeed(0.25);
		const leadIn = line({ at: [0.2, 1], pieces: [{ length: 6 }, { radius: 0.25, angle: 360 }] });
		const outcome = (part: number) => {
			const round = plan(start((limit * part) / settings.topSpeed), wait(12), stop('brake'));
			return rehearse(round, leadIn).attempt.outcome;
		};
		expect(outcome(1.04)).toMatchObject({
			kind: 'crashed',
			reason: { key: 'outcome.derailed', values: { number: 1 } }
		});
		expect(outcome(0.95).kind).toBe('ended');
	});

	it('stays on its rail, and is slower in curves', () => {
		const { trace } = rehearse(plan(start(0.6), wait(14), stop('brake')), ring);
		const path = new RailPath(line(ring));
		const { x, y, columns } = trace;
		for (let i = 0; i < x.length; i += 7)
			expect(path.nearest(x[i]!, y[i]!).away).toBeLessThan(0.001);
		expect(trace.heading.at(-1)! - trace.heading[0]!).toBeGreaterThan(2 * Math.PI);
		const later = [...columns.speed!].slice(500, 1600);
		expect(Math.max(...later) - Math.min(...later)).toBeGreaterThan(0.05);
	});

	it('goes back with less than 0, and the way that its front points', () => {
		expect(rehearse(plan(go(-0.4))).way).toBeCloseTo(-0.4, 2);
		const turned = rehearse(plan(go(0.4)), straight, {
			course: courseWith(straight, [1.5, 1.1], 260)
		});
		expect(turned.way).toBeCloseTo(-0.4, 2);
		expect(turned.trace.y[0]).toBeCloseTo(1, 6);
	});

	it('is stopped by the end stop with a jolt, and its step is over', () => {
		const short = line({ at: [1, 1], pieces: [{ length: 1.5 }] });
		const log = step('log', { value: { expression: 'jolt > 1' } });
		const { bumps, attempt, trace, last } = rehearse(plan(go(3), log), short);
		expect(bumps).toMatchObject([{ against: 'stop', number: 1 }]);
		expect(attempt.log[0]!.value).toBe(true);
		expect(trace.x[last]).toBeCloseTo(2.5 - 0.08, 3);
		expect(attempt.outcome.kind).toBe('ended');
	});

	it('sees a mark beside the rail, and a car ahead of it', () => {
		const marked = line({ ...straight, marks: [{ at: 2, colour: 'red' }] });
		const until = step('waitUntil', { condition: { expression: 'markColour == red' } });
		const { trace, last } = rehearse(plan(start(0.3), until, stop('brake')), marked);
		expect(trace.x[last]! - 0.2).toBeGreaterThan(1.97);
		expect(trace.x[last]! - 0.2).toBeLessThan(2.1);
		const ahead = step('waitUntil', { condition: { expression: 'distanceAhead < 20*cm' } });
		const one = plan(start(0.3), ahead, stop('brake'));
		const other = { ...one.robots[0]!, id: 'robot2', name: 'Wick' };
		const two = { ...one, robots: [...one.robots, other] };
		const starts = [1.5, 3].map((x) => ({ at: [x, 1] as [number, number], bearing: 90 }));
		const course = { ...courseWith(straight), starts };
		const crew = simulate({ plan: two, course, variation: 'ideal', seed: 1 });
		expect(crew.runs[0]!.trace.x.at(-1)).toBeCloseTo(3 - 0.16 - 0.15, 1);
		expect(crew.runs[0]!.bumps).toEqual([]);
	});

	const crate = (x: number, mass: number) => ({
		...{ id: 'k', at: [x, 1] as [number, number], bearing: 0, width: 0.1, depth: 0.1, mass }
	});

	it('pushes a crate no faster than its motor goes, and stops at one that is too heavy', () => {
		const pushing = plan(start(1), wait(12), stop('brake'));
		for (const mass of [0.05, 0.3, 0.7, 1, 2]) {
			const course = { ...courseWith(straight), crates: [crate(3, mass)] };
			const { trace, bumps, last } = rehearse(pushing, straight, { course });
			expect(bumps[0]).toMatchObject({ against: 'crate' });
			expect(Math.max(...trace.columns.speed!)).toBeLessThan(settings.topSpeed);
			expect(Math.max(...trace.y) - Math.min(...trace.y)).toBeLessThan(1e-9);
			// Friction 0.3 against what its wheels hold on the rail: 0.35 N.
			if (0.3 * 9.81 * mass < settings.traction * settings.mass) continue;
			expect(trace.columns.speed![1400]!).toBeLessThan(1e-3);
			expect(trace.x[last]!).toBeGreaterThan(3 - 0.05 - 0.08 - 0.001);
		}
	});

	it('does not squeeze a light crate through a thin wall', () => {
		const walls = [wall([4, 0.5], [4, 1.5], 0.005)];
		const course = { ...courseWith(straight), walls, crates: [crate(3.5, 0.05)] };
		const { trace } = rehearse(plan(start(1), wait(12), stop('brake')), straight, { course });
		expect(Math.max(...trace.x)).toBeLessThan(4 - 0.0025 - 0.1 - 0.08 + 0.002);
	});

	it('is stopped by a wall that its rail runs into at a slant, and gives up there', () => {
		const walls = [wall([3, 0.9], [4, 1.1], 0.01)];
		const course = { ...courseWith(straight), walls };
		const { attempt, bumps, trace } = rehearse(plan(go(5, 1)), straight, { course });
		expect(bumps[0]!.against).toBe('wall');
		expect(attempt.outcome.reason.key).toBe('outcome.stoppedBy.wall');
		expect(Math.max(...trace.y) - Math.min(...trace.y)).toBeLessThan(1e-9);
	});

	it('gives up a move that is stuck after the time that was told, and goes on', () => {
		const course = { ...courseWith(straight), walls: [wall([3, 0.9], [4, 1.1], 0.01)] };
		const ifStuck = step('ifStuck', { after: 1.5, then: 'goOn' });
		const { attempt, trace } = rehearse(plan(ifStuck, go(5, 1), go(-0.4)), straight, { course });
		const { notes, outcome, spans } = attempt;
		expect(notes[0]!.sentence).toEqual({ key: 'note.refused.gaveUp', values: { number: 2 } });
		expect(outcome.kind).toBe('ended');
		const furthest = Math.max(...trace.x);
		const stuckAt = trace.time.find((_, i) => trace.x[i]! > furthest - 1e-4)!;
		expect(spans[1]!.end - stuckAt).toBeCloseTo(1.5, 1);
		expect(trace.x.at(-1)!).toBeCloseTo(furthest - 0.4, 1);
	});

	it('parked, is pushed along its rail by a Skiff, which it does not throw back', () => {
		const parked = plan();
		const pusher = planRobot({ ...sampleRobot(skiff), name: 'Wick' }, parked.robots);
		const chain = { id: 'push', trigger: trigger(), steps: [start(1), wait(4)], robot: pusher.id };
		const two = { ...parked, robots: [...parked.robots, pusher], chains: [chain] };
		const starts = [3, 2.5].map((x) => ({ at: [x, 1] as [number, number], bearing: 90 }));
		const course = { ...courseWith(straight), starts };
		const crew = simulate({ plan: two, course, variation: 'ideal', seed: 1 });
		const [car, wick] = crew.runs.map(({ trace }) => trace.x);
		expect(car!.at(-1)! - car![0]!).toBeGreaterThan(0.5);
		for (let i = 1; i < wick!.length; i++) expect(wick![i]! - wick![i - 1]!).toBeGreaterThan(-1e-4);
	});

	it('creeps at 1 %, and says so where a curve takes more than its motor gives', () => {
		const { attempt, way } = rehearse(plan(go(0.1, 0.01)));
		expect(way).toBeCloseTo(0.1, 2);
		expect(attempt.outcome.seconds).toBeGreaterThan(9);
		const intoCurve = line({
			at: [1.2, 1],
			pieces: [{ length: 0.5 }, { radius: 0.25, angle: 90 }]
		});
		expect(rehearse(plan(go(0.6, 0.02)), intoCurve).attempt.outcome.reason).toEqual({
			key: 'outcome.stoppedByItself',
			values: { number: 1 }
		});
	});

	it('knows no distance without its counter, and goes nowhere without a rail', () => {
		const bareCar = plan(go(0.4));
		const missing = {
			...bareCar,
			robots: [{ ...bareCar.robots[0]!, settings: { counter: 'missing' } }]
		};
		expect(rehearse(missing).attempt.notes[0]!.sentence.key).toBe('note.refused.noCounter');
		const [problem] = checkPlan(missing, { course: courseWith(straight) });
		expect(problem!.sentence.key).toBe('check.noCounter');
		const mended = applyEdit(
			missing,
			problem!.repair!.edit(() => 'new')
		);
		expect(mended.ok && keys(mended.value.document)).toEqual([]);
		const floor = { course: courseOf() };
		expect(rehearse(bareCar, straight, floor).attempt.notes[0]!.sentence.key).toBe(
			'note.refused.noRail'
		);
		const lacking = checkPlan(bareCar, floor)[0]!;
		expect(lacking).toMatchObject({
			sentence: { key: 'check.noRail' },
			sampleCourse: 'Ferry rail'
		});
	});

	it('is warned of a curve that it takes too fast, and of a rail that is too short', () => {
		expect(keys(plan(start(1), wait(1)), ring)).toEqual(['check.curveTooFast']);
		expect(keys(plan(start(0.8), wait(1)), ring)).toEqual([]);
		const short = line({ at: [1, 1], pieces: [{ length: 1.5 }] });
		expect(keys(plan(go(3)), short)).toEqual(['check.railTooShort']);
	});
});
