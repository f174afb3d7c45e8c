/**
 * The words of this folder, and those of the core for what a document, a sound or a picture is refused for. No first
 * view needs them: they come with what opens one, and on a desk behind its first view.
 */
import { addMessages } from '$lib/i18n';
import document from '$core/words.en.json';
import pictures from '$core/pictures/words.en.json';
import sounds from '$core/sounds/words.en.json';
import words from './words.en.json';

for (const messages of [words, document, pictures, sounds]) addMessages(messages);
