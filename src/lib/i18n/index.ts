/**
 * Messages for the interface: its own, and the words that stand beside what they name. Those of steps and devices
 * come with `lib/words/core`: home does without them.
 */
import { addMessages, type Messages } from './messages';

const files = import.meta.glob<Messages>(
	['./*.en.json', '../../core/{robots,units}/**/words.en.json'],
	{
		eager: true,
		import: 'default'
	}
);
for (const messages of Object.values(files)) addMessages(messages);

export {
	addMessages,
	hasMessage,
	language,
	messageParts as partsOf,
	perLanguage,
	say,
	t,
	type Messages,
	type MessagePart
} from './messages';
