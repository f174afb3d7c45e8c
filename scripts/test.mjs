/** All checks, in the order in which they fail soonest: lint, types, formats, unit, build, end to end. */
import { endToEnd } from './end-to-end.mjs';
import { installChromium, installPackages, npmRun } from './prepare.mjs';

installPackages();
installChromium();

const stages = [
	['sync', []],
	['lint', []],
	['types', []],
	['formats', ['--check']],
	['unit', []],
	['build', []]
];

/** Ends everything when a stage fails. @param run gives its exit code */
function pass(stage, run) {
	console.log(`\n== ${stage} ==`);
	const began = Date.now();
	const code = run();
	console.log(
		`== ${stage}: ${code === 0 ? 'ok' : 'FAILED'} in ${Math.round((Date.now() - began) / 1000)} s`
	);
	if (code !== 0) process.exit(code);
}

for (const [stage, words] of stages) pass(stage, () => npmRun(stage, words));
let wavering = [];
pass('e2e', () => {
	const { code, wavering: found } = endToEnd();
	wavering = found;
	return code;
});
if (wavering.length > 0)
	console.log(`\nwavering, to be mended with the next commit:\n${wavering.join('\n')}`);
