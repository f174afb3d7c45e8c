/** Hostile requests and files, by generator: the same seed gives the same ones. */
import { connect } from 'node:net';
import { readFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as fc from 'fast-check';
import index from '../../samples/index.json';
import { BadInput, mission } from '../../src/cli/mission';
import { extremes } from './extremes';
import type { Server } from './server';

const samples = [
	...index.plans.map(({ file }) => `samples/plans/${file}.json`),
	...index.courses.map(({ file }) => `samples/courses/${file}.json`)
].map((file) => ({ file, text: readFileSync(file, 'utf8') }));

/** Things that have no place anywhere. */
const oddities: readonly unknown[] = [
	null,
	true,
	-1,
	1e308,
	2 ** 53,
	'',
	'\0',
	'\ud800',
	'@outcome.fell',
	'<img src=x onerror=alert(1)>',
	'{count, plural, other {#}}',
	'{',
	'x'.repeat(3000),
	'\u202e\u200b',
	[],
	{},
	{ expression: '('.repeat(200) },
	{ expression: 'constructor + toString' },
	{ toString: 1, hasOwnProperty: 2, valueOf: null },
	['toString', 'constructor'],
	'toString',
	'constructor',
	'hasOwnProperty',
	'../../etc/passwd',
	Array.from({ length: 3000 }, (_, i) => i)
];

const oddity = fc.constantFrom(...oddities);

/** Another value at some place of a document, or a place more, or one less. */
export const mutated = (text: string): fc.Arbitrary<string> =>
	fc.array(fc.tuple(fc.nat(), fc.nat(), oddity), { minLength: 1, maxLength: 3 }).map((changes) => {
		const document: unknown = JSON.parse(text);
		for (const [place, way, value] of changes) mutate(document, place, way, structuredClone(value));
		return JSON.stringify(document);
	});

function mutate(document: unknown, place: number, way: number, value: unknown): void {
	const holders: (Record<string, unknown> | unknown[])[] = [];
	const visit = (inner: unknown) => {
		if (typeof inner !== 'object' || inner === null) return;
		holders.push(inner as Record<string, unknown>);
		Object.values(inner).forEach(visit);
	};
	visit(document);
	const holder = holders[place % holders.length] as Record<string, unknown>;
	const keys = Object.keys(holder);
	const key = keys[way % Math.max(1, keys.length)];
	if (key === undefined || way % 7 === 0) holder[nameFrom(value)] = value;
	else if (way % 7 === 1) delete holder[key];
	else if (way % 7 === 2 && Array.isArray(holder)) holder.push(...holder.slice(0, 200));
	else if (way % 7 === 3 && typeof holder[key] === 'number')
		holder[key] = Number(holder[key]) * -1e3;
	else holder[key] = value;
}

const nameFrom = (value: unknown): string =>
	typeof value === 'string' ? value.slice(0, 30) : (JSON.stringify(value) ?? 'x').slice(0, 30);

/** Characters lost, doubled and changed. */
export const garbled = (text: string): fc.Arbitrary<string> =>
	fc
		.tuple(fc.nat(text.length), fc.nat(40), fc.string({ maxLength: 6 }))
		.map(([at, length, put]) => text.slice(0, at) + put + text.slice(at + length));

const deep = (depth: number): string => '['.repeat(depth) + ']'.repeat(depth);
const byHand = [
	'',
	'\ufeff',
	'null',
	'0',
	'"x"',
	'{}',
	deep(1000),
	deep(500_000),
	'['.repeat(1_000_000),
	`{"format":"lantern-step/plan","version":1,"name":"${'x'.repeat(3 * 1024 * 1024)}"}`,
	'{"__proto__":{"format":"lantern-step/plan"}}',
	'\0\0\0',
	'{"format":"lantern-step/plan","version":1e999}',
	`[${'0,'.repeat(500_000)}0]`
];

export const hostileText = fc
	.constantFrom(...samples)
	.chain(({ text }) =>
		fc.oneof(mutated(text), mutated(text), garbled(text), fc.constantFrom(...byHand))
	);

interface FileReport {
	files: number;
	accepted: number;
	slowestSeconds: number;
	stacks: number;
	unclear: string[];
}

/** Never a package's own words, never an object, and never longer than a person reads. */
const unclear =
	/\[object|Invalid input|Unrecognized key|undefined|expected string, received|^\s*at /;

/** Reads, checks and rehearses them as the mission runner does. */
export function hostileFiles(count: number, seed: number): FileReport {
	const folder = mkdtempSync(join(tmpdir(), 'lantern-step-hostile-'));
	const report: FileReport = { files: 0, accepted: 0, slowestSeconds: 0, stacks: 0, unclear: [] };
	const open = 'samples/courses/open-quay.json';
	// It bumps into whatever there is.
	const first = 'samples/plans/along-the-reeds.json';
	const generated = fc.sample(hostileText, { numRuns: count, seed });
	for (const text of [...extremes(), ...generated]) {
		const file = join(folder, 'hostile.json');
		writeFileSync(file, text);
		const began = performance.now();
		for (const words of [
			['check', '--plan', file],
			['run', '--plan', file, '--course', open],
			['run', '--plan', first, '--course', file]
		]) {
			try {
				mission(words);
				report.accepted += 1;
			} catch (error) {
				if (!(error instanceof BadInput)) {
					report.stacks += 1;
					report.unclear.push(String((error as Error).stack).slice(0, 300));
				} else if (unclear.test(error.message) || error.message.length > 400)
					report.unclear.push(error.message.slice(0, 300));
			}
		}
		report.files += 1;
		report.slowestSeconds = Math.max(report.slowestSeconds, (performance.now() - began) / 1000);
	}
	rmSync(folder, { recursive: true });
	return report;
}

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
