import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { darkLamps, gridSize, readPicture, writePicture } from './picture';

const dark = Array.from({ length: 8 }, () => '........').join('/');

describe('a picture', () => {
	it('is the same again from its text, whatever its size', () => {
		const side = fc.integer({ min: 1, max: 16 });
		fc.assert(
			fc.property(side, side, fc.array(fc.nat(0xffffff)), (columns, rows, some) => {
				const size = { columns, rows };
				const lamps = darkLamps(size).map((_, i) => some[i] ?? 0);
				expect(readPicture(writePicture(lamps, size), size)).toEqual(lamps);
			})
		);
	});

	it('has its lamps from the top left', () => {
		expect(writePicture(darkLamps(gridSize))).toBe(dark);
		expect(readPicture(dark.replace('.', 'ffb020'))!.indexOf(0xffb020)).toBe(0);
		expect(readPicture(`${dark.slice(0, -1)}0000ff`)!.at(-1)).toBe(0xff);
	});

	it('is not read from what is none: too small, too large, other letters', () => {
		const others = ['', '.', dark.slice(1), `${dark}.`, `${dark}/........`];
		for (const text of [...others, dark.replace('.', 'FFB020'), dark.replace('.', ' .')])
			expect(readPicture(text), text).toBeNull();
	});
});
