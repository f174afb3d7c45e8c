import { describe, expect, it } from 'vitest';
import { makeCourse, type Course } from '../course/course';
import { shortestWay } from '../course/way';
import { robotKinds } from '../robots/kinds';
import { simulate } from '../simulation/simulate';
import { wall } from '../testing/sample';
import { asMetBy, planAlong, radiusOf } from './par';

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
	shortestWay(asMetBy(kindOf(name), course), { radius: radiusOf(kindOf(name)) });

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

	it('is barred by what is high, and by anything for what drives', () => {
		expect(wayOf('drone', across(2))).not.toHaveProperty('points');
		expect(wayOf('skiff', across())).not.toHaveProperty('points');
	});
});
