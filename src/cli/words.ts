/** Messages for the mission runner: the core's, and the words that stand beside what they name. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { addMessages, type Messages } from '../lib/i18n/messages';

const source = fileURLToPath(new URL('..', import.meta.url));
const beside = readdirSync(join(source, 'core'), { recursive: true, encoding: 'utf8' })
	.filter((file) => file.endsWith('words.en.json'))
	.map((file) => join('core', file));

for (const file of [...beside, 'lib/i18n/core.en.json', 'lib/i18n/expressions.en.json']) {
	addMessages(JSON.parse(readFileSync(join(source, file), 'utf8')) as Messages);
}

export { say } from '../lib/i18n/messages';
