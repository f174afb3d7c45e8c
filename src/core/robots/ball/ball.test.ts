import { describe, expect, it } from 'vitest';
import { surfaceKinds, type SurfaceName } from '../../course/surfaces';
import { planRobot, type Plan, type Step } from '../../plan/plan';
import { simulate } from '../../simulation/simulate';
import { courseOf, planFor, planOf, fullStep as step, wait, wall } from '../../testing/sample';
import type { Variation } from '../robot';
import { sampleRobot } from '../robot-document';
import { ball } from '.';
import { topSpeed } from './settings';

const roll = (bearing: number, speed: number) => step('roll', { bearing, speed });
const far = (bearing: number, then: 'waitStill' | 'goOn', distance = 0.8) =>
	step('rollFar', { bearing, distance, speed: 0.4, then });
const stop = (then: 'waitStill' | 'goOn') => step('stop', { ending: 'brake', then });
const plan = (...steps: Step[]): Plan => planFor(ball, planOf(steps));

interface On {
	readonly surface?: SurfaceName;
	readonly variation?: Variation;
	readonly seed?: number;
	readonly walls?: ReturnType<typeof wall>[];
}

const size = { width: 9, height: 9 };
const starts = [{ at: [2, 2] as [number, number], bearing: 0 }];

function rehearse(plan: Plan, { surface = 'tile', variation = 'ideal', seed = 1, walls = [] }: On) {
	const course = courseOf({ size, starts, surface, walls });
	const attempt = simulate({ plan, course, variation, seed });
	const run = attempt.runs[0]!;
	const { x, y, columns } = run.trace;
	return { attempt, run, x, y, speed: columns.speed!, last: x.length - 1 };
}

type Rolled = ReturnType<typeof rehearse>;

/** Metres from where it ended to where it began. */
const gap = ({ x, y, last }: Rolled): number => Math.hypot(x[last]! - x[0]!, y[last]! - y[0]!);

/** The most by which it leaves a square of 0.8 m to the north and east of where it began, metres. */
const strayed = ({ x, y }: Rolled): number =>
	Math.max(
		...Array.from(x, (at, i) => {
			const [east, north] = [Math.abs(at - x[0]! - 0.4) - 0.4, Math.abs(y[i]! - y[0]! - 0.4) - 0.4];
			return Math.abs(Math.max(east, north));
		})
	);

const square = (then: 'waitStill' | 'goOn'): Plan =>
	plan(...[0, 90, 180, 270].map((bearing) => far(bearing, then)));

const floors = Object.keys(surfaceKinds) as SurfaceName[];

