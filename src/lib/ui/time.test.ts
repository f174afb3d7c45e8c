import { describe, expect, it } from 'vitest';
import { sayTime } from './time.svelte';

describe('a moment', () => {
	const now = Date.parse('2026-11-26T12:00:00Z');
	it.each([
		[0, 'just now'],
		[59, 'just now'],
		[60, '1 minute ago'],
		[600, '10 minutes ago'],
		[3_569, '59 minutes ago'],
		[3_571, '1 hour ago'],
		[7_200, '2 hours ago'],
		[84_000, '23 hours ago'],
		[86_400, 'yesterday'],
		[3 * 86_400, '3 days ago'],
		[8 * 86_400, 'Nov 18, 2026'],
		// The server's clock is a little ahead of this device's.
		[-20, 'just now']
	])('%d s ago is said as %s', (seconds, words) => {
		expect(sayTime(new Date(now - seconds * 1000).toISOString(), now)).toBe(words);
	});
});
