/**
 * Hands on what app and robots say to each other, so that one address serves a whole school: the app
 * knows its own origin alone, and this server the hosts of the robots. It parses no more than it
 * needs, and decides nothing: who may have a robot is the robot's matter. Whoever does not read, or
 * sends without end, is let go: what waits here is bounded for each socket. See docs/link.md.
 */
import { WebSocket, WebSocketServer } from 'ws';
import { Allowance } from './allowance.mjs';
import { Outlet } from './flow.mjs';
import { isOurs, isSameHost } from './guard.mjs';

/** Bytes of a message, and of an advert. */
const longestMessage = 1024 * 1024;
const longestAdvert = 2048;
/** Messages and bytes that one socket may send in a second; of bytes, some seconds' at once. */
const mostMessages = 500;
const mostBytes = 256 * 1024;
const burst = 8;
/** Bytes that wait until the robot's socket is open. */
const mostHeld = 64 * 1024;
/** Sockets of all people, of one address, and of one address to one robot. */
const mostSockets = 1000;
const mostOfAddress = 250;
const mostToRobot = 8;
/** Robots of one host, and adverts that it may say in a second. */
const mostRobots = 64;
const mostAdverts = 4 * mostRobots;
/** Milliseconds within which a host has to open a socket. */
const handshakeTimeout = 5000;
/** Milliseconds between two tries to reach a host, at first and at most. */
const firstPause = 250;
const longestPause = 5000;
/** Milliseconds for which an advert counts. */
const freshFor = 4000;
/** Milliseconds between two tellings of who is near. */
const tellEvery = 250;
/** Milliseconds between two looks whether somebody is still there, and whether they read. */
const pulse = 10_000;
const lookEvery = 1000;

/** Why a socket is closed, as in docs/link.md. */
const closes = {
	unknown: 4404,
	slow: 4408,
	gone: 4410,
	tooMany: 4429,
	radioOff: 4503,
	full: 4529
};

/** The adverts of all robots that hosts tell of. */
class Near {
	/** By the id of a robot; it belongs to the host that had it first, for as long as that is there. */
	heard = new Map();
	/** Ids that another host claims as well, and when. */
	doubled = new Map();
	listeners = new Map();
	open = new Set();
	changed = new Set();

	constructor(hosts) {
		for (const host of hosts) this.listen(host, firstPause);
		setInterval(() => this.tell(), tellEvery).unref();
	}

	listen(host, pause) {
		const socket = new WebSocket(new URL('/adverts', host), {
			maxPayload: longestAdvert,
			handshakeTimeout
		});
		const allowance = new Allowance(mostAdverts, 2 * mostAdverts);
		let next = pause;
		socket.on('open', () => {
			next = firstPause;
			this.turn(host, true);
		});
		socket.on('message', (data) => allowance.takes() && this.hear(host, String(data)));
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
		this.tellAll(this.radio);
	}

	get radio() {
		const doubled = [...this.doubled.keys()];
		return JSON.stringify({ type: 'radio', isOn: this.open.size > 0, doubled });
	}

	hear(host, text) {
		const id = idIn(text);
		if (id === undefined) return;
		const now = Date.now();
		const before = this.heard.get(id);
		if (
			before &&
			before.host !== host &&
			this.open.has(before.host) &&
			now - before.at < freshFor
		) {
			const isNews = !this.doubled.has(id);
			this.doubled.set(id, now);
			if (isNews) this.tellAll(this.radio);
			return;
		}
		if (!before && this.countOf(host) >= mostRobots) return;
		this.heard.set(id, { host, text, at: now });
		this.changed.add(id);
	}

	/** How many robots a host has; those of which nothing is heard any more are forgotten. */
	countOf(host) {
		const since = Date.now() - freshFor;
		let count = 0;
		for (const [id, one] of this.heard) {
			if (one.at < since) this.heard.delete(id);
			else if (one.host === host) count += 1;
		}
		return count;
	}

	/** The newest of each robot that was heard since it was told last. */
	tell() {
		for (const id of this.changed) {
			const one = this.heard.get(id);
			if (one) this.tellAll(one.text);
		}
		this.changed.clear();
		const since = Date.now() - freshFor;
		let isOver = false;
		for (const [id, at] of this.doubled) isOver = (at < since && this.doubled.delete(id)) || isOver;
		if (isOver) this.tellAll(this.radio);
	}

