/** Hostile requests, by generator, and half-sent ones. */
import { connect } from 'node:net';
import * as fc from 'fast-check';
import type { Server } from './server';
import { hostileText, oddity, unclear } from './texts';

const paths = [
	'/',
	'/plans/x',
	'/plans/first-lamp',
	'/plans/first-lamp/__data.json',
	'/api/documents',
	'/api/documents?kind=plan',
	'/api/documents?kind=toString',
	'/api/documents?kind=plan&deleted=yes&x=%00',
	'/api/documents/first-lamp',
	'/api/documents/first-lamp?revision=%F0',
	'/api/documents/first-lamp/versions',
	'/api/documents/first-lamp/versions/1',
	'/api/documents/first-lamp/versions/99999999999999999999',
	'/api/documents/first-lamp/copies',
	'/api/documents/%00',
	'/api/documents/a%00b',
	'/api/documents/%zz',
	'/api/documents/..%2f..%2fetc%2fpasswd',
	'/api/documents/toString',
	`/api/documents/${'x'.repeat(3000)}`,
	'/api/people',
	'/_app/immutable/nothing.js',
	'/%2e%2e/%2e%2e/package.json',
	'/constructor'
];
const methods = ['GET', 'PUT', 'POST', 'PATCH', 'DELETE', 'HEAD', 'OPTIONS'];
const headers = fc.oneof(
	fc.constant({}),
	fc.constantFrom<Record<string, string>>(
		{ 'content-type': 'text/plain' },
		{ 'content-type': 'application/x-www-form-urlencoded', origin: 'http://elsewhere.test' },
		{ origin: 'null' },
		{ origin: 'http://elsewhere.test' },
		{ cookie: 'lantern-person=%00' },
		{ cookie: 'lantern-person=toString; lantern-mode=<b>' },
		{ cookie: `lantern-person=${'x'.repeat(4000)}` },
		{ 'content-encoding': 'gzip' },
		{ accept: 'text/html' },
		{ 'x-sveltekit-action': 'true' }
	)
);
const saves = hostileText.map((text) => {
	const content = text.startsWith('{"format":"lantern-step/course') ? 'course' : 'plan';
	return `{"work":{"kind":"${content}","content":${text || 'x'}},"baseRevision":0,"saveId":"s","unanswered":[]}`;
});
const bodies = fc.oneof(
	saves,
	hostileText,
	oddity.map((value) => JSON.stringify({ name: value })),
	oddity.map((value) => JSON.stringify({ deleted: value })),
	fc.json()
);
const request = fc.record({
	method: fc.constantFrom(...methods),
	path: fc.constantFrom(...paths),
	more: headers,
	body: bodies
});

/** Milliseconds after the last request until memory is measured. */
const settling = 15_000;

/** Sends them, a few at a time. @returns what the server made of them */
export async function hostileRequests(server: Server, count: number, seed: number) {
	for (const path of paths) await server.send('GET', path).catch(() => null);
	const memoryBefore = server.memory;
	const report = {
		requests: 0,
		serverErrors: 0,
		stacks: 0,
		slowestSeconds: 0,
		unclear: [] as string[]
	};
	const list = fc.sample(request, { numRuns: count, seed });
	const worker = async () => {
		for (let next = list.pop(); next; next = list.pop()) {
			const { method, path, more, body } = next;
			const hasBody = !['GET', 'HEAD', 'OPTIONS'].includes(method);
			const began = performance.now();
			try {
				const { status, text } = await server.send(method, path, hasBody ? body : undefined, more);
				if (status >= 500) report.serverErrors += 1;
				if (/\n\s+at |node:internal|node_modules/.test(text)) report.stacks += 1;
				if (status >= 500 || (status >= 400 && unclear.test(text)))
					report.unclear.push(`${status} ${method} ${path.slice(0, 60)}: ${text.slice(0, 200)}`);
			} catch (error) {
				// The server may hang up on what is no request at all; it must not fall.
				if (/invalid|headers/i.test(String(error))) report.unclear.push(String(error));
			}
			report.requests += 1;
			const seconds = (performance.now() - began) / 1000;
			report.slowestSeconds = Math.max(report.slowestSeconds, seconds);
		}
	};
	await Promise.all(Array.from({ length: 8 }, worker));
	const after = await server.get('/');
	// The engine gives memory back when it has time for that.
	await new Promise((goOn) => setTimeout(goOn, settling));
	return {
		...report,
		homeStillAnswers: after.status === 200,
		memoryGrownMB: Math.round(server.memory - memoryBefore),
		logLines: server.errors.split('\n').filter(Boolean).length
	};
}

/** Connections that send half a request and wait. @returns how many are still open after a while */
export async function halfSent(server: Server, count: number, seconds: number): Promise<number> {
	const { port } = new URL(server.address);
	let open = 0;
	const sockets = Array.from({ length: count }, (_, i) => {
		const socket = connect(Number(port), '127.0.0.1');
		socket.on('connect', () => {
			open += 1;
			socket.write(
				i % 2
					? 'GET / HTTP/1.1\r\nHost: localhost\r\nX-Slow:'
					: 'PUT /api/documents/x HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 999\r\n\r\n{"work":'
			);
		});
		socket.on('close', () => (open -= 1));
		socket.on('error', () => socket.destroy());
		socket.resume();
		return socket;
	});
	await new Promise((goOn) => setTimeout(goOn, seconds * 1000));
	const left = open;
	for (const socket of sockets) socket.destroy();
	return left;
}
