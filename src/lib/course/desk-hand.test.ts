/** A course desk by hand: what presses, pulls and keys make of a course. */
import { beforeEach, expect, it, vi } from 'vitest';
import { courseOf, points, wall } from '$core/testing/sample';
import type { FloorWindow } from '$lib/floor/floor-window.svelte';
import { CourseBench } from './course-bench.svelte';
import { DeskHand } from './desk-hand.svelte';

const saved = vi.hoisted(() => vi.fn());
vi.mock('$lib/saving/saver.svelte', () => ({
	Saver: class {
		change = saved;
	}
}));

const near = { ...wall([0.5, 0.5], [0.5, 1]), id: 'near' };

/** A desk of which a pixel is a centimetre. */
function desk() {
	const bench = new CourseBench(
		{ id: 'c', content: courseOf({ walls: [near] }), revision: 1 },
		null
	);
	bench.scale = 100;
	const view = {
		scale: 100,
		toMetres: ({ clientX, clientY }: PointerEvent) => [clientX / 100, clientY / 100],
		zoomKey: () => false
	} as unknown as FloorWindow;
	const hand = new DeskHand(bench, view);
	const point = (x: number, y: number, more: object = {}) =>
		({
			...{ button: 0, isPrimary: true, pointerId: 1, pointerType: 'mouse', clientX: x, clientY: y },
			...{ currentTarget: { setPointerCapture() {} }, ...more }
		}) as never;
	const press = (x: number, y: number) => {
		hand.down(point(x, y));
		hand.up(point(x, y));
	};
	const key = (name: string, ...held: string[]) =>
		hand.key({
			...{ key: name, code: '', preventDefault() {} },
			getModifierState: (each: string) => held.includes(each)
		} as never);
	return { bench, hand, point, press, key };
}

beforeEach(() => saved.mockClear());

it('goes on with a line from press to press, and Escape ends it, then lets go, then takes the hand', () => {
	const { bench, press } = desk();
	bench.choose('walls');
	press(100, 50);
	expect(bench.course.walls).toHaveLength(1);
	expect(bench.canUndo).toBe(true);
	press(150, 50);
	press(150, 100);
	expect(bench.course.walls.slice(1).map(({ from, to }) => [from, to])).toEqual([
		points('1,0.5 1.5,0.5'),
		points('1.5,0.5 1.5,1')
	]);
	bench.leave();
	expect(bench.laying.isBusy).toBe(false);
	bench.leave();
	expect(bench.selection).toEqual([]);
	bench.leave();
	expect(bench.tool).toBe('select');
});

it('takes a press back before it undoes what was laid', () => {
	const { bench, press } = desk();
	bench.choose('walls');
	press(100, 50);
	bench.undo();
	expect(bench.laying.isBusy).toBe(false);
	expect(bench.canUndo).toBe(false);
	expect(saved).not.toHaveBeenCalled();
});

it('pulls what lies there, once, and a second finger leaves everything as it was', () => {
	const { bench, hand, point } = desk();
	const before = bench.course;
	hand.down(point(50, 75));
	hand.go(point(80, 75));
	hand.go(point(90, 75));
	expect(bench.course.walls[0]!.from).toEqual([0.9, 0.5]);
	hand.down(point(10, 10, { isPrimary: false }));
	expect(bench.course).toBe(before);
	hand.down(point(50, 75));
	hand.go(point(90, 75));
	hand.up(point(90, 75));
	expect(bench.course.walls[0]!.to).toEqual([0.9, 1]);
	expect(saved).toHaveBeenCalledTimes(1);
	bench.undo();
	expect(bench.course).toEqual(before);
});

it('turns nothing that is held fast', () => {
	const { bench, hand, point, key } = desk();
	bench.select([{ part: 'walls', id: 'near' }]);
	bench.setLocked(true);
	const { walls } = bench.course;
	key('ArrowRight');
	hand.down(point(50, 75));
	hand.go(point(90, 75));
	hand.up(point(90, 75));
	bench.remove();
	expect(bench.course.walls).toEqual(walls);
});

it('is worked by keys alone', () => {
	const { bench, key } = desk();
	key('w');
	expect(bench.tool).toBe('walls');
	const [x, y] = bench.cursor;
	key('Enter');
	for (let i = 0; i < 4; i++) key('ArrowUp');
	key('ArrowUp', 'Shift');
	key(' ');
	expect(bench.course.walls).toHaveLength(1);
	key('Enter');
	const { from, to } = bench.course.walls[1]!;
	expect(from).toEqual([x, y]);
	expect(to[1]).toBeGreaterThan(y);
	key('v');
	key('PageDown');
	expect(bench.selection).toHaveLength(1);
});
