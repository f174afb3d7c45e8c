/** The short form of `npm run soak`: see tests/soak/main.ts for what each part does. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { halfSent, hostileRequests } from './soak/requests';
import { classes, firstStarts, killCycles, threeParties } from './soak/saves';
import { Server } from './soak/server';

test.describe.configure({ timeout: 180_000 });

async function withServer<T>(isDemo: boolean, work: (server: Server) => Promise<T>): Promise<T> {
	const server = await Server.start(isDemo);
	try {
		return await work(server);
	} finally {
		await server.end();
	}
}

// They are waited for beside the others.
let half: Promise<number>;
test.beforeAll(() => {
	half = withServer(false, (server) => halfSent(server, 100, 36));
});

test('a killed server has lost nothing that it acknowledged, and made nothing up', async () => {
	const found = await withServer(false, (server) => killCycles(server, 6));
	expect(found).toMatchObject({ lost: 0, secondVersionsNobodyMade: 0 });
	expect(found.saves).toBeGreaterThan(10);
	expect(found.attempts).toBeGreaterThan(0);
});

test('a server that is told to end leaves all in the one file', async () => {
	const file = 'lantern-step.sqlite';
	await withServer(false, async (server) => {
		const { status } = await server.send('POST', '/api/people', { name: 'Maren' });
		expect(status).toBe(200);
		// What Ctrl C sends, twice: to it and to what has started it.
		const gone = server.kill('SIGINT');
		await Promise.all([gone, server.kill('SIGINT')]);
		expect(readdirSync(server.folder).sort()).toEqual(['backups', file]);
		expect(readFileSync(join(server.folder, file), 'latin1')).toContain('Maren');
	});
});

test('a first start that is killed begins anew', async () => {
	expect(await firstStarts(3)).toMatchObject({ broken: 0 });
});

test('three parties on one plan lose nothing', async () => {
	const found = await withServer(false, (server) => threeParties(server, 10));
	expect(found).toEqual({ rounds: 10, lost: 0, secondVersionsNobodyMade: 0 });
});

test('thirty new names at once, and thirty first plans', async () => {
	const found = await withServer(false, (server) => classes(server, 3));
	expect(found).toEqual({ classes: 3, failures: 0, refused: 0 });
});

test('hostile requests get a sentence or a quiet no', async () => {
	const found = await withServer(true, (server) => hostileRequests(server, 400, 7));
	expect(found).toMatchObject({ serverErrors: 0, stacks: 0, unclear: [], homeStillAnswers: true });
	expect(found.slowestSeconds).toBeLessThan(20);
});

test('half-sent requests are let go', async () => {
	expect(await half).toBe(0);
});
