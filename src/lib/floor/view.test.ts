import { describe, expect, it } from 'vitest';
import { courseOf } from '$core/testing/sample';
import { besidePanel, fit } from './view';

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

	it('one that is far from the panel stays in the middle', () => {
		const slim = shown(1200, 500, [0.5, 2]);
		expect(slim.left).toBeCloseTo(slim.right, 6);
	});
});
