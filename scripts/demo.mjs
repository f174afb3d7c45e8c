/**
 * Starts Lantern Step with the demo data: installs and builds if need be, migrates and fills the
 * database, serves, prints the address.
 *
 *   npm run demo -- [--port N] [--fresh]
 *
 * LANTERN_DATA names the folder of the database; `data` here otherwise.
 */
import { spawn } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { installPackages, npmRun, root } from './prepare.mjs';

const usage = 'Usage: npm run demo -- [--port N] [--fresh]';

function refuse(sentence) {
	console.error(`demo: ${sentence}`);
	process.exit(2);
}

function readOptions() {
	try {
		const options = { port: { type: 'string' }, fresh: { type: 'boolean' } };
		const { values } = parseArgs({ options });
		const port = values.port === undefined ? 4173 : Number(values.port);
		if (!Number.isInteger(port) || port < 1 || port > 65535) {
			refuse(`--port: a whole number from 1 to 65535 was expected, but this is "${values.port}".`);
		}
		return { port, fresh: values.fresh === true };
	} catch (error) {
		return refuse(`${error.message} ${usage}`);
	}
}

/** Whether nobody listens on this port. */
const isFree = (port) =>
	new Promise((answer) => {
		const server = createServer();
		server.once('error', () => answer(false));
		server.listen(port, () => server.close(() => answer(true)));
	});

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

const { port, fresh } = readOptions();
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

const server = spawn(process.execPath, [join(root, 'build')], {
	stdio: ['ignore', 'ignore', 'inherit'],
	env: {
		...process.env,
		PORT: String(port),
		BODY_SIZE_LIMIT: '8M',
		LANTERN_DATA: data,
		LANTERN_DEMO: '1'
	}
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

const address = `http://localhost:${port}/`;
for (;;) {
	try {
		await fetch(address);
		break;
	} catch {
		await new Promise((wait) => setTimeout(wait, 100));
	}
}
console.log(`Lantern Step is at ${address}  (data in ${data}; Ctrl C stops it)`);
