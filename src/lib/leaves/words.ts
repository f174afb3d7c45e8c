/** The words of this folder, which come with it. */
import { addMessages } from '$lib/i18n';
import advice from '$core/analysis/words.en.json';
import fitting from '$core/fitting/words.en.json';
import reasons from '$core/reasons/words.en.json';
import words from './words.en.json';

addMessages(words);
addMessages(advice);
addMessages(fitting);
addMessages(reasons);
