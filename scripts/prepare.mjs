/** What both commands need before they can begin, in plain Node: packages, and for tests a browser. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { browsers, findChromium } from './browser.mjs';

export const root = fileURLToPath(new URL('..', import.meta.url));
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Runs a command and shows what it prints. @returns its exit code */
export function run(command, words, options = {}) {
	const result = spawnSync(command, words, { cwd: root, stdio: 'inherit', ...options });
	if (result.error) throw result.error;
	return result.status ?? 1;
}

/** Runs a command, and ends this process with its exit code when it fails. */
export function runOrExit(command, words, options) {
	const code = run(command, words, options);
	if (code !== 0) process.exit(code);
}

const npmWords = (script, words) => [
	...['run', '--silent', script],
	...(words.length > 0 ? ['--', ...words] : [])
];

export const npmRun = (script, words = []) => run(npm, npmWords(script, words));

/** The same, while others run. @returns {Promise<number>} its exit code */
export const npmStart = (script, words = []) =>
	new Promise((done, fail) => {
		const child = spawn(npm, npmWords(script, words), { cwd: root, stdio: 'inherit' });
		child.once('error', fail);
		child.once('exit', (code) => done(code ?? 1));
	});

/**
 * Installs the packages of package-lock.json, unless these very ones are there. Not `npm ci`: it
 * refuses when a registry lacks some other platform's build of an optional package.
 */
export function installPackages() {
	const lock = readFileSync(join(root, 'package-lock.json'), 'utf8');
	const mark = join(root, 'node_modules', '.lantern-step-lock');
	if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
	console.log('Installing packages (the database compiles; this takes a few minutes once) ...');
	runOrExit(npm, ['install', '--no-save', '--no-audit', '--no-fund']);
	writeFileSync(mark, lock);
}

/** Installs that browser where it is missing. */
export function installChromium() {
	if (findChromium()) return;
	console.log('Installing Chromium for the end-to-end tests ...');
	runOrExit('apt-get', ['update', '-qq']);
	const install = ['install', '-y', '-qq'];
	const isThere = browsers.some(({ name }) => run('apt-get', [...install, name]) === 0);
	if (!isThere) process.exit(1);
}

/** Whether nobody listens on this port. */
export const isFree = (port) =>
	new Promise((answer) => {
		const server = createServer();
		server.once('error', () => answer(false));
		server.listen(port, () => server.close(() => answer(true)));
	});
