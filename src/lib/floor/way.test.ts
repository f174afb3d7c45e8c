import { expect, it } from 'vitest';
import { simulate } from '$core/simulation/simulate';
import { courseOf, fullStep, go, planOf, points, right } from '$core/testing/sample';
import { wayCorners } from './way';

it('is two points where it is straight, and keeps the place at which it turned back', () => {
	const there = Array.from({ length: 1000 }, (_, index) => index / 1000);
	const still = Array.from({ length: 500 }, () => 0.999);
	const x = [...there, ...still, ...there.toReversed()];
	const corners = wayCorners({ x, y: x.map(() => 2) });
	expect(corners.map(({ x, y }) => [x, y])).toEqual(points('0,2 0.999,2 0,2'));
	expect(corners.at(-1)!.index).toBe(2499);
	expect(wayCorners({ x: [], y: [] })).toEqual([]);
	expect(wayCorners({ x: [1], y: [1] })).toHaveLength(1);
});

it('leaves the way of a worn robot by less than a millimetre', () => {
	const plan = planOf([go(0.5), right(90), fullStep('arc', { angle: 270, radius: 0.3 }), go(0.2)]);
	const { runs } = simulate({ plan, course: courseOf(), variation: 'worn', seed: 7 });
	const { x, y } = runs[0]!.trace;
	const corners = wayCorners({ x, y });
	expect(corners.length).toBeLessThan(x.length / 10);
	const distanceTo = (px: number, py: number, side: number): number => {
		const [a, b] = [corners[side]!, corners[side + 1]!];
		const [dx, dy] = [b.x - a.x, b.y - a.y];
		const along = ((px - a.x) * dx + (py - a.y) * dy) / (dx * dx + dy * dy || 1);
		const part = Math.max(0, Math.min(1, along));
		return Math.hypot(px - a.x - part * dx, py - a.y - part * dy);
	};
	let side = 0;
	for (let sample = 0; sample < x.length; sample++) {
		while (side < corners.length - 2 && corners[side + 1]!.index < sample) side++;
		expect(distanceTo(x[sample]!, y[sample]!, side)).toBeLessThan(0.001);
	}
});
