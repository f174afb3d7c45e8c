/** The robot that docs/link.md comes with, written after that page alone: checked, and driven by a plan. */
import { spawn, spawnSync } from 'node:child_process';
import { afterAll, describe, expect, it } from 'vitest';
import type { Finding } from '../../src/cli/robot-check/check';
import { checkRobot } from '../../src/cli/robot-check/checks';
import { pause, RobotLine } from '../../src/cli/robot-check/robot-line';
import { devices } from '../../src/core/devices/list';
import { Knocker } from '../../src/core/link/knocker';
import { LinkPort } from '../../src/core/link/link-port';
import { LiveRecord } from '../../src/core/live/live-news';
import { LiveRun } from '../../src/core/live/live-run';
import { courseOf, go, left, planOf } from '../../src/core/testing/sample';

const hasPython = spawnSync('python3', ['--version']).status === 0;
const ending: (() => void)[] = [];
afterAll(() => ending.forEach((end) => end()));

/** Starts it. @returns its address, and the signs that somebody reads off it */
async function start(...words: readonly string[]) {
	const robot = spawn('python3', ['docs/robot.py', '--port', '0', ...words], {
		stdio: ['ignore', 'pipe', 'inherit']
	});
	ending.push(() => robot.kill());
	const url = await new Promise<string>((ready) =>
		robot.stdout.on('data', (data) => ready(String(data).split('\n', 1)[0]!))
	);
	const look = new URL('/look', url.replace('ws:', 'http:'));
	const readSigns = async (): Promise<readonly number[]> => {
		const { robots } = (await (await fetch(look)).json()) as { robots: [{ signs: number[] }] };
		return robots[0].signs;
	};
	return { url, readSigns };
}

const failed = (findings: readonly Finding[]) =>
	findings.filter(({ holds }) => !holds).map(({ check }) => check);

describe.skipIf(!hasPython)('the robot in Python', () => {
	it('holds all that is written, and what it does wrong on purpose is named', async () => {
		const faults = { none: [], deaf: ['halt'], rows: ['rows'], signs: ['wrongSigns'] };
		const found = await Promise.all(
			Object.keys(faults).map(async (fault) => {
				const { url, readSigns } = await start(...(fault === 'none' ? [] : ['--fault', fault]));
				return failed(await checkRobot(url, { readSigns }));
			})
		);
		const [none, ...others] = found;
		expect(none).toEqual([]);
		Object.values(faults)
			.slice(1)
			.forEach((checks, index) => expect(others[index]).toEqual(expect.arrayContaining(checks)));
	});

	// At the pace of clocks: where this process stands still for a second, the robot looks after itself, as it should.
	it('runs a plan', { retry: 2 }, async () => {
		const { url, readSigns } = await start();
		const line = new RobotLine(url);
		await line.opened();
		const maren = new Knocker('lugger', { id: 'maren', name: 'Maren' }, undefined);
		await line.knock(maren);
		const greeting = (await line.tell(maren, await readSigns()))!;
		expect(maren.trusts(greeting)).toBe(true);
		const own = devices.filter(({ id }) => greeting.devices.includes(id));
		const port = new LinkPort(own, (frame) => line.send(frame));
		line.send({ type: 'lineUp', at: { x: 0.4, y: 0.4, bearing: 0 } });
		port.start();
		const run = new LiveRun({
			...{ plan: planOf([go(0.2), left(90)]), course: courseOf(), ports: [port] },
			chance: Math.random
		});
		const record = new LiveRecord();
		const began = performance.now();
		for (let heard = 0; !run.outcome; heard = line.heard.length) {
			await pause(20);
			for (const { frame } of line.heard.slice(heard)) port.receive(frame);
			run.tick((performance.now() - began) / 1000);
		}
		line.close();
		const { outcome, spans, runs } = record.add(run.news());
		expect(outcome.reason.key).toBe('outcome.over');
		expect(spans.map(({ kind, isComplete }) => [kind, isComplete])).toEqual([
			['go', true],
			['turn', true]
		]);
		const { y, heading } = runs[0]!.trace;
		expect(y.at(-1)!).toBeCloseTo(0.6, 1);
		expect(heading.at(-1)!).toBeCloseTo(Math.PI, 1);
	});
});
