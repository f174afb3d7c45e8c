/**
 * What a document, a sound or a picture is refused for. No first view needs it: it comes with what opens one, and on
 * a desk behind its first view.
 */
import document from '$core/words.en.json';
import pictures from '$core/pictures/words.en.json';
import sounds from '$core/sounds/words.en.json';
import { addMessages } from './messages';

for (const messages of [document, pictures, sounds]) addMessages(messages);
