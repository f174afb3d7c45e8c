import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { holdsUnseen, nameKey, skeletonOf } from './name-key';

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

	it.each([
		['Ode', '\u041e\u0064\u0435', 'Cyrillic'],
		['Ode', '\u039f\u0064\u0065', 'Greek'],
		['Maren', '\u041c\u0430\u0072\u0435\u006e', 'mixed'],
		['Ode', '\uff2f\uff24\uff25', 'wide']
	])('%s looks like %s (%s)', (one, other) => {
		expect(skeletonOf(one)).toBe(skeletonOf(other));
	});

	it.each([
		['Zoë', 'Zoe'],
		['Łukasz', 'Lukasz'],
		['Борис', 'Борус'],
		['米娜', '米那'],
		['Ode', 'Odo']
	])('%s does not look like %s', (one, other) => {
		expect(skeletonOf(one)).not.toBe(skeletonOf(other));
	});

	it('that has what nobody can see is told from one that has not', () => {
		for (const name of ['O\u202ede', 'Ode\u3164', '\u2800Ode', 'O\u00adde', 'O\u200bde'])
			expect(holdsUnseen(name), escape(name)).toBe(true);
		for (const name of ['Ode', 'Zoë', 'علی\u200cرضا', '👩\u200d🚀', '米娜', 'Ann Lee'])
			expect(holdsUnseen(name), name).toBe(false);
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
