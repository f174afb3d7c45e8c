/**
 * A whole school at once: so many people, each with a robot, through the built server and a yard in a
 * process of its own. Each gives ten orders a second; what is measured is the time from an order to
 * the robot's own answer. Then each tries to get the robot of the next one.
 *
 *   npm run bench:links -- [--people N] [--seconds N]
 */
import { fork, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { pause, RobotLine } from '../../src/cli/robot-check/robot-line';
import { Knocker } from '../../src/core/link/knocker';
import { freePort } from '../ports';
import { Server } from './server';

const { values } = parseArgs({
	options: { people: { type: 'string', default: '50' }, seconds: { type: 'string', default: '20' } }
});
const people = Number(values.people);
const seconds = Number(values.seconds);
/** Milliseconds between two orders of one person. */
const orderEvery = 100;

const root = join(import.meta.dirname, '..', '..');
const yardPort = await freePort();
const yard: ChildProcess = fork(
	join(root, 'src', 'standin', 'main.ts'),
	['--port', String(yardPort), '--many', String(people), '--data', '/tmp/lantern-step-links'],
	{
		execArgv: ['--import', 'tsx'],
		env: { ...process.env, TSX_TSCONFIG_PATH: join(root, 'src', 'core', 'tsconfig.json') },
		stdio: ['ignore', 'ignore', 'inherit', 'ipc']
	}
);
await new Promise((ready) => yard.once('message', ready));
process.env.LANTERN_ROBOTS = `ws://127.0.0.1:${yardPort}`;
const server = await Server.start(true);
await pause(1500);

const sight = async () =>
	(await (await fetch(`http://127.0.0.1:${yardPort}/look`)).json()) as {
		robots: { id: string; signs?: number[]; with?: string }[];
	};
const person = (index: number) => ({ id: `person-${index}`, name: `Person ${index}` });
const link = (robot: string) =>
	new RobotLine(`${server.address.replace('http', 'ws')}/link?robot=${robot}`);

const knocker = (index: number) =>
	new Knocker(`skiff-${(index % people) + 1}`, person(index), undefined);
const knockers = Array.from({ length: people }, (_, index) => knocker(index));
const lines = Array.from({ length: people }, (_, index) => link(`skiff-${index + 1}`));
for (const [index, line] of lines.entries()) {
	await line.opened();
	await line.knock(knockers[index]!);
}
const { robots } = await sight();
for (const [index, line] of lines.entries()) {
	const { signs } = robots.find(({ id }) => id === `skiff-${index + 1}`)!;
	await line.tell(knockers[index]!, signs!);
	line.live(true);
}

const times: number[] = [];
const until = performance.now() + seconds * 1000;
async function orders(line: RobotLine, index: number): Promise<void> {
	await pause((index / people) * orderEvery);
	for (let id = 1; performance.now() < until; id++) {
		const began = performance.now();
		const from = line.heard.length;
		line.send({ type: 'begin', id, command: { device: 'motion', name: 'stand', values: {} } });
		await line.wait('done', from);
		const answer = line.heard.slice(from).find(({ frame }) => frame.type === 'done');
		if (answer) times.push(answer.at - began);
		line.heard.length = 0;
		await pause(Math.max(0, orderEvery - (performance.now() - began)));
	}
}
await Promise.all(lines.map(orders));

let stolen = 0;
for (let index = 0; index < people; index++) {
	const thief = link(`skiff-${((index + 1) % people) + 1}`);
	await thief.opened();
	const sorry = await thief.ask(knocker(index + 1).hello(), 'sorry', 1000);
	if (sorry?.why !== 'busy') stolen += 1;
	thief.close();
}
times.sort((a, b) => a - b);
const at = (part: number) => times[Math.floor(part * (times.length - 1))]!.toFixed(1);
console.log(`${people} people, ${people} robots, ${times.length} orders in ${seconds} s`);
console.log(
	`order and answer: ${at(0.5)} ms at the median, ${at(0.95)} at the 95th percentile, ${at(1)} at most`
);
console.log(`robots that obeyed two: ${stolen}; the server holds ${server.memory.toFixed(0)} MB`);
for (const line of lines) line.close();
yard.kill();
await server.end();
process.exit(stolen > 0 ? 1 : 0);
