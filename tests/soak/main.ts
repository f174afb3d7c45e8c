/**
 * The long form of tests/soak.spec.ts: what a class, a bad network and a stranger do to the built server.
 *
 *   npm run soak -- [--kills N] [--starts N] [--rounds N] [--classes N] [--requests N] [--files N]
 *       [--sockets N] [--seed N]
 *
 * Each count is of one part; one that is 0 is left out. Prints a line of JSON for each part.
 */
import { parseArgs } from 'node:util';
import { hostileFiles } from './files';
import { halfSent, hostileRequests } from './requests';
import { classes, firstStarts, killCycles, threeParties } from './saves';
import { Server } from './server';

const defaults = {
	kills: 1000,
	starts: 40,
	rounds: 1000,
	classes: 100,
	requests: 10_000,
	files: 3000,
	sockets: 800,
	seed: 1
};
const { values } = parseArgs({
	options: Object.fromEntries(
		Object.keys(defaults).map((name) => [name, { type: 'string' as const }])
	)
});
const count = (name: keyof typeof defaults): number => Number(values[name] ?? defaults[name]);

async function part(name: keyof typeof defaults, work: (server: Server) => Promise<unknown>) {
	if (count(name) === 0) return;
	const server = await Server.start(name === 'requests');
	const began = performance.now();
	const found = await work(server);
	await server.end();
	const seconds = Math.round((performance.now() - began) / 1000);
	console.log(JSON.stringify({ part: name, ...(found as object), seconds }));
}

await part('kills', (server) => killCycles(server, count('kills')));
await part('rounds', (server) => threeParties(server, count('rounds')));
await part('classes', (server) => classes(server, count('classes')));
await part('requests', (server) => hostileRequests(server, count('requests'), count('seed')));
await part('sockets', async (server) => ({
	sockets: count('sockets'),
	stillOpen: await halfSent(server, count('sockets'), 40)
}));
if (count('starts') > 0) console.log(JSON.stringify(await firstStarts(count('starts'))));
if (count('files') > 0) {
	console.log(JSON.stringify({ part: 'files', ...hostileFiles(count('files'), count('seed')) }));
}
