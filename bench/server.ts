/**
 * How long a save takes when a whole school saves: so many people, each once a second, on the built
 * server. Beside it, in the same run: how fast sqlite3 alone writes a row of that size, one after
 * the other, with a full sync each, on the same disk.
 *
 *   npm run bench:server -- [--people N] [--seconds N] [--warmup N]
 *
 * The first seconds, in which the engine is still compiling, are told apart from the others.
 */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import sqlite3 from 'sqlite3';
import { Server } from '../tests/soak/server';

const { values } = parseArgs({
	options: {
		people: { type: 'string', default: '300' },
		seconds: { type: 'string', default: '30' },
		warmup: { type: 'string', default: '15' }
	}
});
const people = Number(values.people);
const seconds = Number(values.seconds);
const warmup = Number(values.warmup);
const content: unknown = JSON.parse(readFileSync('samples/plans/lock-keepers-square.json', 'utf8'));

async function rawInserts(): Promise<number> {
	const folder = mkdtempSync(join(tmpdir(), 'lantern-step-raw-'));
	const database = new sqlite3.Database(join(folder, 'raw.sqlite'));
	const run = (sql: string, given: unknown[] = []) =>
		new Promise<void>((done, fail) =>
			database.run(sql, given, (error) => (error ? fail(error) : done()))
		);
	await run('PRAGMA journal_mode = WAL');
	await run('PRAGMA synchronous = FULL');
	await run('CREATE TABLE rows (id TEXT PRIMARY KEY, content TEXT)');
	const text = JSON.stringify(content);
	const began = performance.now();
	let count = 0;
	for (; performance.now() - began < 3000; count++)
		await run('INSERT INTO rows VALUES (?, ?)', [randomUUID(), text]);
	const rate = count / ((performance.now() - began) / 1000);
	database.close();
	rmSync(folder, { recursive: true });
	return rate;
}

const server = await Server.start();
const { port } = new URL(server.address);
const agent = new Agent({ keepAlive: true });
function put(id: string, body: string): Promise<string> {
	return new Promise((done, fail) => {
		const sending = request(
			{
				agent,
				port,
				host: '127.0.0.1',
				method: 'PUT',
				path: `/api/documents/${id}`,
				headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }
			},
			(response) => {
				let text = '';
				response.on('data', (data) => (text += data));
				response.on('end', () =>
					response.statusCode === 200 ? done(text) : fail(new Error(text))
				);
			}
		);
		sending.on('error', fail);
		sending.end(body);
	});
}

interface Phase {
	readonly times: number[];
	errors: number;
}

async function person(phases: readonly { phase: Phase; saves: number }[]): Promise<void> {
	const id = randomUUID();
	let revision = 0;
	await new Promise((goOn) => setTimeout(goOn, Math.random() * 1000));
	for (const { phase, saves } of phases) {
		for (let save = 0; save < saves; save++) {
			const began = performance.now();
			const body = {
				work: { kind: 'plan', content },
				baseRevision: revision,
				saveId: randomUUID(),
				unanswered: []
			};
			try {
				({ revision } = JSON.parse(await put(id, JSON.stringify(body))) as { revision: number });
			} catch {
				phase.errors += 1;
			}
			const took = performance.now() - began;
			phase.times.push(took);
			await new Promise((goOn) => setTimeout(goOn, Math.max(0, 1000 - took)));
		}
	}
}

const first: Phase = { times: [], errors: 0 };
const then: Phase = { times: [], errors: 0 };
const everybody = Promise.all(
	Array.from({ length: people }, () =>
		person([
			{ phase: first, saves: warmup },
			{ phase: then, saves: seconds }
		])
	)
);
while (then.times.length < people) await new Promise((goOn) => setTimeout(goOn, 50));
const counted = then.times.length;
const own = process.cpuUsage();
const processorBefore = server.processorSeconds;
const began = performance.now();
await everybody;
const wall = (performance.now() - began) / 1000;
const processor = server.processorSeconds - processorBefore;
const { user, system } = process.cpuUsage(own);
await server.end();
const raw = await rawInserts();

function say(name: string, { times, errors }: Phase): void {
	const sorted = times.toSorted((a, b) => a - b);
	const at = (part: number): string => sorted[Math.floor(part * (sorted.length - 1))]!.toFixed(1);
	console.log(
		`${name}: ${times.length} saves, ${errors} errors; ` +
			`p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, p99 ${at(0.99)} ms, longest ${at(1)} ms`
	);
}
console.log(`${people} people, a save a second each`);
say(`the first ${warmup} s`, first);
say(`the next ${seconds} s`, then);
const part = (used: number): string => ((100 * used) / wall).toFixed(0);
const rate = (then.times.length - counted) / wall;
console.log(
	`then ${part(processor)} % of one core; those who save ${part((user + system) / 1e6)} %`
);
console.log(
	`${rate.toFixed(0)} saves/s; sqlite3 alone inserts ${raw.toFixed(0)} rows/s, ` +
		`${(raw / rate).toFixed(1)} times that`
);
