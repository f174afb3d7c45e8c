/** The words of this folder, which come with it. */
import { addMessages } from '$lib/i18n';
import reasons from '$core/reasons/words.en.json';
import words from './words.en.json';

addMessages(words);
addMessages(reasons);
