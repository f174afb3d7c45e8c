import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import * as exact from './exact';
import { runs } from './testing/runs';

/** Numbers that a double can hold between two of the same size. */
function unitsApart(one: number, other: number): number {
	if (Object.is(one, other) || one === other) return 0;
	if (Number.isNaN(one) || Number.isNaN(other)) return Infinity;
	const unit = 2 ** (Math.max(-1022, Math.floor(Math.log2(Math.abs(other)))) - 52);
	return Math.abs(one - other) / unit;
}

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const within =
	(units: number, ours: (x: number) => number, engine: (x: number) => number) =>
	(x: number): void => {
		expect(unitsApart(ours(x), engine(x))).toBeLessThanOrEqual(units);
	};

describe('elementary functions', () => {
	it.each([
		['sin', 2, exact.sin, Math.sin, between(-1000, 1000)],
		['cos', 2, exact.cos, Math.cos, between(-1000, 1000)],
		['atan', 2, exact.atan, Math.atan, between(-100, 100)],
		['exp', 2, exact.exp, Math.exp, between(-740, 709)],
		['log', 2, exact.ln, Math.log, fc.double({ min: 0, noNaN: true })],
		['acos', 4, exact.acos, Math.acos, between(-1, 1)],
		['asin', 4, exact.asin, Math.asin, between(-1, 1)]
	])('%s is within %i units of what the engine gives', (_, units, ours, engine, numbers) => {
		fc.assert(fc.property(numbers, within(units, ours, engine)), { numRuns: runs(5000, 20_000) });
	});

	it('atan2 and power agree with the engine, at their edges too', () => {
		const some = fc.oneof(between(-10, 10), fc.constantFrom(0, -0, 1, -1, Infinity, -Infinity));
		fc.assert(
			fc.property(some, some, (y, x) => {
				if (Math.abs(x) === Infinity || Math.abs(y) === Infinity) return;
				expect(exact.atan2(y, x)).toBeCloseTo(Math.atan2(y, x), 14);
			})
		);
		fc.assert(
			fc.property(between(1e-3, 1e3), between(-20, 20), (base, exponent) => {
				const engine = base ** exponent;
				expect(Math.abs(exact.raised(base, exponent) / engine - 1)).toBeLessThan(1e-12);
			})
		);
		for (const [base, exponent] of [
			[2, 10],
			[10, -3],
			[-2, 3],
			[0, 0],
			[0, 2],
			[0, -1],
			[9, 0.5],
			[-1, 0.3],
			[-8, 1025],
			[NaN, 1]
		] as const) {
			expect(exact.raised(base, exponent)).toBe(base ** exponent);
		}
		expect(exact.sin(1e300)).toBeGreaterThanOrEqual(-1);
		expect([exact.acos(2), exact.asin(-2), exact.ln(-1), exact.sin(Infinity)]).toEqual(
			Array(4).fill(NaN)
		);
	});
});

describe('the bits of functions', () => {
	// Worked out once; any engine has to give these again.
	it('are those that are written down', () => {
		const hash = Array.from({ length: 1000 }, (_, i) => i / 37 - 13)
			.flatMap((x) => [
				...[exact.sin(x), exact.cos(x), exact.tan(x), exact.atan(x), exact.exp(x)],
				...[exact.ln(x + 14), exact.acos(x / 15), exact.asin(x / 15), exact.atan2(x, 3 - x)],
				exact.raised(x + 14, x)
			])
			.reduce((sum, value) => {
				const [low, high] = new Uint32Array(Float64Array.of(value).buffer);
				return Math.imul(Math.imul(sum ^ low!, 0x01000193) ^ high!, 0x01000193);
			}, 0x811c9dc5);
		expect(hash).toBe(856833181);
	});
});
