import type { AddressInfo } from 'node:net';
import { afterAll, describe, expect, it } from 'vitest';
import { makeCourse } from '../../src/core/course/course';
import type { Finding } from '../../src/cli/robot-check/check';
import { checkRobot } from '../../src/cli/robot-check/checks';
import { keptTokens } from '../../src/core/testing/knocking';
import { serveYard } from '../../src/standin/server';
import { Yard } from '../../src/standin/yard';
import { plant, planted } from './planted';

const quay = makeCourse({
	name: 'Quay',
	size: { width: 6, height: 6 },
	starts: [{ at: [3, 3], bearing: 0 }]
});
const closing: (() => void)[] = [];
afterAll(() => closing.forEach((close) => close()));

/** A yard with one robot. */
async function open(kind: string, fault?: string) {
	const yard = new Yard({
		places: [{ id: 'quay', course: quay }],
		robots: [{ id: 'one', name: 'Ember-6', kind, signal: 1 }],
		variation: 'ideal',
		seed: 1,
		tokens: keptTokens,
		chance: Math.random
	});
	const robot = yard.robots.get('one')!;
	if (fault) plant(robot, planted[fault]!(robot));
	const air = { latency: 0, jitter: 0, loss: 0 };
	const server = serveYard({ yard, air, isShared: false, names: [] });
	await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
	let last = performance.now();
	const timer = setInterval(() => {
		const now = performance.now();
		yard.pass((now - last) / 1000);
		last = now;
	}, 8);
	closing.push(() => {
		clearInterval(timer);
		server.closeAllConnections();
		server.close();
	});
	const url = `ws://127.0.0.1:${(server.address() as AddressInfo).port}/robots/one`;
	return { url, readSigns: async () => robot.end.door.signs ?? [] };
}

async function check(kind: string, fault?: string): Promise<Finding[]> {
	const { url, readSigns } = await open(kind, fault);
	return checkRobot(url, { readSigns });
}

const failed = (findings: readonly Finding[]) =>
	findings.filter(({ holds }) => !holds).map((finding) => finding.check);

describe('the check of robots', () => {
	it('finds nothing on any kind of stand-in', async () => {
		const kinds = ['skiff', 'skiffLite', 'ball', 'drone', 'rail', 'pinboard', 'face'];
		const found = await Promise.all(kinds.map((kind) => check(kind)));
		// They are checked in real time: what a busy machine spoils among all at once holds alone.
		for (const [index, kind] of kinds.entries())
			if (failed(found[index]!).length > 0) expect(failed(await check(kind)), kind).toEqual([]);
		expect(found[0]!.length).toBeGreaterThan(25);
	});

	it('names each of the faults that are planted', async () => {
		const faults = Object.keys(planted);
		const found = await Promise.all(faults.map((fault) => check('skiff', fault)));
		const missed = faults.filter((fault, index) => !failed(found[index]!).includes(fault));
		// They are checked in real time: on a busy machine what all at once hid shows alone.
		for (const fault of missed) expect(failed(await check('skiff', fault)), fault).toContain(fault);
	});
});
