import { createServer, type Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import WebSocket, { WebSocketServer } from 'ws';
import { relay } from '../../server/relay.mjs';

const advert = { type: 'advert', id: 'tallow', name: 'Tallow' };
let server: Server;
let host: Server;
let port = 0;
/** What the robot heard. */
const heard: string[] = [];

const listen = (one: Server) =>
	new Promise<number>((done) =>
		one.listen(0, '127.0.0.1', () => done((one.address() as AddressInfo).port))
	);

beforeAll(async () => {
	host = createServer();
	const sockets = new WebSocketServer({ server: host });
	sockets.on('connection', (socket, { url }) => {
		if (url === '/adverts') return socket.send(JSON.stringify(advert));
		socket.on('message', (data) => {
			heard.push(String(data));
			socket.send(`heard ${String(data)}`);
		});
	});
	const robots = await listen(host);
	server = createServer();
	relay({ hosts: [`ws://127.0.0.1:${robots}`], isShared: false, names: [] })(server);
	port = await listen(server);
	await near();
});
afterAll(() => {
	for (const one of [server, host]) {
		one.closeAllConnections();
		one.close();
	}
});

/** @returns all that is told of who is near, up to the first robot */
async function near(): Promise<unknown[]> {
	const socket = new WebSocket(`ws://127.0.0.1:${port}/link?near`);
	const said: unknown[] = [];
	await new Promise<void>((done) => {
		const late = setTimeout(done, 10_000);
		socket.on('message', (data) => {
			const told = JSON.parse(String(data)) as { type: string };
			said.push(told);
			if (told.type !== 'advert') return;
			clearTimeout(late);
			done();
		});
	});
	socket.close();
	return said;
}

/** Sends a head as it is. @returns the first line of the answer */
const raw = (lines: readonly string[]) =>
	new Promise<string>((answer) => {
		const socket = connect(port, '127.0.0.1', () => socket.write(`${lines.join('\r\n')}\r\n\r\n`));
		let text = '';
		socket.on('data', (data) => {
			text += data;
			if (text.includes('\r\n')) socket.destroy();
		});
		socket.on('error', () => answer('reset'));
		socket.on('close', () => answer(text.split('\r\n', 1)[0]!));
	});
const upgrade = (url: string, more: readonly string[] = []) =>
	raw([
		`GET ${url} HTTP/1.1`,
		...(more.some((line) => line.startsWith('Host')) ? [] : [`Host: localhost:${port}`]),
		'Connection: Upgrade',
		'Upgrade: websocket',
		'Sec-WebSocket-Version: 13',
		'Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==',
		...more
	]);

const closing = (url: string) =>
	new Promise<number>((answer) =>
		new WebSocket(`ws://127.0.0.1:${port}${url}`).on('close', (code) => answer(code))
	);

describe('the way to robots', () => {
	it('tells who is near, and hands on messages both ways as they are', async () => {
		expect(await near()).toEqual([{ type: 'radio', isOn: true, doubled: [] }, advert]);
		const socket = new WebSocket(`ws://127.0.0.1:${port}/link?robot=tallow`);
		const answer = new Promise((done) => socket.on('message', (data) => done(String(data))));
		socket.on('open', () => socket.send('{"not": checked'));
		expect(await answer).toBe('heard {"not": checked');
		socket.close();
	});

	it.each(['/', '/links', '//', '/link/../x', '/%', '*'])('leads nowhere from %s', async (url) => {
		expect(await upgrade(url)).toMatch(/ (403|400) /);
	});

	it('is closed to pages of strangers, and to other names of this machine', async () => {
		expect(await upgrade('/link?near', ['Origin: http://elsewhere.test'])).toContain('403');
		expect(await upgrade('/link?near', ['Origin: null'])).toContain('403');
		expect(await upgrade('/link?near', ['Host: elsewhere.test'])).toContain('403');
		expect(await upgrade('/link?near', [`Origin: http://localhost:${port}`])).toContain('101');
	});

	it('says why it ends: a robot that nobody hears, and too many messages', async () => {
		expect(await closing('/link?robot=nobody')).toBe(4404);
		expect(await closing('/link?robot=')).toBe(4404);
		const socket = new WebSocket(`ws://127.0.0.1:${port}/link?robot=tallow`);
		const code = new Promise((done) => socket.on('close', done));
		socket.on('open', () => {
			for (let i = 0; i < 3000; i++) socket.send('{}');
		});
		expect(await code).toBe(4429);
		expect(heard.length).toBeLessThan(600);
	});

	it('goes on after all of it', async () => {
		for (let i = 0; i < 20; i++) {
			const socket = connect(port, '127.0.0.1', () => {
				socket.write('GET /link?near HTTP/1.1\r\nHost: localhost\r\nUpgrade: websocket\r\n');
				socket.resetAndDestroy();
			});
			socket.on('error', () => {});
		}
		expect(await near()).toEqual([{ type: 'radio', isOn: true, doubled: [] }, advert]);
	});
});
