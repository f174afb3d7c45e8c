import { expect, it } from 'vitest';
import { placeLetters } from './letters';

/** Pixels a metre. */
const scale = 200;

it('stand clear of robots and of each other, wherever attempts end', () => {
	for (let seed = 1; seed <= 40; seed++) {
		const part = (i: number) => ((seed * 7919 + i * 104_729) % 97) / 97;
		// Ten that end within a few centimetres of each other, and of where a robot stands.
		const ends = Array.from({ length: 10 }, (_, letter) => ({
			letter,
			x: 1 + 0.3 * part(2 * letter),
			y: 1 + 0.3 * part(2 * letter + 1)
		}));
		const standing = [{ x: 1.1, y: 1.1 }];
		const ways = placeLetters(ends, standing, scale);
		const places = ways.map((way, i) => ({ x: ends[i]!.x + way.x, y: ends[i]!.y + way.y }));
		for (const [i, { x, y }] of places.entries()) {
			expect(Math.hypot(x - 1.1, y - 1.1), `${seed}`).toBeGreaterThanOrEqual(0.109);
			for (const other of places.slice(0, i))
				expect(Math.hypot(x - other.x, y - other.y) * scale, `${seed}`).toBeGreaterThan(21.9);
		}
	}
});
