import { once } from 'node:events';
import { connect, type AddressInfo } from 'node:net';
import { text } from 'node:stream/consumers';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { courseOf } from '../core/testing/sample';
import { serveYard } from './server';
import { mostLaid, Yard } from './yard';

const yard = new Yard({
	places: [{ id: 'shed', course: courseOf() }],
	robots: [{ id: 'tallow', name: 'Tallow', kind: 'skiff', signal: 1 }],
	variation: 'ideal',
	seed: 1,
	tokens: () => ({ of: () => [], keep: () => {} }),
	chance: Math.random
});
const air = { latency: 0, jitter: 0, loss: 0 };
const server = serveYard({ yard, air, isShared: false, names: [] });
let address: string;
beforeAll(async () => {
	server.listen(0, '127.0.0.1');
	await once(server, 'listening');
	address = `http://localhost:${(server.address() as AddressInfo).port}`;
});
afterAll(() => void server.close());

const post = (path: string, body: unknown, headers: Record<string, string> = {}) =>
	fetch(address + path, { method: 'POST', body: JSON.stringify(body), headers });

it('takes a course that somebody lays, and robots are carried to its start', async () => {
	const course = courseOf({ name: 'Reed maze', starts: [{ at: [1.5, 0.25], bearing: 90 }] });
	const laid = await post('/courses', course);
	expect(await laid.json()).toEqual({ id: 'laid-1', name: 'Reed maze' });
	await post('/hands', { do: 'carry', robot: 'tallow', to: 'laid-1' });
	const { places, robots } = await (await fetch(`${address}/look`)).json();
	expect(places).toContainEqual({ id: 'laid-1', name: 'Reed maze' });
	expect(robots[0]).toMatchObject({ room: 'laid-1', at: [1.5, 0.25] });
	expect(robots[0].bearing).toBeCloseTo(90, 6);
});

it('hears out who sends far too much, and says so', async () => {
	const { port } = server.address() as AddressInfo;
	const socket = connect(port, 'localhost');
	const heard = text(socket);
	const head = `Host: localhost:${port}\r\nContent-Length:`;
	socket.write(`POST /hands HTTP/1.1\r\n${head} 20000000\r\n\r\n${'x'.repeat(20e6)}`);
	// The next request over the same connection.
	socket.write(`GET /look HTTP/1.1\r\nConnection: close\r\n${head} 0\r\n\r\n`);
	expect(await heard).toMatch(/^HTTP\/1.1 400 [^]*HTTP\/1.1 200 /);
});

it('refuses what is no course, what another page sends, and one too many', async () => {
	expect((await post('/courses', { format: 'lantern-step/plan' })).status).toBe(400);
	const course = courseOf();
	expect((await post('/courses', course, { origin: 'http://reeds.example' })).status).toBe(403);
	const answers: number[] = [];
	for (let i = 0; i <= mostLaid; i++) answers.push((await post('/courses', course)).status);
	expect(answers.filter((status) => status === 200).length).toBe(mostLaid - 1);
	expect(answers.at(-1)).toBe(409);
});
