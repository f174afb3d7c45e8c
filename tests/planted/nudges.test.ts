/** Whatever can be reached is reached, and what cannot is said not to be. */
import { expect, it } from 'vitest';
import { tryNudges } from './nudges';

it('pulls legs of all kinds to where they can end', () => {
	const all = tryNudges(90);
	for (const { kind, isReachable, isHeading, miss, found } of all) {
		expect(found.isReached, kind).toBe(isReachable);
		if (isReachable) expect(miss, kind).toBeLessThan(isHeading ? 0.0087 : 0.003);
	}
	expect(all.filter(({ isInLoop }) => isInLoop).length).toBeGreaterThan(20);
	expect(all.filter(({ isReachable }) => !isReachable).length).toBeGreaterThan(3);
});
