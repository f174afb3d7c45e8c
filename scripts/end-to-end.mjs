/**
 * Runs the end-to-end tests. What fails is run once more, alone: if it passes then, it wavers, and is
 * named so at the end of all output. A test that wavers is a defect of its own: mending it comes next.
 */
import { spawnSync } from 'node:child_process';
import { npmRun, root } from './prepare.mjs';

/** More failures than these are no wavering. */
const most = 4;

const failed = ['--last-failed'];

/** Which tests failed last, as `file:line › title`. */
function namesOfFailed() {
	const words = ['run', '--silent', 'e2e', '--', ...failed, '--list'];
	const { stdout } = spawnSync('npm', words, { cwd: root, encoding: 'utf8' });
	return stdout
		.split('\n')
		.filter((line) => /\.ts:\d+:\d+/.test(line))
		.map((line) => line.trim());
}

/** @returns the exit code, and what wavered */
export function endToEnd() {
	const code = npmRun('e2e');
	if (code === 0) return { code, wavering: [] };
	const names = namesOfFailed();
	if (names.length === 0 || names.length > most) return { code, wavering: [] };
	console.log(`\nOnce more, alone:\n${names.join('\n')}`);
	const again = npmRun('e2e', [...failed, '--workers', '1']);
	return { code: again, wavering: again === 0 ? names : [] };
}
