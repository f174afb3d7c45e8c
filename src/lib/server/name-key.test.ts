import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nameKey } from './name-key';

describe('a name', () => {
	it.each([
		['Ada', 'ADA'],
		['Ada', 'ａｄａ'],
		['Zoë', 'Zoe\u0308'],
		['Straße', 'STRASSE'],
		['ΟΔΥΣΣΕΥΣ', 'οδυσσευς'],
		['Ada', 'A\u200bd\u00ada\ufe0f'],
		['Ada Piet', 'Ada\u00a0 Piet'],
		['ﬁn', 'FIN'],
		['Å', '\u212b']
	])('%s is the same person as %s', (one, other) => {
		expect(nameKey(one)).toBe(nameKey(other));
	});

	it.each([
		['Ada', 'Ade'],
		['Zoe', 'Zoë'],
		['Isik', 'Işık'],
		['Ann', 'An n']
	])('%s is somebody else than %s', (one, other) => {
		expect(nameKey(one)).not.toBe(nameKey(other));
	});

	it('of invisible signs alone is no name', () => {
		expect(nameKey('\u200b\u2060\ufeff\u3164')).toBe('');
	});

	it('keeps its key in capitals, in small letters and decomposed', () => {
		const names = fc.string({ unit: 'grapheme', maxLength: 12 });
		fc.assert(
			fc.property(names, (name) => {
				const key = nameKey(name);
				expect(nameKey(key)).toBe(key);
				expect(nameKey(name.normalize('NFD'))).toBe(key);
			})
		);
	});

	it('has one key for all letters that Unicode folds together', () => {
		for (let code = 0x20; code < 0x1_e944; code++) {
			if (code >= 0xd800 && code < 0xe000) continue;
			const letter = String.fromCodePoint(code);
			const other = letter.toUpperCase();
			if (other === letter) continue;
			const folds = new RegExp(`^${letter.replace(/[^\p{L}\p{N}]/u, '.')}$`, 'iu');
			if (Array.from(other).length === 1 && folds.test(other) && letter !== 'ı')
				expect(nameKey(other), code.toString(16)).toBe(nameKey(letter));
		}
	});
});
