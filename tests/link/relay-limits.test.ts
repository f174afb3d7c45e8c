/** What waits in the relay is bounded, whoever floods it, does not read, or says that it is another. */
import { createServer, type Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { afterAll, describe, expect, it } from 'vitest';
import WebSocket, { WebSocketServer } from 'ws';
import { relay } from '../../server/relay.mjs';

const closing: (() => void)[] = [];
afterAll(() => closing.forEach((close) => close()));

async function listen(server: Server): Promise<number> {
	closing.push(() => {
		server.closeAllConnections();
		server.close();
	});
	await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
	return (server.address() as AddressInfo).port;
}

interface Acts {
	adverts(socket: WebSocket): void;
	robot?(socket: WebSocket): void;
}

/** A place where robots stand. @returns its address */
async function host({ adverts, robot }: Acts): Promise<string> {
	const server = createServer();
	new WebSocketServer({ server }).on('connection', (socket, { url }) => {
		if (url === '/adverts') adverts(socket);
		else robot?.(socket);
	});
	return `ws://127.0.0.1:${await listen(server)}`;
}

const says =
	(...ids: readonly string[]) =>
	(socket: WebSocket) => {
		const tell = () => ids.forEach((id) => socket.send(JSON.stringify({ type: 'advert', id })));
		const timer = setInterval(tell, 300);
		socket.on('close', () => clearInterval(timer));
		tell();
	};

async function app(...hosts: readonly string[]): Promise<number> {
	const server = createServer();
	relay({ hosts, isShared: false, names: [] })(server);
	return listen(server);
}

const open = (port: number, query: string) =>
	new WebSocket(`ws://127.0.0.1:${port}/link?${query}`).on('error', () => {});
const codeOf = (socket: WebSocket) => new Promise<number>((done) => socket.on('close', done));

/** Waits until a robot can be reached, and reaches it. */
async function reach(port: number, robot = 'tallow'): Promise<WebSocket> {
	for (;;) {
		const socket = open(port, `robot=${robot}`);
		const first = await Promise.race([
			new Promise<string>((done) => socket.on('message', (data) => done(String(data)))),
			codeOf(socket)
		]);
		if (typeof first === 'string') return socket;
	}
}

const large = 'x'.repeat(100_000);

describe('the relay', () => {
	it('does not read from a robot what its person does not read, and then lets go of both', async () => {
		let taken = 0;
		const ended = new Promise<void>((done) => {
			void host({
				adverts: says('tallow'),
				robot(socket) {
					socket.send('hello');
					const timer = setInterval(() => {
						if (socket.bufferedAmount < 2_000_000) socket.send(large, () => (taken += 1));
					}, 2);
					socket.on('close', () => {
						clearInterval(timer);
						done();
					});
				}
			}).then(async (address) => (await reach(await app(address))).pause());
		});
		await ended;
		// What fits into the sockets of the system, and not what came in five seconds.
		expect(taken).toBeLessThan(300);
	}, 30_000);

	it('leaves an id with the host that had it first, and tells of the other', async () => {
		const first = await host({ adverts: says('tallow'), robot: (socket) => socket.send('first') });
		const port = await app(first);
		await reach(port);
		const both = await app(
			first,
			await host({
				adverts: (socket) => void setTimeout(() => says('tallow')(socket), 700),
				robot: (socket) => socket.send('second')
			})
		);
		const near = open(both, 'near');
		await new Promise<void>((done) =>
			near.on('message', (data) => {
				const said = JSON.parse(String(data)) as { doubled?: string[] };
				if (said.doubled?.includes('tallow')) done();
			})
		);
		for (let i = 0; i < 20; i++) {
			const socket = open(both, 'robot=tallow');
			expect(await new Promise((done) => socket.on('message', (data) => done(String(data))))).toBe(
				'first'
			);
			socket.close();
		}
	}, 30_000);

	it('hears so many robots of one host, and no advert that is long', async () => {
		const ids = Array.from({ length: 1000 }, (_, index) => `robot-${index}`);
		const port = await app(await host({ adverts: says(...ids) }));
		const near = open(port, 'near');
		const heard = new Set<string>();
		near.on('message', (data) => {
			const { id } = JSON.parse(String(data)) as { id?: string };
			if (id) heard.add(id);
		});
		await new Promise((done) => setTimeout(done, 2000));
		expect(heard.size).toBeGreaterThan(20);
		expect(heard.size).toBeLessThanOrEqual(64);
	}, 30_000);

	it('has room for others when one address takes all that it can', async () => {
		const port = await app();
		const many = Array.from({ length: 300 }, () => open(port, 'near'));
		const codes = await Promise.all(many.slice(260).map(codeOf));
		expect(new Set(codes)).toEqual(new Set([4529]));
		many.forEach((socket) => socket.terminate());
	}, 30_000);

	it('closes what it refuses, though the other side never does', async () => {
		const port = await app();
		const isClosed = new Promise<boolean>((done) => {
			const socket = connect({ port, host: '127.0.0.1', allowHalfOpen: true }, () =>
				socket.write(
					[
						'GET /nowhere HTTP/1.1',
						'Host: localhost',
						'Connection: Upgrade',
						'Upgrade: websocket',
						'\r\n'
					].join('\r\n')
				)
			);
			socket.on('data', () => {});
			socket.on('end', () => {
				// Nothing can be written any more to one that is gone.
				const timer = setInterval(() => socket.write('still here\r\n'), 50);
				socket.on('error', () => {
					clearInterval(timer);
					done(true);
				});
			});
		});
		expect(await isClosed).toBe(true);
	});
});
