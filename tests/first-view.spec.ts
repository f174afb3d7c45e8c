/** The weight of first views, added up from the build: what each page's entry needs, however late it arrives. */
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

const root = join(import.meta.dirname, '..');
const kit = join(root, '.svelte-kit');

/** Pages by the folder of their route, and the compressed script that their first view may need, kB. */
const pages = { '': 85, 'robots/': 106, 'courses/[id=id]/': 183, 'plans/[id=id]/': 227 };

interface Piece {
	readonly file: string;
	/** What has to be there before it runs, by its key. */
	readonly imports?: readonly string[];
}

const manifest = JSON.parse(
	readFileSync(join(kit, 'output', 'client', '.vite', 'manifest.json'), 'utf8')
) as Readonly<Record<string, Piece>>;
const nodes = Object.keys(manifest).filter((key) => /\/nodes\/\d+\.js$/.test(key));
const isOf = (file: string) => (key: string) =>
	readFileSync(join(root, key), 'utf8').includes(`/${file}"`);

/** The files that a view begins with: how the app starts, its frame, and the page itself. */
function filesOf(page: string): Set<string> {
	const files = new Set<string>();
	const wanted = Object.keys(manifest).filter((key) => /\/(app|entry)\.js$/.test(key));
	wanted.push(...nodes.filter(isOf('src/routes/+layout.svelte')), ...nodes.filter(isOf(page)));
	expect(wanted).toHaveLength(4);
	// The list grows on the way.
	for (const key of wanted) {
		const { file, imports = [] } = manifest[key]!;
		if (!files.has(file)) wanted.push(...imports);
		files.add(file);
	}
	return files;
}

for (const [folder, most] of Object.entries(pages))
	test(`the first view of /${folder} needs at most ${most} kB of compressed script`, () => {
		const files = [...filesOf(`src/routes/${folder}+page.svelte`)];
		const sizes = files.map((file) => statSync(join(root, 'build', 'client', `${file}.br`)).size);
		const total = sizes.reduce((sum, size) => sum + size, 0);
		console.log(`/${folder}: ${Math.round(total / 1024)} kB in ${files.length} files`);
		expect(total).toBeGreaterThan(20 * 1024);
		expect(total).toBeLessThan(most * 1024);
	});
