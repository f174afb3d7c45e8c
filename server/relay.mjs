/**
 * Hands on what app and robots say to each other, so that one address serves a whole school: the app
 * knows its own origin alone, and this server the hosts of the robots. It parses no more than it
 * needs, and decides nothing: who may have a robot is the robot's matter. See docs/link.md.
 */
import { WebSocket, WebSocketServer } from 'ws';
import { isOurs, isSameHost } from './guard.mjs';

/** Bytes of a message; messages that one socket may send in a second; sockets of all people. */
const longestMessage = 1024 * 1024;
const mostMessages = 500;
const mostSockets = 1000;
/** Messages that wait until the robot's socket is open, and bytes that wait for a slow browser. */
const mostWaiting = 32;
const mostBuffered = 4 * 1024 * 1024;
/** Milliseconds between two tries to reach a host, at first and at most. */
const firstPause = 250;
const longestPause = 5000;
/** Milliseconds for which an advert counts. */
const freshFor = 4000;
/** Milliseconds between two looks whether somebody is still there. */
const pulse = 10_000;

/** Why a socket is closed, as in docs/link.md. */
const closes = {
	unknown: 4404,
	radioOff: 4503,
	gone: 4410,
	tooMany: 4429,
	full: 4529
};

/** The adverts of all robots that hosts tell of. */
class Near {
	heard = new Map();
	listeners = new Set();
	open = new Set();

	constructor(hosts) {
		for (const host of hosts) this.listen(host, firstPause);
	}

	listen(host, pause) {
		const socket = new WebSocket(new URL('/adverts', host), { maxPayload: longestMessage });
		let next = pause;
		socket.on('open', () => {
			next = firstPause;
			this.turn(host, true);
		});
		socket.on('message', (data) => this.hear(host, String(data)));
		// It is told of by its closing.
		socket.on('error', () => {});
		socket.on('close', () => {
			this.turn(host, false);
			setTimeout(() => this.listen(host, Math.min(longestPause, next * 2)), next).unref();
		});
	}

	turn(host, isOpen) {
		if (isOpen) this.open.add(host);
		else this.open.delete(host);
		this.tell(this.radio);
	}

	get radio() {
		return JSON.stringify({ type: 'radio', isOn: this.open.size > 0 });
	}

	hear(host, text) {
		const id = idIn(text);
		if (id === undefined) return;
		this.heard.set(id, { host, text, at: Date.now() });
		this.tell(text);
	}

	tell(text) {
		for (const listener of this.listeners)
			if (listener.bufferedAmount < mostBuffered) listener.send(text);
	}

	add(socket) {
		this.listeners.add(socket);
		socket.on('close', () => this.listeners.delete(socket));
		socket.send(this.radio);
		const since = Date.now() - freshFor;
		for (const { text, at } of this.heard.values()) if (at >= since) socket.send(text);
	}
}

function idIn(text) {
	try {
		const { id } = JSON.parse(text);
		return typeof id === 'string' && /^[\w-]{1,40}$/.test(id) ? id : undefined;
	} catch {
		return undefined;
	}
}

/** Joins a browser's socket to a robot's. */
function join(browser, host, id) {
	const robot = new WebSocket(new URL(`/robots/${id}`, host), { maxPayload: longestMessage });
	const waiting = [];
	let room = mostMessages;
	let last = Date.now();
	const end = (reason) => {
		browser.close(closes[reason], reason);
		robot.terminate();
	};
	const isTooMuch = () => {
		const now = Date.now();
		room = Math.min(mostMessages, room + ((now - last) / 1000) * mostMessages) - 1;
		last = now;
		return room < 0;
	};
	browser.on('message', (data, isBinary) => {
		if (isTooMuch()) return end('tooMany');
		// A robot refuses what is no text.
		const text = isBinary ? '' : String(data);
		if (robot.readyState === WebSocket.OPEN) robot.send(text);
		else if (waiting.push(text) > mostWaiting) end('tooMany');
	});
	browser.on('close', () => robot.terminate());
	robot.on('open', () => {
		for (const text of waiting.splice(0)) robot.send(text);
	});
	robot.on('message', (data) => {
		if (browser.bufferedAmount > mostBuffered) end('tooMany');
		else browser.send(String(data));
	});
	robot.on('error', () => {});
	robot.on('close', () => browser.close(closes.gone, 'gone'));
}

/**
 * @param {{ hosts: readonly string[], isShared: boolean, names: readonly string[] }} options where
 * robots are, as `ws://` addresses; the others as for the guard
 * @returns {(server: import('node:http').Server) => void} lets a server take part
 */
export function relay({ hosts, ...options }) {
	const near = new Near(hosts);
	const sockets = new WebSocketServer({ noServer: true, maxPayload: longestMessage });

	sockets.on('connection', (socket, url) => {
		socket.isThere = true;
		socket.on('pong', () => (socket.isThere = true));
		socket.on('error', () => socket.terminate());
		if (sockets.clients.size > mostSockets) return socket.close(closes.full, 'full');
		const id = url.searchParams.get('robot');
		if (id === null) return near.add(socket);
		const found = near.heard.get(id);
		if (!found) return socket.close(closes.unknown, 'unknown');
		if (!near.open.has(found.host)) return socket.close(closes.radioOff, 'radioOff');
		join(socket, found.host, id);
	});

	setInterval(() => {
		for (const socket of sockets.clients) {
			if (!socket.isThere) socket.terminate();
			socket.isThere = false;
			socket.ping();
		}
	}, pulse).unref();

	return (server) =>
		server.on('upgrade', (request, socket, head) => {
			// A socket that breaks off is nobody's fault.
			socket.on('error', () => socket.destroy());
			const { host = '', origin } = request.headers;
			const url = URL.parse(request.url, 'http://localhost');
			const isAllowed =
				url?.pathname === '/link' &&
				isOurs(host, options) &&
				(origin === undefined || isSameHost(origin, host));
			if (!isAllowed) return socket.end('HTTP/1.1 403 Forbidden\r\n\r\n');
			sockets.handleUpgrade(request, socket, head, (ws) => sockets.emit('connection', ws, url));
		});
}
