import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findJsonFault } from './json-fault';
import { runs } from './testing/runs';

describe('a fault of JSON', () => {
	it('is found exactly where JSON.parse refuses', () => {
		const pieces = fc.constantFrom(
			...'{}[],:"\\ \n',
			'1',
			'-',
			'0',
			'.5',
			'e3',
			'true',
			'nul',
			'"a"'
		);
		const texts = fc.array(pieces, { maxLength: 14 }).map((list) => list.join(''));
		fc.assert(
			fc.property(fc.oneof(texts, fc.json()), (text) => {
				let isJson = true;
				try {
					JSON.parse(text);
				} catch {
					isJson = false;
				}
				expect(findJsonFault(text) === undefined).toBe(isJson);
			}),
			{ numRuns: runs(800, 5000) }
		);
	});
});
