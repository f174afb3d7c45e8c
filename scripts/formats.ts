/**
 * Writes the JSON Schemas of docs/formats from the Zod schemas; with --check it only tells whether
 * they are current.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { documentFormats } from '../src/core/documents';
import { advertSchema, fromRobotSchema, toRobotSchema } from '../src/core/link/frames';
import { robotTable } from '../src/core/link/table';

let outdated = 0;

/** What docs/link.md tells of. */
const linkFormats = {
	'link-advert': { schema: advertSchema },
	'link-to-robot': { schema: toRobotSchema },
	'link-from-robot': { schema: fromRobotSchema }
};

for (const [name, { schema }] of Object.entries({ ...documentFormats, ...linkFormats }))
	write(`${name}.schema.json`, z.toJSONSchema(schema as z.ZodType));
write('link-robots.json', robotTable());

function write(name: string, value: unknown): void {
	const file = new URL(`../docs/formats/${name}`, import.meta.url);
	const text = `${JSON.stringify(value, null, '\t')}\n`;
	if (!process.argv.includes('--check')) writeFileSync(file, text);
	else if (readOrEmpty(file) !== text) {
		console.error(`docs/formats/${name} is out of date: run "npm run formats".`);
		outdated += 1;
	}
}
process.exitCode = outdated > 0 ? 1 : 0;

function readOrEmpty(file: URL): string {
	try {
		return readFileSync(file, 'utf8');
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'ENOENT') return '';
		throw error;
	}
}
