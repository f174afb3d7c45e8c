import { describe, expect, it } from 'vitest';
import { gripOf, pulledBy } from './grip';
import type { Part, PartName } from '../course';

const samples: readonly (readonly [PartName, Part])[] = [
	['crates', { id: 'a', at: [1, 1], bearing: 30, width: 0.2, depth: 0.1, mass: 0.2 }],
	['gates', { id: 'a', at: [1, 1], bearing: 210, width: 0.5, height: 0.8, shape: 'door' } as Part],
	['pads', { id: 'a', at: [1, 1], radius: 0.15 }],
	['lampPosts', { id: 'a', at: [1, 1], reach: 0.15 }]
];
const size = (value: Part) => {
	const { width, depth, radius, reach } = value as unknown as Record<string, number>;
	return { width, depth, radius, reach };
};

describe('a grip', () => {
	it.each(samples)(
		'of %s leaves it as it is where it lies, whatever way it looks',
		(part, value) => {
			expect(size(pulledBy(part, value, gripOf(part, value)!, 0.05))).toEqual(size(value));
		}
	);

	it('pulled beyond both sides makes a crate as large as the hand is far, its middle stays', () => {
		const crate: Part = { id: 'a', at: [1, 1], bearing: 90, width: 0.1, depth: 0.1, mass: 0.2 };
		// Bearing 90: along is east, width lies north and south.
		expect(pulledBy('crates', crate, [0.8, 1.123], 0.01)).toEqual({
			...crate,
			depth: 0.4,
			width: 0.25
		});
	});

	it('never leaves what such a part can be', () => {
		const crate: Part = { id: 'a', at: [1, 1], bearing: 0, width: 0.1, depth: 0.1, mass: 0.2 };
		expect(pulledBy('crates', crate, [1, 1], 0.05)).toMatchObject({ width: 0.05, depth: 0.05 });
		expect(pulledBy('crates', crate, [9, 9], 0.05)).toMatchObject({ width: 1, depth: 1 });
		expect(pulledBy('lampPosts', samples[3]![1], [1, 1], 0.001)).toMatchObject({ reach: 0.02 });
	});

	it('is not there where corners do it', () => {
		const wall = { id: 'a', from: [0, 0], to: [1, 0], thickness: 0.02 } as Part;
		expect(gripOf('walls', wall)).toBeUndefined();
	});
});
