/** The words of this folder, which come with it. */
import { addMessages } from '$lib/i18n';
import words from './words.en.json';

addMessages(words);
