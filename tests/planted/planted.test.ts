/** Of nineteen faults in five plans each, most are found; where there is none, hardly any is; mends help. */
import { describe, expect, it } from 'vitest';
import { nameSound, tryFaults } from './trial';

describe('reasons', () => {
	it('find what was planted, and are mended by what they offer', () => {
		const all = tryFaults();
		const said = all.flatMap(({ said }) => said);
		expect(said).toHaveLength(95);
		expect(all.reduce((sum, { found }) => sum + found, 0)).toBeGreaterThanOrEqual(85);
		const mends = all.flatMap(({ mends }) => mends);
		expect(mends.length).toBeGreaterThan(30);
		const helpful = mends.filter(({ left }) => left <= 0.5);
		expect(helpful.length).toBeGreaterThanOrEqual(0.9 * mends.length);
		for (const { what, isUndone } of mends) expect(isUndone, what).toBe(true);
	}, 60_000);

	it('name nothing where nothing is wrong', () => {
		const named = nameSound();
		expect(named).toHaveLength(45);
		expect(named.filter(({ length }) => length === 0).length).toBeGreaterThanOrEqual(43);
	}, 60_000);
});
