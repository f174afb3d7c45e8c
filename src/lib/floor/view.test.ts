import { describe, expect, it } from 'vitest';
import { RailPath, type Rail } from '$core/course/rails';
import { tapeCorners, lineOf } from '$core/course/tape';
import { randomCourse } from '$core/testing/random-course';
import { courseOf } from '$core/testing/sample';
import { besideNews, besidePanel, fit, railPath, tapePath, wallPaths } from './view';

const panel = { width: 200, height: 165 };
const shown = (width: number, height: number, [w, h]: [number, number]) => {
	const size = { width: w, height: h };
	const view = besidePanel(fit(courseOf({ size }), width, height), height, panel);
	return {
		left: view.x,
		right: width - view.x - w * view.scale,
		top: view.y - h * view.scale,
		below: height - view.y
	};
};

it('walls that are alike are one path, others one each', () => {
	const wall = (x: number, thickness: number, height?: number) => ({
		...{ id: `w${x}`, from: [x, 0] as [number, number], to: [x, 1.5] as [number, number] },
		...{ thickness, ...(height && { height }) }
	});
	expect(wallPaths([wall(1, 0.02), wall(2, 0.02, 0.3), wall(3, 0.01), wall(4, 0.02)])).toEqual([
		{ d: 'M1.0000,0.0000 1.0000,1.5000M4.0000,0.0000 4.0000,1.5000', thickness: 0.02 },
		{ d: 'M2.0000,0.0000 2.0000,1.5000', thickness: 0.02, height: 0.3 },
		{ d: 'M3.0000,0.0000 3.0000,1.5000', thickness: 0.01 }
	]);
});

describe('a course beside the panel of figures', () => {
	it('a wide one moves up, a square one to the right, and both stay whole', () => {
		const wide = shown(768, 666, [2.4, 1.6]);
		expect(wide.below).toBeGreaterThan(panel.height - 40);
		expect(wide.top).toBeGreaterThanOrEqual(8);
		expect(wide.left).toBeCloseTo(wide.right, 6);
		const square = shown(768, 500, [1, 1]);
		expect(square.left).toBeGreaterThanOrEqual(panel.width - 8);
		expect(square.right).toBeGreaterThanOrEqual(8);
		expect(square.top).toBeCloseTo(square.below, 6);
	});

	it('what is said of an attempt stands below it, left of it, or above it once it has moved down', () => {
		const at = (width: number, height: number, [w, h]: [number, number], corner?: typeof panel) => {
			const course = courseOf({ size: { width: w, height: h } });
			const whole = fit(course, width, height);
			const view = corner ? besidePanel(whole, height, corner) : whole;
			const beside = besideNews(view, course, { height, above: 56 }, corner);
			return { ...beside, top: beside.view.y - h * beside.view.scale };
		};
		expect(at(768, 666, [2.4, 1.6], panel).place).toBe('below');
		expect(at(768, 500, [1, 1], panel).place).toBe('left');
		const alone = at(768, 666, [2.4, 1.8]);
		expect(alone.place).toBe('top');
		expect(alone.top).toBeGreaterThanOrEqual(56);
		// It fills its pane: it stays whole.
		const full = at(768, 500, [2.4, 1.6]);
		expect(500 - full.view.y).toBeGreaterThanOrEqual(8);
	});

	it('one that is far from the panel stays in the middle', () => {
		const slim = shown(1200, 500, [0.5, 2]);
		expect(slim.left).toBeCloseTo(slim.right, 6);
	});
});

/** The places of a path, and of each arc its middle, worked out as SVG 1.1 says (appendix F.6.5). */
function read(path: string) {
	const ends: number[][] = [];
	const centres: number[][] = [];
	for (const [, command, text] of path.matchAll(/([MLA])([^MLAZ]+)/g)) {
		const numbers = text!.trim().split(/[ ,]/).map(Number);
		const to = numbers.slice(-2);
		if (command === 'A') {
			const [x1, y1] = ends.at(-1) as [number, number];
			const [x2, y2] = to as [number, number];
			const [r, sweep] = [numbers[0]!, numbers[4]!];
			const [dx, dy] = [(x1 - x2) / 2, (y1 - y2) / 2];
			const far = dx * dx + dy * dy;
			const root = Math.sqrt(Math.max(0, (r * r - far) / far)) * (sweep === 1 ? 1 : -1);
			centres.push([root * dy + (x1 + x2) / 2, -root * dx + (y1 + y2) / 2]);
		}
		ends.push(to);
	}
	return { ends, centres };
}

describe('lines as paths of straights and arcs', () => {
	it('of a tape go where its line goes, around the same middles', () => {
		let arcs = 0;
		for (let i = 0; i < 60; i++)
			for (const tape of randomCourse([i, 3 * i + 1, 5 * i + 2]).tapes) {
				const { ends, centres } = read(tapePath(tape));
				const wanted = tapeCorners(tape).filter((corner) => 'centre' in corner);
				const line = lineOf(tape);
				expect(ends[0]!.map(Number)).toEqual(line[0]!.map((number) => Number(number.toFixed(4))));
				expect(centres).toHaveLength(wanted.length);
				wanted.forEach(({ centre, radius }, index) => {
					// Places are rounded to a tenth of a millimetre: tiny arcs say little.
					if (radius < 0.02) return;
					arcs += 1;
					expect(Math.abs(centres[index]![0]! - centre[0])).toBeLessThan(0.05 * radius);
					expect(Math.abs(centres[index]![1]! - centre[1])).toBeLessThan(0.05 * radius);
				});
			}
		expect(arcs).toBeGreaterThan(15);
	});

	it('of a rail go round whole circles, either way', () => {
		const loop = (angle: number): Rail => ({
			...{ at: [1, 1], bearing: 0, pieces: [{ length: 0.5 }, { radius: 0.4, angle }] },
			...{ isClosed: false, marks: [] }
		});
		for (const [angle, x] of [
			[360, 1.4],
			[-360, 0.6]
		] as const) {
			const { ends, centres } = read(railPath(new RailPath(loop(angle))));
			expect(ends.at(-1)).toEqual([1, 1.5]);
			for (const centre of centres) {
				expect(centre[0]).toBeCloseTo(x, 3);
				expect(centre[1]).toBeCloseTo(1.5, 3);
			}
			expect(centres.length).toBeGreaterThan(2);
		}
	});
});
