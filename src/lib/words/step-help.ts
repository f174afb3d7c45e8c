/** What each step does, in a sentence or two: fetched with what shows it, as the first view of a plan does without. */
import help from '$core/steps/help.en.json';
import { addMessages } from '$lib/i18n';

addMessages(help);
