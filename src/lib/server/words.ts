/** What the server alone says: no page carries these words. */
import { addMessages } from '$lib/i18n';
import '$lib/i18n/refusals';
import words from './words.en.json';

addMessages(words);
