/** All checks, in the order in which they fail soonest: lint, types, formats, unit, build, end to end. */
import { installChromium, installPackages, npmRun } from './prepare.mjs';

installPackages();
installChromium();

const stages = [
	['sync', []],
	['lint', []],
	['types', []],
	['formats', ['--check']],
	['unit', []],
	['build', []],
	['e2e', []]
];
for (const [stage, words] of stages) {
	console.log(`\n== ${stage} ==`);
	const began = Date.now();
	const code = npmRun(stage, words);
	console.log(
		`== ${stage}: ${code === 0 ? 'ok' : 'FAILED'} in ${Math.round((Date.now() - began) / 1000)} s`
	);
	if (code !== 0) process.exit(code);
}
