/**
 * The way to robots under everything that ill-behaved ones do at once: browsers that do not read, that
 * flood, that vanish; hosts that do not answer, that flood, that vanish. Meanwhile well-behaved people
 * give their robots orders. Told are the server's memory, and how long an order and its answer take.
 *
 *   npm run soak:relay -- [--people N] [--seconds N]
 */
import { connect } from 'node:net';
import { parseArgs } from 'node:util';
import WebSocket, { WebSocketServer } from 'ws';
import { pause } from '../../src/cli/robot-check/robot-line';
import { freePort } from '../../tests/ports';
import { quantile, School } from './school';

const { values } = parseArgs({
	options: {
		people: { type: 'string', default: '10' },
		seconds: { type: 'string', default: '600' }
	}
});
const people = Number(values.people);
const seconds = Number(values.seconds);

// --- hosts ---

type HostKind = 'silent' | 'flooding' | 'vanishing';

/** A host that takes everybody in, says it has a robot, and then is what it is. */
async function host(kind: HostKind): Promise<string> {
	const port = await freePort();
	const server = new WebSocketServer({ port });
	const blank = 'x'.repeat(100_000);
	server.on('connection', (socket) => {
		socket.on('error', () => {});
		const advert = { type: 'advert', id: kind, name: kind, kind: 'skiff', signal: 1 };
		socket.send(JSON.stringify(advert));
		if (kind === 'silent') socket.pause();
		const timer = setInterval(
			() => {
				if (kind === 'vanishing') socket.terminate();
				// Nobody's socket is filled without end by the one who measures.
				if (kind === 'flooding' && socket.bufferedAmount < 4e6) {
					socket.send(blank);
					socket.send(JSON.stringify({ ...advert, id: `flood-${Math.random()}` }));
				}
			},
			kind === 'flooding' ? 5 : 300
		);
		socket.on('close', () => clearInterval(timer));
	});
	return `ws://127.0.0.1:${port}`;
}

const hosts = await Promise.all((['silent', 'flooding', 'vanishing'] as const).map(host));
const school = await School.start(people, hosts);
await school.pair();

// --- browsers ---

let isOver = false;
const open: WebSocket[] = [];
let refused = 0;

function visit(path: string): WebSocket {
	const socket = new WebSocket(`${school.address}${path}`);
	socket.on('error', () => (refused += 1));
	socket.on('close', () => open.splice(open.indexOf(socket), 1));
	open.push(socket);
	return socket;
}

async function again(pauseAfter: number, work: () => void): Promise<void> {
	while (!isOver) {
		work();
		await pause(pauseAfter);
	}
}

/** Reads nothing of what comes. */
const deaf = () => {
	const socket = visit('/link?near');
	socket.on('open', () => socket.pause());
};
/** Sends much more than any robot can read, to a robot that is somebody else's, or to nobody. */
const flood = (robot: string, size: number) => {
	const socket = visit(`/link?robot=${robot}`);
	socket.on('open', () => {
		const timer = setInterval(() => {
			if (socket.readyState !== WebSocket.OPEN) return clearInterval(timer);
			if (socket.bufferedAmount < 4e6) socket.send(' '.repeat(size));
		}, 5);
	});
};
/** Is gone before it is answered, or in the midst of its own words. */
const vanish = () => {
	visit('/link?robot=skiff-1').on('open', function (this: WebSocket) {
		this.terminate();
	});
	const { hostname, port } = new URL(school.server.address);
	const half = connect(Number(port), hostname, () => {
		half.write('GET /link?near HTTP/1.1\r\nHost: localhost\r\nUpgrade: websocket\r\n');
		half.resetAndDestroy();
	});
	half.on('error', () => {});
};

const memory = () => school.server.memory;
const before = memory();
let most = before;
const watching = again(1000, () => (most = Math.max(most, memory())));
const ill = [
	again(400, deaf),
	again(500, () => flood('silent', 100_000)),
	again(700, () => flood('skiff-2', 15_000)),
	again(2000, () => flood('flooding', 1_000_000)),
	again(300, vanish)
];
const times = await school.orders(seconds);
isOver = true;
await Promise.all([...ill, watching]);
for (const socket of [...open]) socket.terminate();
await pause(10_000);
console.log(
	`${people} people, ${times.length} orders in ${seconds} s: ${quantile(times, 0.5)} ms at the median, ` +
		`${quantile(times, 0.95)} at the 95th percentile, ${quantile(times, 1)} at most; ` +
		`${times.filter((time) => time === Infinity).length} never answered`
);
console.log(
	`memory: ${before.toFixed(0)} MB before, ${most.toFixed(0)} at most, ${memory().toFixed(0)} ten ` +
		`seconds after; ${refused} connections refused`
);
await school.end();
process.exit(0);
