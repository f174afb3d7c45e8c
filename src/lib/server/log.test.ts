import { describe, expect, it } from 'vitest';
import { Log } from './log';

describe('the log', () => {
	it('writes one line a failure, with cause and place, however long its message', () => {
		const lines: string[] = [];
		new Log((line) => lines.push(line)).failed(
			new TypeError(`a\nb\u2028${'x'.repeat(999)}`),
			'GET /'
		);
		expect(lines).toHaveLength(1);
		expect(lines[0]).toMatch(
			/^\d{4}-\S+Z GET \/: TypeError: a b x+ \(at .*log\.test\.ts:\d+:\d+\)$/
		);
		expect(lines[0]!.length).toBeLessThan(500);
	});

	it('says what comes a thousand times in a minute in a handful of lines', () => {
		const lines: string[] = [];
		let now = 0;
		const log = new Log(
			(line) => lines.push(line),
			() => now
		);
		for (let i = 0; i < 1000; i++) log.failed(new Error('locked'), 'PUT /');
		log.failed(new Error('another'), 'PUT /');
		expect(lines).toHaveLength(6);
		now = 61_000;
		log.failed(new Error('locked'), 'PUT /');
		expect(lines.slice(6)[0]).toContain('995 more of: Error: locked');
		expect(lines).toHaveLength(8);
	});
});
