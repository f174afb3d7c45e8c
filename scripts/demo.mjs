/**
 * Starts Lantern Step with the demo data: installs and builds if need be, migrates and fills the
 * database, serves, prints the address. A server that ends by itself is started again.
 *
 *   npm run demo -- [--port N] [--fresh] [--share] [--name NAME ...]
 *
 * LANTERN_DATA names the folder of the database; `data` here otherwise.
 */
import { fork } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { execArgv } from '../server/options.mjs';
import { installPackages, isFree, npmRun, root } from './prepare.mjs';

const usage = 'Usage: npm run demo -- [--port N] [--fresh] [--share] [--name NAME ...]';
/** A server that ends this many times within so many milliseconds each is not started again. */
const givesUpAfter = 5;
const early = 5000;

function refuse(sentence) {
	console.error(`demo: ${sentence}`);
	process.exit(2);
}

function readOptions() {
	try {
		const { values } = parseArgs({
			options: {
				port: { type: 'string', default: '4173' },
				fresh: { type: 'boolean', default: false },
				share: { type: 'boolean', default: false },
				name: { type: 'string', multiple: true, default: [] }
			}
		});
		const port = Number(values.port);
		if (!Number.isInteger(port) || port < 1 || port > 65535) {
			refuse(`--port: a whole number from 1 to 65535 was expected, but this is "${values.port}".`);
		}
		return { ...values, port };
	} catch (error) {
		return refuse(`${error.message} ${usage}`);
	}
}

/** Time of the newest file in these folders and files. */
function newest(paths) {
	return Math.max(
		...paths.map((path) => {
			const stat = statSync(path);
			if (!stat.isDirectory()) return stat.mtimeMs;
			const inside = readdirSync(path, { recursive: true, withFileTypes: true });
			return Math.max(
				0,
				...inside
					.filter((entry) => entry.isFile())
					.map((entry) => statSync(join(entry.parentPath, entry.name)).mtimeMs)
			);
		})
	);
}

function buildIfNeeded() {
	const built = join(root, 'build', 'index.js');
	const sources = [
		'src',
		'static',
		'samples',
		'package-lock.json',
		'svelte.config.js',
		'vite.config.ts'
	];
	if (
		existsSync(built) &&
		statSync(built).mtimeMs > newest(sources.map((name) => join(root, name)))
	)
		return;
	console.log('Building ...');
	if (npmRun('build') !== 0) process.exit(1);
}

const { port, fresh, share, name } = readOptions();
if (!(await isFree(port))) {
	refuse(
		`port ${port} is taken by another program. Choose another: npm run demo -- --port ${port + 1}`
	);
}
installPackages();
buildIfNeeded();

const data = resolve(process.env.LANTERN_DATA ?? join(root, 'data'));
if (fresh) {
	for (const ending of ['', '-wal', '-shm']) {
		rmSync(join(data, `lantern-step.sqlite${ending}`), { force: true });
	}
}

const words = ['--port', String(port), ...(share ? ['--share'] : [])];
for (const each of name) words.push('--name', each);
const env = { ...process.env, LANTERN_DATA: data, LANTERN_DEMO: '1' };
let server;
let isEnding = false;
let earlyEnds = 0;

function start(isFirst) {
	const began = Date.now();
	server = fork(join(root, 'server', 'serve.mjs'), words, { env, execArgv });
	server.once('message', ({ addresses }) => {
		if (!isFirst) return;
		console.log(`Lantern Step is at ${addresses[0]}  (data in ${data}; Ctrl C stops it)`);
		for (const address of addresses.slice(1)) console.log(`Others reach it at ${address}`);
	});
	server.once('exit', (code, signal) => {
		earlyEnds = Date.now() - began < early ? earlyEnds + 1 : 0;
		if (isEnding || code === 2 || earlyEnds >= givesUpAfter) process.exit(code ?? 0);
		console.error(`demo: the server ended by itself (${signal ?? code}); it is started again.`);
		start(false);
	});
}

for (const signal of ['SIGINT', 'SIGTERM']) {
	process.on(signal, () => {
		isEnding = true;
		server.kill(signal);
	});
}
start(true);
