/**
 * Tells a robot's maker what of the link protocol holds: see docs/link.md.
 *
 *   npm run robot-check -- URL [--yard URL]
 *
 * URL is the robot's own address, as in ws://localhost:4174/robots/tallow. The signs that it shows are
 * asked for; --yard reads those of a stand-in from its yard. Exit 0 when all holds, 1 when something
 * does not, 2 for bad input.
 */
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { addMessages, t } from '../../lib/i18n/messages';
import { areSigns, checkRobot } from './checks';
import words from './words.en.json' with { type: 'json' };

addMessages(words);

function refuse(key: string): never {
	console.error(`robot-check: ${t(key)}`);
	process.exit(2);
}

const { values, positionals } = parseArgs({
	options: { yard: { type: 'string' } },
	allowPositionals: true
});
const [url] = positionals;
if (!url || !/^wss?:\/\//.test(url)) refuse('robotCheck.usage');

async function fromYard(yard: string, robot: string): Promise<readonly number[]> {
	const sight = (await (await fetch(new URL('/look', yard))).json()) as {
		robots: { id: string; signs?: number[] }[];
	};
	return sight.robots.find(({ id }) => id === robot)?.signs ?? [];
}

async function fromPerson(): Promise<readonly number[]> {
	const lines = createInterface({ input: process.stdin, output: process.stdout });
	// Nobody is there who could look.
	lines.once('close', () => refuse('robotCheck.nobody'));
	for (;;) {
		const text = await lines.question(`${t('robotCheck.signs')} `);
		const signs = [...text.matchAll(/\d/g)].map(Number);
		if (areSigns(signs)) {
			lines.removeAllListeners('close');
			lines.close();
			return signs;
		}
	}
}

const robot = url.split('/').at(-1)!;
const findings = await checkRobot(url, {
	readSigns: () => (values.yard ? fromYard(values.yard, robot) : fromPerson())
});
for (const { check, holds, seen } of findings) {
	const line = `${holds ? 'holds' : 'FAILS'}  ${t(`robotCheck.${check}`)}`;
	console.log(seen ? `${line} (${seen})` : line);
}
const failed = findings.filter(({ holds }) => !holds).length;
console.log(t('robotCheck.sum', { failed, all: findings.length }));
process.exit(failed > 0 ? 1 : 0);
