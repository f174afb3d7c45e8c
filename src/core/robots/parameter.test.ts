import { describe, expect, it } from 'vitest';
import { Random } from '../random/random';
import { robotKinds } from './kinds';
import { modelOf } from './models';
import { around, beside, drawValues, from, same, type ParameterValues } from './parameter';

const many = Array.from({ length: 20_000 }, (_, seed) => seed);
const mean = (numbers: readonly number[]) =>
	numbers.reduce((sum, number) => sum + number, 0) / numbers.length;

describe('a spread', () => {
	it.each([
		['from', from(0.4, 1)],
		['around', around(1, 0.03)],
		['beside', beside(1, 0.01, 0.03)],
		['same', same(0.7)]
	])('draws with the mean and the deviation that it says: %s', (_, spread) => {
		const chance = new Random(4);
		const values = many.map(() => spread.draw(chance));
		const middle = mean(values);
		const deviation = Math.sqrt(mean(values.map((value) => (value - middle) ** 2)));
		expect(Math.abs(middle - spread.mean)).toBeLessThanOrEqual(0.04 * spread.sigma + 1e-9);
		expect(Math.abs(deviation - spread.sigma)).toBeLessThanOrEqual(0.03 * spread.sigma + 1e-9);
	});
});

describe.each(robotKinds)('the parameters of a $kind', (kind) => {
	const { parameters } = modelOf(kind.kind);
	const like = (given?: ParameterValues, name = 'Tallow') =>
		drawValues(parameters, {
			name,
			variation: 'worn',
			chance: new Random(7),
			...(given && { parameters: given })
		});

	it('are drawn within their ranges, the same by the same name, those of the day by chance', () => {
		for (let seed = 0; seed < 200; seed++) {
			for (const variation of ['classroom', 'worn'] as const) {
				const name = `robot ${seed % 20}`;
				const values = drawValues(parameters, { name, variation, chance: new Random(seed) });
				const again = drawValues(parameters, { name, variation, chance: new Random(seed + 1) });
				for (const [key, { range, of }] of Object.entries(parameters)) {
					expect(values[key]!, key).toBeGreaterThanOrEqual(range[0]);
					expect(values[key]!, key).toBeLessThanOrEqual(range[1]);
					if (of === 'robot') expect(again[key], key).toBe(values[key]);
				}
			}
		}
	});

	it('change nothing else where one of them is given, as far as its range goes', () => {
		const before = like();
		for (const [key, { range }] of Object.entries(parameters)) {
			const [least, most] = range;
			const given = (least + most) / 2;
			expect(like({ [key]: given })).toEqual({ ...before, [key]: given });
			expect(like({ [key]: 1e9 })).toEqual({ ...before, [key]: most });
		}
	});
});
