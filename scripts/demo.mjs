/**
 * Starts Lantern Step with the demo data: installs and builds if need be, migrates and fills the
 * database, opens a yard of simulated robots, serves, prints the addresses. What ends by itself is
 * started again.
 *
 *   npm run demo -- [--port N] [--fresh] [--share] [--name NAME ...] [--yard PORT]
 *     [--day N] [--latency MS] [--jitter MS] [--loss PART]
 *
 * LANTERN_DATA names the folder of the database; `data` here otherwise. LANTERN_ROBOTS names places
 * where robots stand beside the yard: see docs/link.md.
 */
import { fork } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { execArgv } from '../server/options.mjs';
import { installPackages, isFree, npmRun, root } from './prepare.mjs';

const usage =
	'Usage: npm run demo -- [--port N] [--fresh] [--share] [--name NAME ...] [--latency MS] [--loss PART]';
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
				name: { type: 'string', multiple: true, default: [] },
				yard: { type: 'string' },
				day: { type: 'string' },
				latency: { type: 'string' },
				jitter: { type: 'string' },
				loss: { type: 'string' }
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

const { port, fresh, share, name, yard: wantedYard, ...air } = readOptions();
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
	rmSync(join(data, 'yard.json'), { force: true });
}

const words = ['--port', String(port), ...(share ? ['--share'] : [])];
for (const each of name) words.push('--name', each);
const yardWords = Object.entries(air).flatMap(([option, value]) => [`--${option}`, value]);
const env = { ...process.env, LANTERN_DATA: data, LANTERN_DEMO: '1' };
/** Keeps a process running, until this one ends. */
class Kept {
	isEnding = false;
	earlyEnds = 0;

	/** @param {(message: any) => void} onFirst what it says when it is there for the first time */
	constructor(name, file, words, options, onFirst) {
		Object.assign(this, { name, file, words, options, onFirst });
		this.start(true);
	}

	start(isFirst) {
		const began = Date.now();
		this.child = fork(join(root, this.file), this.words, this.options);
		if (isFirst) this.child.once('message', this.onFirst);
		this.child.once('exit', (code, signal) => {
			this.earlyEnds = Date.now() - began < early ? this.earlyEnds + 1 : 0;
			if (this.isEnding || code === 2 || this.earlyEnds >= givesUpAfter) process.exit(code ?? 0);
			console.error(
				`demo: the ${this.name} ended by itself (${signal ?? code}); it is started again.`
			);
			this.start(false);
		});
	}

	end(signal) {
		this.isEnding = true;
		this.child.kill(signal);
	}
}

/** The robots have an address of their own: the next that is free. */
async function freePort(from) {
	for (let candidate = from; ; candidate++) if (await isFree(candidate)) return candidate;
}
const yardPort = wantedYard === undefined ? await freePort(port + 1) : Number(wantedYard);

const yard = new Kept(
	'yard',
	join('src', 'standin', 'main.ts'),
	[...words.slice(2), '--port', String(yardPort), '--data', data, ...yardWords],
	{
		env: { ...env, TSX_TSCONFIG_PATH: join(root, 'src', 'core', 'tsconfig.json') },
		execArgv: ['--import', 'tsx'],
		stdio: ['ignore', 'ignore', 'inherit', 'ipc']
	},
	() => {}
);
/** Robots of one's own stand beside those of the yard. */
const hosts = [process.env.LANTERN_ROBOTS ?? '', `ws://127.0.0.1:${yardPort}`];
const server = new Kept(
	'server',
	join('server', 'serve.mjs'),
	words,
	{ env: { ...env, LANTERN_ROBOTS: hosts.join(' ') }, execArgv },
	({ addresses }) => {
		console.log(`Lantern Step is at ${addresses[0]}  (data in ${data}; Ctrl C stops it)`);
		for (const address of addresses.slice(1)) console.log(`Others reach it at ${address}`);
		console.log(`The robots stand in the yard at http://localhost:${yardPort}/`);
	}
);

for (const signal of ['SIGINT', 'SIGTERM']) {
	process.on(signal, () => {
		yard.end(signal);
		server.end(signal);
	});
}