	tellAll(text) {
		for (const outlet of this.listeners.values()) if (!outlet.isFull) outlet.send(text);
	}

	add(socket) {
		const outlet = new Outlet(socket);
		this.listeners.set(socket, outlet);
		socket.on('close', () => this.listeners.delete(socket));
		outlet.send(this.radio);
		const since = Date.now() - freshFor;
		for (const { text, at } of this.heard.values()) if (at >= since) outlet.send(text);
		return () => outlet.isStuck;
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

/** Joins a browser's socket to a robot's. @returns whether one of them does not read */
function join(browser, host, id) {
	const robot = new WebSocket(new URL(`/robots/${id}`, host), {
		maxPayload: longestMessage,
		handshakeTimeout
	});
	const toRobot = new Outlet(robot, browser);
	const toBrowser = new Outlet(browser, robot);
	const held = [];
	let bytesHeld = 0;
	const end = (reason) => {
		held.length = 0;
		browser.close(closes[reason], reason);
		robot.terminate();
	};
	const messages = new Allowance(mostMessages);
	const bytes = new Allowance(mostBytes, burst * mostBytes);
	browser.on('message', (data, isBinary) => {
		if (!messages.takes() || !bytes.takes(data.length)) return end('tooMany');
		// A robot refuses what is no text.
		const text = isBinary ? '' : data;
		if (robot.readyState === WebSocket.OPEN) return toRobot.send(text);
		bytesHeld += data.length;
		held.push(text);
		if (bytesHeld > mostHeld) end('tooMany');
	});
	robot.on('message', (data) => toBrowser.send(data));
	browser.on('close', () => robot.terminate());
	robot.on('open', () => {
		for (const data of held.splice(0)) toRobot.send(data);
	});
	robot.on('error', () => {});
	robot.on('close', () => browser.close(closes.gone, 'gone'));
	return () => toRobot.isStuck || toBrowser.isStuck;
}

/**
 * @param {{ hosts: readonly string[], isShared: boolean, names: readonly string[] }} options where
 * robots are, as `ws://` addresses; the others as for the guard
 * @returns {(server: import('node:http').Server) => void} lets a server take part
 */
export function relay({ hosts, ...options }) {
	const near = new Near(hosts);
	const sockets = new WebSocketServer({ noServer: true, maxPayload: longestMessage });

	/** How many others there are, of which this is so. */
	const countOf = (isSo) => [...sockets.clients].filter(isSo).length;

	/** @returns {keyof typeof closes | undefined} why there is no room */
	function fullness({ address, robot }) {
		if (sockets.clients.size > mostSockets) return 'full';
		if (countOf((one) => one.address === address) > mostOfAddress) return 'full';
		const isSame = (one) => one.address === address && one.robot === robot;
		return robot !== null && countOf(isSame) > mostToRobot ? 'full' : undefined;
	}

	sockets.on('connection', (socket, url, address) => {
		const id = url.searchParams.get('robot');
		Object.assign(socket, { address, robot: id, isThere: true, isStuck: () => false });
		socket.on('pong', () => (socket.isThere = true));
		socket.on('error', () => socket.terminate());
		const full = fullness(socket);
		if (full) return socket.close(closes[full], full);
		if (id === null) {
			socket.isStuck = near.add(socket);
			return;
		}
		const found = near.heard.get(id);
		if (!found) return socket.close(closes.unknown, 'unknown');
		if (!near.open.has(found.host)) return socket.close(closes.radioOff, 'radioOff');
		socket.isStuck = join(socket, found.host, id);
	});

	setInterval(() => {
		for (const socket of sockets.clients) {
			if (!socket.isThere) socket.terminate();
			socket.isThere = false;
			socket.ping();
		}
	}, pulse).unref();
	setInterval(() => {
		for (const socket of sockets.clients) {
			if (!socket.isStuck()) continue;
			socket.close(closes.slow, 'slow');
			// Whoever does not read does not read why, either.
			setTimeout(() => socket.terminate(), lookEvery).unref();
		}
	}, lookEvery).unref();

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
			if (!isAllowed)
				return socket.end('HTTP/1.1 403 Forbidden\r\nConnection: close\r\n\r\n', () =>
					socket.destroy()
				);
			const { remoteAddress } = socket;
			sockets.handleUpgrade(request, socket, head, (ws) =>
				sockets.emit('connection', ws, url, remoteAddress)
			);
		});
}
