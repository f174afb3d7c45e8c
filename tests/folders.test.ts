/** Every folder has its floor, and the picture shows them as the lint holds them. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { floors, layers } from '../scripts/floors.mjs';

const root = join(import.meta.dirname, '..');
const foldersOf = (path: string) =>
	readdirSync(join(root, path), { withFileTypes: true })
		.filter((entry) => entry.isDirectory())
		.map(({ name }) => name)
		.toSorted();

it('has a floor for each folder of src/core and src/lib', () => {
	expect(layers.toSorted()).toEqual(foldersOf('src/core'));
	expect([...floors, 'server'].toSorted()).toEqual(foldersOf('src/lib'));
});

it('is drawn as it is linted', () => {
	const svg = readFileSync(join(root, 'docs/folders.svg'), 'utf8');
	const drawn = [...svg.matchAll(/class="(lib|core)"[^>]*\/><text[^>]*>([^<]*)</g)];
	const tower = (kind: string) => drawn.filter((each) => each[1] === kind).map((each) => each[2]);
	expect(tower('lib')).toEqual(['root files', ...floors].toReversed());
	expect(tower('core')).toEqual(['root files', ...layers].toReversed());
});
