import { describe, expect, it } from 'vitest';
import { heightBeyondOneLine, type WordPiece } from './tag-lines';

/** Every letter 10 pixels wide, a chip 32 high: one line takes 36, a line of words alone 24. */
const face = { widthOf: (text: string) => text.length * 10, chipHeight: 32 };
const words = (text: string): WordPiece => ({ text, isChip: false });
const chip = (text: string): WordPiece => ({ text, isChip: true });
const beyond = (pieces: WordPiece[], room: number) => heightBeyondOneLine(pieces, room, face);

describe('the lines of a tag', () => {
	const go = [words('Go '), chip('80 cm'), words(' at '), chip('40 %')];
	// 20 + 10 + 65 + 10 + 20 + 10 + 55

	it('is one as long as everything has room', () => {
		expect(beyond(go, 190)).toBe(0);
		expect(beyond(go, 189)).toBe(36);
	});

	it('breaks between words, and keeps a comma at its value', () => {
		const tone = [words('Tone '), chip('A4'), words(', '), chip('wait')];
		// "Tone" and the chip with its comma take 40 + 10 + 35 + 10.
		expect(beyond(tone, 95)).toBe(36);
		expect(beyond(tone, 94)).toBe(24 + 36);
	});

	it('breaks inside a value that is wider than a line', () => {
		// In 100 pixels, 85 for its letters: "a < 20", "and b <", "30".
		expect(beyond([chip('a < 20 and b < 30')], 100)).toBe(3 * 20 + 6 + 4 - 36);
	});
});
