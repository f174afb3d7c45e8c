/**
 * All checks: lint, types, formats and build side by side, unit, end to end. Nothing runs beside the
 * last two: they hold robots to their times.
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
	pass('types', () => npmStart('types')).then(() => pass('build', () => npmStart('build'))),
	pass('formats', () => npmStart('formats', ['--check']))
]);
await pass('unit', () => npmRun('unit'));
let wavering = [];
await pass('e2e', () => {
	const { code, wavering: found } = endToEnd();
	wavering = found;
	return code;
});
if (wavering.length > 0)
	console.log(`\nwavering, to be mended with the next commit:\n${wavering.join('\n')}`);
