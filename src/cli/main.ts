/** The command: exit 0 when it ran, 2 for bad input with one line on standard error. */
import { BadInput } from './read';
import { mission } from './mission';

try {
	console.log(await mission(process.argv.slice(2)));
} catch (error) {
	if (!(error instanceof BadInput)) throw error;
	console.error(`mission: ${error.message}`);
	process.exitCode = 2;
}
