/** The words of steps and devices, which come with it. */
import { addMessages, type Messages } from '$lib/i18n';

const files = import.meta.glob<Messages>(
	['../../core/steps/words.en.json', '../../core/devices/**/words.en.json'],
	{ eager: true, import: 'default' }
);
for (const messages of Object.values(files)) addMessages(messages);
