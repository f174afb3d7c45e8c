/** The short form of the files part of `npm run soak`. */
import { expect, it } from 'vitest';
import { hostileFiles } from '../../tests/soak/files';
import { runs } from '../core/testing/runs';

it(
	'hostile files are refused in words, or rehearsed within their budget',
	{ timeout: 180_000 },
	() => {
		expect(hostileFiles(runs(6, 150), 7, runs(0, 1) === 0)).toMatchObject({
			stacks: 0,
			unclear: []
		});
	}
);
