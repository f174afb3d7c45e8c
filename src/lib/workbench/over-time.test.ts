import { expect, it } from 'vitest';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf, right, wait } from '$core/testing/sample';
import { Player } from '$lib/timeline/player.svelte';
import { mostSeries, OverTime } from './over-time.svelte';

const course = courseOf();
const slowStart = wait(1);
const [leg, turn] = [go(0.4), right(90)];
const attemptOf = (steps: Parameters<typeof planOf>[0], seed = 3) =>
	simulate({ plan: planOf(steps), course, variation: 'classroom', seed, isWatched: true });

globalThis.cancelAnimationFrame = () => {};

function chart() {
	const player = new Player();
	player.show(attemptOf([leg, turn]));
	return { player, over: new OverTime({ player, previous: null }) };
}

it('begins with what everybody looks for, and draws what is chosen, up to eight', () => {
	const { over } = chart();
	expect(over.chosen.map(({ key }) => key)).toEqual(['column.speed', 'pose.bearing']);
	over.toggle('pose.bearing');
	over.toggle('reading.distanceAhead');
	expect(over.chosen.map(({ key }) => key)).toEqual(['column.speed', 'reading.distanceAhead']);
	for (const { key } of over.offered)
		if (!over.chosen.some((each) => each.key === key)) over.toggle(key);
	expect(over.chosen).toHaveLength(mostSeries);
	expect(over.isFull).toBe(true);
	expect(over.offered.some(({ unit }) => unit === 'colour')).toBe(false);
});

it('goes nearer around a moment, never past the ends, and back', () => {
	const { player, over } = chart();
	const all = player.duration;
	expect([over.from, over.to]).toEqual([0, all]);
	over.zoom(all / 4, 2);
	expect(over.from).toBeCloseTo(all / 8);
	expect(over.to - over.from).toBeCloseTo(all / 2);
	over.pan(9);
	expect(over.to).toBeCloseTo(all);
	over.follow(0.1);
	expect(over.from).toBe(0.1 - (all / 2) * 0.1 > 0 ? 0.1 - (all / 2) * 0.1 : 0);
	over.zoom(1, 1e9);
	expect(over.to - over.from).toBeCloseTo(0.2);
	over.zoom(1, 1e-9);
	expect(over.isWhole).toBe(true);
});

it('lays another attempt on the axis, aligned at Run or where a step began', () => {
	const { player, over } = chart();
	over.compare('kept', attemptOf([slowStart, leg, turn], 8));
	expect(over.shift).toBe(0);
	expect(over.to).toBeCloseTo(player.duration + 1, 0);
	expect(over.alignments.map(({ number }) => number)).toEqual([1, 2]);
	over.alignment = leg.id;
	expect(over.shift).toBeCloseTo(-1, 1);
	const [speed, , other] = over.lines(200);
	expect(other).toMatchObject({ isOther: true, place: 0 });
	expect(other!.series.key).toBe(speed!.series.key);
	// Both set off at the same place of the axis.
	const setsOff = ({ points }: NonNullable<typeof speed>) => points.find(({ y }) => y > 0.05)!.x;
	expect(setsOff(other!)).toBeCloseTo(setsOff(speed!), 1);
	over.compare('previous');
	expect(over.lines(200)).toHaveLength(2);
});
