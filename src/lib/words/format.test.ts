import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import type { Quantity } from '$core/steps/definition';
import { preferences } from '$lib/preferences.svelte';
import { reader } from './reader.svelte';
import { readFor, showNumber, showRealSpeed, showSpeed, toShown, toStored } from './format';

const quantities: Quantity[] = [
	...(['length', 'ratio', 'power', 'angle', 'duration', 'count', 'number', 'frequency'] as const)
];

describe('a number in the units of its reader', () => {
	afterEach(() => {
		preferences.choose({ lengths: 'cm', speeds: 'percent' });
		reader.topSpeed = 0.5;
		reader.line = () => undefined;
	});

	it.each(quantities)('of a %s: what is shown is stored as what shows the same', (quantity) => {
		fc.assert(
			fc.property(
				fc.double({ min: -100, max: 100, noNaN: true }),
				fc.constantFrom('cm' as const, 'inch' as const),
				fc.constantFrom('percent' as const, 'perSecond' as const),
				fc.constantFrom(0.2, 0.37, 0.5),
				(value, lengths, speeds, topSpeed) => {
					preferences.choose({ lengths, speeds });
					reader.topSpeed = topSpeed;
					const shown = toShown(quantity, value);
					expect(toShown(quantity, toStored(quantity, shown))).toBe(shown);
					// What the chip says can be typed again.
					if (Math.abs(shown) < 1000 && shown >= 0)
						expect(readFor(quantity, String(shown))).toBe(shown);
				}
			)
		);
	});

	it('follows the robot that is shown', () => {
		preferences.choose({ speeds: 'perSecond' });
		expect(showNumber('power', 0.5)).toBe('25 cm/s');
		reader.topSpeed = 0.2;
		expect(showNumber('power', 0.5)).toBe('10 cm/s');
		expect(showRealSpeed(0.5)).toBe('About 10 cm/s with a full battery');
	});

	it('goes by what was measured of the robot, and says so', () => {
		preferences.choose({ speeds: 'perSecond' });
		// 0.4 m/s for full power more, and a tenth of it moves nothing.
		reader.line = () => ({ slope: 0.4, offset: -0.04 });
		expect(showNumber('power', 0.5)).toBe('16 cm/s');
		expect(toStored('power', 16)).toBeCloseTo(0.5, 9);
		expect(showRealSpeed(0.05)).toBe('About 0 cm/s, measured');
		expect(showSpeed(0.5)).toBe('25 cm/s');
	});
});
