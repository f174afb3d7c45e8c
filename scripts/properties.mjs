/** The unit tests with their large properties whole: `npm test` tries fewer cases of each. */
import { npmRun } from './prepare.mjs';

process.env.PROPERTIES = 'all';
process.exit(npmRun('unit', process.argv.slice(2)));
