import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeLabels } from './labels';

const ends = fc.array(
	fc.record({
		x: fc.double({ min: 0, max: 300, noNaN: true }),
		y: fc.double({ min: 0, max: 200, noNaN: true }),
		number: fc.nat(999),
		stepId: fc.uuid()
	}),
	{ maxLength: 40 }
);

describe('numbers of legs', () => {
	it('never lie on each other', () => {
		fc.assert(
			fc.property(ends, (list) => {
				const boxes = placeLabels(list).flatMap(({ x, y, width, at }) =>
					at ? [{ x: x + at.x, y: y + at.y, width }] : []
				);
				boxes.forEach((one, index) => {
					for (const other of boxes.slice(0, index)) {
						const isBeside = Math.abs(one.x - other.x) >= (one.width + other.width) / 2;
						expect(isBeside || Math.abs(one.y - other.y) >= 20).toBe(true);
					}
				});
			})
		);
	});

	it('share a label where legs end at the same spot, and go to another side where one is taken', () => {
		const end = (number: number, x: number) => ({ x, y: 0, number, stepId: `s${number}` });
		const [first, second] = placeLabels([end(1, 0), end(2, 5), end(3, 20)]);
		expect(first).toMatchObject({ text: '1 · 2', stepId: 's1' });
		expect(first!.at!.y).toBeLessThan(0);
		expect(second).toMatchObject({ text: '3' });
		expect(second!.at!.y).toBeGreaterThan(0);
	});

	it('never lie on a robot, though one stands at the end of a leg', () => {
		const robot = fc.record({
			x: fc.double({ min: 0, max: 300, noNaN: true }),
			y: fc.double({ min: 0, max: 200, noNaN: true }),
			radius: fc.double({ min: 5, max: 60, noNaN: true })
		});
		fc.assert(
			fc.property(ends, fc.array(robot, { maxLength: 3 }), (list, robots) => {
				for (const { x, y, width, at } of placeLabels(list, robots)) {
					if (!at) continue;
					for (const one of robots) {
						const dx = Math.max(0, Math.abs(x + at.x - one.x) - width / 2);
						const dy = Math.max(0, Math.abs(y + at.y - one.y) - 10);
						expect(Math.hypot(dx, dy)).toBeGreaterThanOrEqual(one.radius);
					}
				}
			})
		);
		const [label] = placeLabels(
			[{ x: 0, y: 0, number: 7, stepId: 's7' }],
			[{ x: 0, y: 0, radius: 40 }]
		);
		expect(label!.at).not.toBeNull();
	});

	it('are not said again where the next round ends near by', () => {
		const end = (x: number) => ({ x, y: 0, number: 7, stepId: 's7' });
		expect(placeLabels([end(0), end(60), end(119), end(140)]).map(({ at }) => at !== null)).toEqual(
			[true, false, false, true]
		);
	});
});
