/** The words of what opens here behind a first view, which come with it. */
import { addMessages } from '$lib/i18n';
import words from './words.en.json';

addMessages(words);
