/**
 * All checks, in the order in which they fail soonest: lint, types and formats side by side, unit,
 * build, end to end.
 */
import { endToEnd } from './end-to-end.mjs';
import { installChromium, installPackages, npmRun, npmStart } from './prepare.mjs';

installPackages();
installChromium();

/** Ends everything when a stage fails. @param run gives its exit code, or a promise of it */
async function pass(stage, run) {
	console.log(`\n== ${stage} ==`);
	const began = Date.now();
	const code = await run();
	const seconds = Math.round((Date.now() - began) / 1000);
	console.log(`== ${stage}: ${code === 0 ? 'ok' : 'FAILED'} in ${seconds} s`);
	if (code !== 0) process.exit(code);
}

await pass('sync', () => npmRun('sync'));
await Promise.all([
	pass('lint', () => npmStart('lint')),
	pass('types', () => npmStart('types')),
	pass('formats', () => npmStart('formats', ['--check']))
]);
await pass('unit', () => npmRun('unit'));
await pass('build', () => npmRun('build'));
let wavering = [];
await pass('e2e', () => {
	const { code, wavering: found } = endToEnd();
	wavering = found;
	return code;
});
if (wavering.length > 0)
	console.log(`\nwavering, to be mended with the next commit:\n${wavering.join('\n')}`);
