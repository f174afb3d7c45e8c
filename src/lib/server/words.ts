/** What the server alone says: no page carries these words. */
import '$lib/files/words';
import { addMessages } from '$lib/i18n';
import words from './words.en.json';

addMessages(words);
