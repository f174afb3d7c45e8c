/**
 * Serves the built app.
 *
 *   node server/serve.mjs [--port N] [--share] [--name NAME ...]
 *
 * It listens on this machine alone; with --share also for others in its networks. --name adds names
 * by which they may call it. LANTERN_DATA names the folder of the database, LANTERN_ROBOTS the
 * addresses of robots, as in `ws://localhost:4174`, with blanks between them.
 */
import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import compression from 'compression';
import { isShort, loadServer, lookFor } from './files.mjs';
import { guard, ownAddresses } from './guard.mjs';
import { relay } from './relay.mjs';
import words from './words.en.json' with { type: 'json' };

/** Milliseconds within which a request has to come whole, and its head before that. */
const requestTimeout = 30_000;
const headersTimeout = 10_000;
/**
 * Milliseconds for which a connection is kept for a next request: longer than people think between two
 * presses, or one would come just as its connection is closed.
 */
const keepAliveTimeout = 75_000;
/** Milliseconds between two looks for those that did not. */
const connectionsCheckingInterval = 2000;
/** Milliseconds within which it is gone once it is told to go. */
const longestLeave = 3000;
/** Bytes: a plan, and the two last attempts with theirs. */
process.env.BODY_SIZE_LIMIT ??= '8M';

/** Each query makes an error in case it fails; the first frames of it tell all there is to tell. */
Error.stackTraceLimit = 4;

const { values } = parseArgs({
	options: {
		port: { type: 'string', default: '4173' },
		share: { type: 'boolean', default: false },
		name: { type: 'string', multiple: true, default: [] }
	}
});
const port = Number(values.port);

process.on('uncaughtException', (error) => {
	const what = `${String(error.stack).replace(/\s*\n\s*/g, ' | ')}`;
	// It passes, and whoever asked for it has had no answer.
	const isPassing = isShort(error);
	console.error(`${new Date().toISOString()} ${isPassing ? 'goes on' : 'ended'}: ${what}`);
	if (!isPassing) process.exit(1);
});

const { handler } = await import('../build/handler.js');
await loadServer();
const mine = { isShared: values.share, names: values.name.map((name) => name.toLowerCase()) };
const guarded = guard(mine);
const hosts = (process.env.LANTERN_ROBOTS ?? '').split(/\s+/).filter(Boolean);
for (const host of hosts) {
	if (/^wss?:$/.test(URL.parse(host)?.protocol ?? '')) continue;
	console.error(`serve: ${words.badHost.replace('{host}', host.slice(0, 80))}`);
	process.exit(2);
}
const takeSockets = relay({ hosts, ...mine });
const compress = compression({ threshold: 1024 });

/**
 * What was answered without being read to its end is let go, or the next request on the same
 * connection would wait behind it.
 */
function letGo(request) {
	if (request.complete) return;
	request.removeAllListeners('data');
	request.resume();
}

function answer(request, response) {
	response.once('finish', () => letGo(request));
	guarded(request, response, () =>
		lookFor(request, response, () => compress(request, response, () => handler(request, response)))
	);
}

/** @returns {Promise<boolean>} false where this machine has no such address */
const listen = (host) =>
	new Promise((done, fail) => {
		const server = createServer(
			{ requestTimeout, headersTimeout, keepAliveTimeout, connectionsCheckingInterval },
			answer
		);
		takeSockets(server);
		server.once('error', (error) => {
			if (error.code === 'EADDRNOTAVAIL' || error.code === 'EAFNOSUPPORT') done(false);
			else fail(error);
		});
		server.listen(port, host, () => done(true));
	});

try {
	if (values.share) await listen(undefined);
	else for (const host of ['127.0.0.1', '::1']) await listen(host);
} catch (error) {
	if (error.code !== 'EADDRINUSE') throw error;
	const sentence = words.taken.replace('{port}', port).replace('{next}', port + 1);
	console.error(`serve: ${sentence}`);
	process.exit(2);
}

const others = values.share ? [...values.name, ...ownAddresses()] : [];
process.send?.({ addresses: ['localhost', ...others].map((host) => `http://${host}:${port}/`) });

let isLeaving = false;
/** The app closes its database first, so that the file alone holds all; ending it may not take long. */
function leave() {
	// Ctrl C tells it twice: from the keyboard, and from what has started it.
	if (isLeaving) return;
	isLeaving = true;
	setTimeout(() => process.exit(0), longestLeave).unref();
	if (!process.emit('sveltekit:shutdown')) process.exit(0);
}
// Nobody is left who would start or stop it.
for (const end of ['disconnect', 'SIGINT', 'SIGTERM']) process.on(end, leave);
