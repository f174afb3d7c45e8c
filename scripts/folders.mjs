/**
 * Draws the floors of the source, as the lint holds them, into docs/folders.svg: each imports only what
 * stands below it, and `lib` all of `core`.
 */
import { writeFileSync } from 'node:fs';
import { floors, layers } from './floors.mjs';

const [width, height, gap] = [190, 26, 6];
const top = 74;

const box = (x, y, text, kind, w = width) =>
	`<rect class="${kind}" x="${x}" y="${y}" width="${w}" height="${height}" rx="5"/>` +
	`<text x="${x + w / 2}" y="${y + 17}" text-anchor="middle">${text}</text>`;

/** From the highest down. */
function tower(x, title, kind, names) {
	const boxes = names
		.toReversed()
		.map((name, index) => box(x, top + index * (height + gap), name, kind));
	return [`<text class="title" x="${x}" y="${top - 14}">${title}</text>`, ...boxes];
}

const core = ['root files', ...layers];
const lib = ['root files', ...floors];
const ends = top + Math.max(core.length, lib.length) * (height + gap);
const apart = [
	['routes', 'pages: import lib'],
	['lib/server', 'imports core, i18n, what lib sends and hears'],
	['workers', 'wrap core for a page'],
	['cli', 'core from a command line'],
	['standin', 'the yard: core alone']
];
const drawing = [
	`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 860 ${ends + 20}" width="860" height="${ends + 20}" role="img" aria-label="Floors of the source: each imports only what stands below it, and lib all of core">`,
	'<style>rect{stroke:#3a4a63;stroke-width:1.2}.core{fill:#eef7f5}.lib{fill:#fff8e6}.apart{fill:#f3f4f8}text{font:13px system-ui,sans-serif;fill:#16233c}.title{font-size:15px;font-weight:600}.small{font-size:11.5px;fill:#4a5872}</style>',
	'<text class="title" x="20" y="26">Each imports only what stands below it; lib imports core</text>',
	...tower(20, 'src/lib', 'lib', lib),
	...tower(250, 'src/core', 'core', core),
	`<text class="title" x="480" y="${top - 14}">apart</text>`,
	...apart.flatMap(([name, about], index) => {
		const y = top + index * (height + gap + 16);
		return [
			box(480, y, name, 'apart', 110),
			`<text class="small" x="600" y="${y + 17}">${about}</text>`
		];
	}),
	'</svg>'
].join('\n');

writeFileSync(new URL('../docs/folders.svg', import.meta.url), `${drawing}\n`);
