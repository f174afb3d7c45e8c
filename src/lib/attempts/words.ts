/** The words of this folder and of what the core says of attempts, which come with it. */
import core from '$core/attempts/words.en.json';
import { addMessages } from '$lib/i18n';
import words from './words.en.json';

addMessages(core);
addMessages(words);
