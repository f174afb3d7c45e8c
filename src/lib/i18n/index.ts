/** Messages for the interface: those of the core and those of the app. */
import app from './app.en.json';
import { addMessages } from './messages';
import steps from './steps.en.json';

for (const messages of [app, steps]) addMessages(messages);

export { hasMessage, partsOf, say, t, type Part } from './messages';