describe('a ball, ideal', () => {
	it.each(floors)('takes a corner on %s with the radius v² / grip, within 10 %%', (surface) => {
		const { x, y, speed } = rehearse(plan(roll(0, 1), wait(2), roll(90, 1), wait(1)), { surface });
		// A while after the new bearing came, between three samples.
		const [at, off] = [2.1 * 120, 6];
		const [ax, ay] = [x[at]! - x[at - off]!, y[at]! - y[at - off]!];
		const [bx, by] = [x[at + off]! - x[at]!, y[at + off]! - y[at]!];
		const turned = Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by));
		const radius = Math.hypot(ax, ay) / turned;
		const expected = speed[at]! ** 2 / surfaceKinds[surface].grip;
		expect(Math.abs(radius / expected - 1)).toBeLessThan(0.1);
	});

	it.each(floors)('stops on %s within v² / 2 grip, and rolls out as its drag says', (surface) => {
		const { grip, drag } = surfaceKinds[surface];
		for (const [ending, rate] of [
			['brake', grip],
			['coast', drag]
		] as const) {
			const stopping = step('stop', { ending, then: 'waitStill' });
			const rolled = rehearse(plan(roll(0, 0.6), wait(3), stopping), { surface });
			const v = rolled.speed[360]!;
			expect(v).toBeGreaterThan(0.59 * topSpeed);
			const way = rolled.y[rolled.last]! - rolled.y[360]!;
			expect(Math.abs(way / (v ** 2 / (2 * rate)) - 1)).toBeLessThan(0.05);
		}
	});

	it('reaches its speed as a first-order lag, where the floor holds it', () => {
		const { speed } = rehearse(plan(roll(0, 0.2), wait(2)), { surface: 'carpet' });
		for (const time of [0.2, 0.5, 1]) {
			const expected = 0.2 * topSpeed * (1 - Math.exp(-time / 0.35));
			expect(Math.abs(speed[time * 120]! / expected - 1)).toBeLessThan(0.02);
		}
	});

	it('cuts corners five times as much without pauses; to begin to stop is not a pause', () => {
		const sharp = strayed(rehearse(square('waitStill'), {}));
		expect(sharp).toBeLessThan(0.005);
		expect(strayed(rehearse(square('goOn'), {}))).toBeGreaterThan(5 * Math.max(sharp, 0.01));
		const begun = plan(roll(0, 0.4), wait(1.5), stop('goOn'), far(90, 'waitStill'));
		const ended = plan(roll(0, 0.4), wait(1.5), stop('waitStill'), far(90, 'waitStill'));
		// How far it is to the east before it has come to the north of where it ends.
		const rounded = ({ x, y, last }: Rolled) =>
			x[y.findIndex((north) => north > y[last]! - 0.002)]! - x[0]!;
		expect(rounded(rehearse(ended, {}))).toBeLessThan(0.001);
		expect(rounded(rehearse(begun, {}))).toBeGreaterThan(0.05);
	});

	it('loses way when it is sent straight back', () => {
		const { y, speed } = rehearse(plan(roll(0, 0.6), wait(2), roll(180, 0.6), wait(3)), {});
		const top = Math.max(...y);
		expect(top - y[240]!).toBeGreaterThan(0.15);
		expect(Math.min(...speed.slice(240))).toBeLessThan(0.05);
	});

	it('comes to where it is told although it is told no speed', () => {
		const still = step('rollFar', { bearing: 0, distance: 0.1, speed: 0, then: 'waitStill' });
		const { attempt, y, last } = rehearse(plan(still), {});
		expect(attempt.outcome.kind).toBe('ended');
		expect(y[last]! - y[0]!).toBeCloseTo(0.1, 2);
	});

	it('closes its square with pauses', () => {
		expect(gap(rehearse(square('waitStill'), {}))).toBeLessThan(0.002);
	});

	it('feels a wall that it hits hard, not one that it touches softly', () => {
		const walls = [wall([1, 3], [3, 3])];
		const hit = plan(roll(0, 0.5), wait(3), step('log', { value: { expression: 'bumped' } }));
		const chainOf = (steps: Step[]) => ({ id: 'bump', trigger: step('whenBump'), steps });
		const lit = { ...hit, chains: [...hit.chains, chainOf([step('log', { value: 'felt' })])] };
		const values = ({ attempt }: Rolled) => attempt.log.map(({ value }) => value);
		expect(values(rehearse(lit, { walls }))).toContain('felt');
		// It starts a hair's breadth from the wall, and has no time to become fast.
		const soft = { walls: [wall([1, 2.051], [3, 2.051])] };
		const touched = rehearse(lit, soft);
		expect(touched.run.bumps.length).toBeGreaterThan(0);
		expect(values(touched)).not.toContain('felt');
	});

	it('does not know a wall: held there, it takes itself for farther than it is', () => {
		const walls = [wall([1, 2.5], [3, 2.5])];
		const told = plan(
			far(0, 'waitStill', 1.5),
			step('log', { value: { expression: 'travelled' } })
		);
		const { attempt, y, last } = rehearse(told, { walls });
		expect(attempt.outcome.kind).toBe('ended');
		expect(Number(attempt.log[0]!.value)).toBeCloseTo(1.5, 2);
		expect(y[last]!).toBeLessThan(2.5);
	});
});

describe('a ball in a classroom, 40 seeds', () => {
	const seeds = Array.from({ length: 40 }, (_, seed) => seed);
	const gaps = (then: 'waitStill' | 'goOn') =>
		seeds.map((seed) => gap(rehearse(square(then), { variation: 'classroom', seed })));

	it('never closes its square without pauses; with pauses most come near', () => {
		expect(Math.min(...gaps('goOn'))).toBeGreaterThan(0.02);
		expect(gaps('waitStill').filter((each) => each < 0.06).length).toBeGreaterThanOrEqual(20);
	});

	it('turns the whole way when it was lined up badly, and takes a jolt for a bump now and then', () => {
		const rolled = seeds.map((seed) =>
			rehearse(plan(far(0, 'waitStill', 2), far(90, 'waitStill', 2), far(180, 'waitStill', 2)), {
				variation: 'classroom',
				surface: 'carpet',
				seed
			})
		);
		const bearings = rolled.map(({ x, y, run }) => {
			const end = run.trace.time.findIndex((time) => time > 2);
			return Math.atan2(x[end]! - x[0]!, y[end]! - y[0]!);
		});
		const spread = Math.sqrt(bearings.reduce((sum, each) => sum + each ** 2, 0) / seeds.length);
		expect(spread).toBeGreaterThan(0.04);
		expect(spread).toBeLessThan(0.12);
	});

	it('knows nothing of another robot but the jolt: both are pushed', () => {
		const robot = planRobot(sampleRobot(ball));
		const one = plan(roll(0, 0.5), wait(2));
		const two: Plan = { ...one, robots: [...one.robots, { ...robot, id: 'other', name: 'Wick' }] };
		const course = courseOf({ size, starts: [...starts, { at: [2, 2.6], bearing: 0 }] });
		const { runs } = simulate({ plan: two, course, variation: 'ideal', seed: 1 });
		expect(runs[0]!.bumps[0]!.against).toBe('robot');
		const { y } = runs[1]!.trace;
		expect(y[y.length - 1]!).toBeGreaterThan(2.65);
	});
});
