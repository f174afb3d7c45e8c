/** Whatever meets whatever: nothing is faster than its motors, or what pushed it, can make it. */
import { describe, expect, it } from 'vitest';
import type { Course } from '../course/course';
import * as ballSettings from '../robots/ball/settings';
import { robotKindOf } from '../robots/kinds';
import { randomWorld } from '../testing/random-world';
import { runs } from '../testing/runs';
import { outlineAt } from '../world/pose';
import { separationOf } from '../world/separation';
import { wallCorners } from '../world/walls';
import { tick, tickRate } from '../time';
import type { Outline } from '../world/body';
import type { Trace } from './attempt';
import { simulate } from './simulate';

/** A motor of this robot can be so much better than the drawing: a worn ball, the most of all. */
const better = 1.13;
/** m/s that it takes to bring what lies up to 2 mm in something out of it within a tick. */
const correcting = 0.002 * tickRate;
/** m/s of the air, which no motor makes. */
const wind = 0.12;

describe('in 300 random worlds of all kinds', () => {
	it('nothing gains energy from contact, and nothing ends more than a millimetre in a wall', () => {
		let [meetings, pushed] = [0, 0];
		for (let seed = 0; seed < runs(100, 300); seed++) {
			const world = randomWorld(seed);
			const attempt = simulate(world);
			// There was no room for one of them.
			if (attempt.ticks === 0) continue;
			const kinds = world.plan.robots.map(({ kind }) => robotKindOf(kind));
			// A body at rest is knocked away at the most with the speed of what hits it, and the bounce of it.
			const fastest = Math.max(...kinds.map(({ topSpeed }) => topSpeed)) * better;
			const most = fastest * (1 + ballSettings.bounce) + correcting;
			attempt.runs.forEach(({ trace, bumps }, index) => {
				const { outline, kind } = kinds[index]!;
				meetings += bumps.length;
				const of = `${kind} of world ${seed}`;
				expect(fastestIn(trace), of).toBeLessThan(most + wind);
				if (!trace.columns.height)
					expect(deepestIn(trace, outline, world.course), of).toBeLessThan(1e-3);
			});
			for (const { id, moments } of attempt.crates) {
				if (moments.length > 5) pushed += 1;
				expect(fastestOf(moments), `crate ${id} of world ${seed}`).toBeLessThan(most);
			}
		}
		expect(meetings).toBeGreaterThan(100);
		expect(pushed).toBeGreaterThan(30);
	});
});

/** m/s */
const fastestIn = ({ time, x, y }: Trace): number =>
	fastestOf(Array.from(time, (at, i) => ({ time: at, x: x[i]!, y: y[i]! })));

/** m/s; between moments that are further apart than a tick it stood. */
function fastestOf(moments: readonly { time: number; x: number; y: number }[]): number {
	let fastest = 0;
	for (let i = 1; i < moments.length; i++) {
		const [from, to] = [moments[i - 1]!, moments[i]!];
		const seconds = to.time - from.time;
		if (seconds > 1.5 * tick) continue;
		fastest = Math.max(fastest, Math.hypot(to.x - from.x, to.y - from.y) / seconds);
	}
	return fastest;
}

/** Metres that it is in a wall, of every third tick. */
function deepestIn({ x, y, heading }: Trace, outline: Outline, { walls }: Course): number {
	let deepest = 0;
	for (let i = 0; i < x.length; i += 3) {
		const corners = outlineAt(outline, { x: x[i]!, y: y[i]!, heading: heading[i]! });
		for (const wall of walls)
			deepest = Math.max(deepest, -separationOf(corners, wallCorners(wall)));
	}
	return deepest;
}
