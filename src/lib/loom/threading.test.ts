import { expect, it } from 'vitest';
import { darkLamps, gridSize, readPicture, writePicture } from '$core/pictures/picture';
import { Threading } from './threading.svelte';

function loomOf(picture = writePicture(darkLamps(gridSize))) {
	let changes = 0;
	const loom = new Threading(
		() => picture,
		(next) => {
			picture = next;
			changes += 1;
		}
	);
	/** The lamps that are lit. */
	const lit = () => readPicture(picture)!.flatMap((lamp, index) => (lamp > 0 ? [index] : []));
	const stroke = (...lamps: number[]) => {
		loom.begin(lamps[0]!);
		for (const lamp of lamps.slice(1)) loom.over(lamp);
		loom.end();
	};
	return { loom, lit, stroke, changes: () => changes };
}

it('threads what is pulled over in one change, and puts out what had the colour already', () => {
	const { loom, lit, stroke, changes } = loomOf();
	stroke(0, 1, 2);
	expect([lit(), changes()]).toEqual([[0, 1, 2], 1]);
	stroke(1, 2);
	expect([lit(), changes()]).toEqual([[0], 2]);
	loom.colour = 0xff;
	stroke(0);
	expect(loom.lamps[0]).toBe(0xff);
});

it('threads all on a straight line of a hand that is quicker than it is told of', () => {
	const { lit, stroke } = loomOf();
	stroke(0, 3, 27);
	expect(lit()).toEqual([0, 1, 2, 3, 11, 19, 27]);
	const slanted = loomOf();
	slanted.stroke(56, 35);
	expect(slanted.lit()).toEqual([35, 42, 49, 56]);
});

it('shows a stroke while it goes on, and forgets one that is dropped', () => {
	const { loom, lit, changes } = loomOf();
	loom.begin(9);
	expect(loom.lamps[9]).toBe(0xffb020);
	loom.drop();
	loom.over(10);
	loom.end();
	expect([lit(), changes()]).toEqual([[], 0]);
});

it('threads by its mirror lines as well', () => {
	const { loom, lit, stroke } = loomOf();
	loom.sides = true;
	stroke(1);
	expect(lit()).toEqual([1, 6]);
	loom.ends = true;
	stroke(8);
	expect(lit()).toEqual([1, 6, 8, 15, 48, 55]);
	loom.clear();
	expect(lit()).toEqual([]);
});

it('takes a colour from the grid, and threads nothing by that', () => {
	const { loom, lit, stroke, changes } = loomOf();
	loom.colour = 0x38d39f;
	stroke(5);
	loom.colour = 0xff;
	loom.isTaking = true;
	stroke(5);
	expect([loom.colour, loom.isTaking, changes()]).toEqual([0x38d39f, false, 1]);
	loom.isTaking = true;
	stroke(6);
	expect([loom.colour, lit()]).toEqual([0x38d39f, [5]]);
});
