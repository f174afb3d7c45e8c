/** The yard's own address: its page, what hands do, and a socket to each robot. */
import { readFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { WebSocketServer, type WebSocket } from 'ws';
import { isOurs, isSameHost } from '../../server/guard.mjs';
import { courseFormat } from '../core/course/course';
import { maximumBytes, readDocument } from '../core/document';
import { longestMessage, readMessage } from '../core/link/frames';
import { robotKinds } from '../core/robots/kinds';
import { through, type Air } from './wire';
import { handSchema, type Yard } from './yard';
import words from './words.en.json' with { type: 'json' };

/** Milliseconds between two adverts of a robot. */
const advertInterval = 500;
/** Bytes of what hands ask for. */
const longestDeed = 2048;
/** Milliseconds until a far robot is given up. */
const givenUpAfter = 1500;

const page = (name: string) => readFileSync(new URL(`./page/${name}`, import.meta.url));
const files: Readonly<Record<string, readonly [type: string, name: string]>> = {
	'/': ['text/html; charset=utf-8', 'index.html'],
	'/yard.js': ['text/javascript; charset=utf-8', 'yard.js'],
	'/yard.css': ['text/css; charset=utf-8', 'yard.css']
};
const headers = {
	'content-security-policy':
		"default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src data:; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'",
	'x-content-type-options': 'nosniff',
	'cache-control': 'no-store'
};

interface Options {
	readonly yard: Yard;
	readonly air: Air;
	readonly isShared: boolean;
	readonly names: readonly string[];
}

export function serveYard({ yard, air, isShared, names }: Options) {
	const server = createServer((request, response) => answer(yard, request, response));
	const sockets = new WebSocketServer({ noServer: true, maxPayload: longestMessage });
	const listeners = new Set<WebSocket>();

	const isAllowed = ({ headers: { host = '' } }: IncomingMessage) =>
		isOurs(host, { isShared, names });

	function answer(yard: Yard, request: IncomingMessage, response: ServerResponse) {
		const { url = '/', method } = request;
		const end = (status: number, type: string, body: string | Buffer) =>
			response.writeHead(status, { ...headers, 'content-type': type }).end(body);
		const json = (status: number, body: unknown) =>
			end(status, 'application/json', JSON.stringify(body));
		if (!isAllowed(request)) return json(421, { message: words['yard.otherHost'] });
		const file = files[url];
		if (file && method === 'GET') return end(200, file[0], page(file[1]));
		if (url === '/words.json') return json(200, words);
		const [, clip] = /^\/clips\/([0-9a-f]{64})$/.exec(url) ?? [];
		const wav = clip === undefined ? undefined : yard.wavOf(clip);
		if (wav) return end(200, 'audio/wav', Buffer.from(wav));
		if (url === '/look') return json(200, yard.sight);
		if (url === '/drawings')
			return json(200, Object.fromEntries(robotKinds.map(({ kind, drawing }) => [kind, drawing])));
		if (url === '/hands' && method === 'POST') return void asked(request, longestDeed, act, json);
		if (url === '/courses' && method === 'POST')
			return void asked(request, maximumBytes, lay, json);
		return json(404, { message: words['yard.notFound'] });
	}

	type Answer = (status: number, body: unknown) => void;

	/** Reads what one of our own pages asks for. @param longest characters; what is beyond is left */
	async function asked(
		request: IncomingMessage,
		longest: number,
		act: (text: string, json: Answer) => void,
		json: Answer
	) {
		const { origin, host } = request.headers;
		if (origin !== undefined && !isSameHost(origin, host ?? ''))
			return json(403, { message: words['yard.otherHost'] });
		const parts: string[] = [];
		let length = 0;
		// Who sends more is answered as well: a connection that is cut says nothing.
		const read = request.setEncoding('utf8').iterator({ destroyOnReturn: false });
		for await (const part of read) {
			parts.push(String(part));
			if ((length += String(part).length) > longest) break;
		}
		act(parts.join(''), json);
		request.resume();
	}

	function act(text: string, json: Answer) {
		const deed = readMessage(text, handSchema);
		if (!deed) return json(400, { message: words['yard.badDeed'] });
		return yard.act(deed) ? json(200, {}) : json(404, { message: words['yard.noRobot'] });
	}

	function lay(text: string, json: Answer) {
		const read = readDocument(text, courseFormat);
		if (!read.ok) return json(400, { message: words['yard.badCourse'] });
		const place = yard.lay(read.value);
		return place
			? json(200, { id: place.id, name: read.value.name })
			: json(409, { message: words['yard.full'] });
	}

	server.on('upgrade', (request, socket, head) => {
		// A socket that breaks off is nobody's fault.
		socket.on('error', () => socket.destroy());
		const [, robot] = /^\/robots\/([\w-]+)$/.exec(request.url ?? '') ?? [];
		const isKnown = request.url === '/adverts' || (robot !== undefined && yard.robots.has(robot));
		const { origin, host = '' } = request.headers;
		const isOwn = origin === undefined || isSameHost(origin, host);
		if (!isKnown || !isOwn || !isAllowed(request)) {
			socket.end('HTTP/1.1 404 Not Found\r\nConnection: close\r\n\r\n', () => socket.destroy());
			return;
		}
		sockets.handleUpgrade(request, socket, head, (ws) => {
			ws.on('error', () => ws.terminate());
			if (robot !== undefined) return connect(ws, robot);
			listeners.add(ws);
			ws.on('close', () => listeners.delete(ws));
		});
	});

	function connect(ws: WebSocket, id: string) {
		const robot = yard.robots.get(id)!;
		// Nobody answers from so far away, nor with the switch off.
		if (robot.power === 'off' || robot.isFar) {
			setTimeout(() => ws.terminate(), givenUpAfter);
			return;
		}
		const send = through<string>(air, (message) => ws.readyState === ws.OPEN && ws.send(message));
		const line = robot.end.connect(
			(frame) => send(JSON.stringify(frame)),
			() => ws.close()
		);
		const hear = through<string>(air, (message) => line.receive(message));
		ws.on('message', (data, isBinary) => hear(isBinary ? '' : data.toString()));
		ws.on('close', () => line.closed());
	}

	const timer = setInterval(() => {
		for (const robot of yard.robots.values()) {
			const { advert } = robot;
			if (!advert) continue;
			const text = JSON.stringify(advert);
			for (const listener of listeners) listener.send(text);
		}
	}, advertInterval);
	server.on('close', () => clearInterval(timer));
	return server;
}
