/** Messages for the interface: those of the core and those of the app. */
import app from './app.en.json';
import { addMessages } from './messages';

addMessages(app);

export { hasMessage, partsOf, say, t } from './messages';
