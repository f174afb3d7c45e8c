import { describe, expect, it } from 'vitest';
import { checkCourse } from '../checks/course';
import { makeCourse, type Course, type Gate } from '../course/course';
import { distanceTo, type Point } from '../course/measure';
import { shortestWay, wayAlong } from '../course/search/way';
import { robotKinds } from '../robots/kinds';
import { simulate } from '../simulation/simulate';
import { wall } from '../testing/sample';
import { planAlong } from './follow';
import { asMetBy, findWay, reachOf } from './par';

/** A wall across the whole floor, between the start and the ring. */
const across = (height?: number): Course =>
	makeCourse({
		name: 'Lamp yard',
		size: { width: 3, height: 2 },
		starts: [{ at: [0.5, 0.5], bearing: 0 }],
		finish: { at: [2.4, 1.5], radius: 0.3 },
		walls: [{ ...wall([1.5, 0], [1.5, 2]), ...(height && { height }) }]
	});
const kindOf = (name: string) => robotKinds.find(({ kind }) => kind === name)!;
const wayOf = (name: string, course: Course) =>
	shortestWay(asMetBy(kindOf(name), course), { radius: reachOf(kindOf(name)) });

describe('a way', () => {
	it('leads over what is low for what flies, and its plan takes off and lands in the ring', () => {
		const drone = kindOf('drone');
		const way = wayOf('drone', across())!;
		if (!('points' in way)) throw new Error('no way');
		expect(way.points).toHaveLength(2);
		const plan = planAlong(way, across(), drone, 'Over the wall')!;
		const kinds = plan.chains[0]!.steps.map(({ kind }) => kind);
		expect([kinds[0], kinds.at(-1)]).toEqual(['takeOff', 'land']);
		const { outcome, runs } = simulate({ plan, course: across(), variation: 'ideal', seed: 1 });
		expect(outcome).toMatchObject({ kind: 'finished', reachedFinish: true });
		expect(runs[0]!.bumps).toEqual([]);
	});

	it('turns the shorter way round, however often it has been all around', () => {
		const corners: [number, number][] = [[0.2, 0.2]];
		// A spiral outwards, three times around to the right.
		for (let i = 0; i < 12; i++) {
			const [x, y] = corners.at(-1)!;
			const far = 0.1 + i / 20;
			const [dx, dy] = [[0, 1] as const, [1, 0] as const, [0, -1] as const, [-1, 0] as const][
				i % 4
			]!;
			corners.push([x + dx * far, y + dy * far]);
		}
		const { chains } = planAlong(wayAlong(corners), across(), kindOf('skiff'), 'Spiral')!;
		const turns = chains[0]!.steps.filter(({ kind }) => kind === 'turn');
		expect(turns.map(({ values: { direction, angle } }) => [direction, angle])).toEqual(
			Array.from({ length: 11 }, () => ['right', 90])
		);
	});

	it('is barred by what is high, and by anything for what drives', () => {
		expect(wayOf('drone', across(2))).not.toHaveProperty('points');
		expect(wayOf('skiff', across())).not.toHaveProperty('points');
	});
});

describe('a way through gates', () => {
	const drone = kindOf('drone');
	const gate = (id: string, at: Gate['at'], bearing: number, more: Partial<Gate> = {}): Gate => ({
		...{ id, at, bearing, shape: 'ring', width: 0.6, height: 1, ...more }
	});
	/** Round the floor: low, high, and a low door last, whose bearing points the other way. */
	const round = (more: Partial<Course> = {}): Course =>
		makeCourse({
			name: 'Lamp yard',
			size: { width: 4, height: 3 },
			starts: [{ at: [0.6, 0.6], bearing: 90 }],
			finish: { at: [0.6, 2.4], radius: 0.3 },
			gates: [
				gate('low', [2, 0.6], 90, { height: 0.5 }),
				gate('high', [3.4, 1.5], 0, { height: 1.6 }),
				gate('door', [2, 2.4], 90, { shape: 'door', height: 0.8 })
			],
			isInOrder: true,
			...more
		});
	const passed = (course: Course, name: string) => {
		const kind = kindOf(name);
		const found = findWay(course, kind, false, 'Round')!;
		const { plan } = found;
		const { outcome } = simulate({ plan: plan!, course, variation: 'ideal', seed: 1 });
		return { found, ids: outcome.lampPosts.map(({ id }) => id) };
	};

	it('goes through all of them in their order, each at its height, and has a par', () => {
		const { found, ids } = passed(round(), 'drone');
		expect(ids).toEqual(['low', 'high', 'door']);
		expect(found.par).toBeGreaterThan(10);
		for (const [index, { at }] of Object.entries(found.way.gates)) {
			const [from, to] = found.way.points.slice(Number(index) - 1) as [Point, Point];
			expect(distanceTo(at, from, to)).toBeLessThan(0.002);
		}
	});

	it('leaves them out where they have no order, and for what does not fly', () => {
		expect(passed(round({ isInOrder: false }), 'drone').found.way.points).toHaveLength(2);
		expect(passed(round(), 'skiff').found.way).toMatchObject({ gates: {}, turns: 0 });
	});

	it('is not there where a gate stands before something high', () => {
		const walls = [{ ...wall([3.1, 1.6], [3.7, 1.6]), height: 2 }];
		const way = shortestWay(asMetBy(drone, round({ walls })), { radius: reachOf(drone) });
		expect(way).toEqual({ unreached: 1 });
		expect(checkCourse(round({ walls }), drone)).toContainEqual({
			refs: [{ part: 'gates', id: 'high' }],
			sentence: { key: 'courseCheck.gateWalledIn', values: { number: 2 } }
		});
	});
});
