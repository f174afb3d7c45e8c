/**
 * Attempts are kept as their inputs, so the same input has to give the same numbers for ever, or the
 * model's version has to say that it does not. To take over a change that is meant: raise
 * `modelVersion`, say why in docs/decisions, and run `npm run pins`.
 */
import { describe, expect, it } from 'vitest';
import { fingerprintOf } from '../../src/core/simulation/fingerprint';
import { modelVersion } from '../../src/core/simulation/settings';
import { simulate } from '../../src/core/simulation/simulate';
import { readPins } from './pins';
import { pinnedRehearsals } from './rehearsals';

const pins = readPins();
const rehearsals = pinnedRehearsals();

describe(`version ${modelVersion} of the model`, () => {
	it('is the one whose numbers are pinned', () => {
		expect(pins.modelVersion).toBe(modelVersion);
		expect(Object.keys(pins.attempts)).toEqual(Object.keys(rehearsals));
		expect(new Set(Object.values(pins.attempts)).size).toBe(Object.keys(rehearsals).length);
	});
	it.each(Object.entries(rehearsals))('gives the same bytes: %s', (name, rehearsal) => {
		expect(fingerprintOf(simulate(rehearsal))).toBe(pins.attempts[name]);
	});
});
