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

/** Each kind of robot has its own of these; a step's builder is called as its step is. */
const own = /^src\/core\/(robots\/\w+\/|examples\/making|testing\/)/;

it('exports each name for one thing', () => {
	const files = readdirSync(join(root, 'src'), { recursive: true, encoding: 'utf8' })
		.map((file) => `src/${file.replaceAll('\\', '/')}`)
		.filter((file) => /(?<!\.test)\.(ts|svelte)$/.test(file))
		.filter((file) => !own.test(file) && !/^src\/(routes|params)\//.test(file));
	const homes = new Map<string, string>();
	const twice: string[] = [];
	for (const file of files) {
		const text = readFileSync(join(root, file), 'utf8');
		const names = text.matchAll(
			/^\t?export (?:async )?(?:const|function\*?|class|interface|type) (\w+)/gm
		);
		for (const [, name] of names) {
			const home = homes.get(name!);
			if (home && home !== file) twice.push(`${name}: ${home}, ${file}`);
			homes.set(name!, file);
		}
	}
	expect(homes.size).toBeGreaterThan(500);
	expect(twice).toEqual([]);
});
