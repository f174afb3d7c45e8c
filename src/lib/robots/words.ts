/** The words of this folder, which come with it: the first view of the app does without them. */
import { addMessages } from '$lib/i18n';
import words from './words.en.json';

addMessages(words);
