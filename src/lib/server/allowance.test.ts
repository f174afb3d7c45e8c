import { describe, expect, it } from 'vitest';
import { Allowances } from './allowance';

const minute = 60_000;
const taken = (allowance: Allowances, key: string, times: number, now: number) =>
	Array.from({ length: times }, () => allowance.takes(key, now)).filter(Boolean).length;

describe('what one may make at once', () => {
	it('is so much, comes back with time, and is each one’s own', () => {
		const allowance = new Allowances(10, 2);
		expect(taken(allowance, 'maren', 30, 0)).toBe(10);
		expect(taken(allowance, 'piet', 30, 0)).toBe(10);
		expect(taken(allowance, 'maren', 30, 3 * minute)).toBe(6);
		expect(taken(allowance, 'maren', 30, 300 * minute), 'never more than at first').toBe(10);
	});

	it('is the same for whoever tries without end: an hour gives no more than its share', () => {
		const allowance = new Allowances(10, 2);
		let all = 0;
		for (let second = 0; second < 3600; second++) all += taken(allowance, 'x', 3, second * 1000);
		expect(all).toBeGreaterThanOrEqual(10 + 119);
		expect(all).toBeLessThanOrEqual(10 + 120);
	});

	it('forgets whoever has all of it back, however many there were', () => {
		const allowance = new Allowances(2, 1);
		for (let i = 0; i < 30_000; i++) allowance.takes(`one-${i}`, i);
		expect(allowance['of'].size).toBeLessThanOrEqual(10_000);
		expect(taken(allowance, 'one-29999', 5, 30_000)).toBe(1);
	});
});
