/** Messages for the interface: those of the core and those of the app. */
import app from './app.en.json';
import expressions from './expressions.en.json';
import { addMessages } from './messages';
import steps from './steps.en.json';

for (const messages of [app, steps, expressions]) addMessages(messages);

export { hasMessage, partsOf, say, t, type Part } from './messages';
