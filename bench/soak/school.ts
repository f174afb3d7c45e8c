/** A whole school at once: the built server, a yard in a process of its own, people with a robot each. */
import { fork, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { pause, RobotLine } from '../../src/cli/robot-check/robot-line';
import { Knocker } from '../../src/core/link/knocker';
import { freePort } from '../../tests/ports';
import { Server } from '../../tests/soak/server';

const root = join(import.meta.dirname, '..', '..');
/** Milliseconds between two orders of one person. */
const orderEvery = 100;

async function startYard(port: number, robots: number): Promise<ChildProcess> {
	const yard = fork(
		join(root, 'src', 'standin', 'main.ts'),
		['--port', String(port), '--many', String(robots), '--data', '/tmp/lantern-step-links'],
		{
			execArgv: ['--import', 'tsx'],
			env: { ...process.env, TSX_TSCONFIG_PATH: join(root, 'src', 'core', 'tsconfig.json') },
			stdio: ['ignore', 'ignore', 'inherit', 'ipc']
		}
	);
	await new Promise((ready) => yard.once('message', ready));
	return yard;
}

export class School {
	readonly lines: readonly RobotLine[];
	private readonly knockers: readonly Knocker[];

	private constructor(
		readonly server: Server,
		private readonly yard: ChildProcess,
		readonly yardHost: string,
		readonly people: number
	) {
		this.knockers = Array.from({ length: people }, (_, index) => this.knocker(index));
		this.lines = Array.from({ length: people }, (_, index) => this.link(`skiff-${index + 1}`));
	}

	/** @param hosts other ones that the server knows, beside the yard */
	static async start(people: number, hosts: readonly string[] = []): Promise<School> {
		const port = await freePort();
		const yard = await startYard(port, people);
		process.env.LANTERN_ROBOTS = [`ws://127.0.0.1:${port}`, ...hosts].join(' ');
		const server = await Server.start(true);
		await pause(1500);
		return new School(server, yard, `127.0.0.1:${port}`, people);
	}

	knocker(index: number): Knocker {
		const person = { id: `person-${index}`, name: `Person ${index}` };
		return new Knocker(`skiff-${(index % this.people) + 1}`, person, undefined);
	}

	link(robot: string): RobotLine {
		return new RobotLine(`${this.address}/link?robot=${robot}`);
	}

	get address(): string {
		return this.server.address.replace('http', 'ws');
	}

	/** Everybody sees the signs of their robot. */
	async pair(): Promise<void> {
		for (const [index, line] of this.lines.entries()) {
			await line.opened();
			await line.knock(this.knockers[index]!);
		}
		for (const [index, line] of this.lines.entries()) {
			await line.tell(this.knockers[index]!, await this.signsOf(`skiff-${index + 1}`));
			line.live(true);
		}
	}

	/** What whoever stands beside a robot sees. */
	async signsOf(robot: string): Promise<readonly number[]> {
		const sight = (await (await fetch(`http://${this.yardHost}/look`)).json()) as {
			robots: { id: string; signs?: number[] }[];
		};
		return sight.robots.find(({ id }) => id === robot)!.signs!;
	}

	/** A hand on a robot's button. */
	async press(robot: string): Promise<void> {
		const body = JSON.stringify({ do: 'push', robot, place: 1 });
		await fetch(`http://${this.yardHost}/hands`, { method: 'POST', body });
	}

	/** Each gives ten orders a second. @returns milliseconds from each order to its answer, in order */
	async orders(seconds: number): Promise<number[]> {
		const times: number[] = [];
		const until = performance.now() + seconds * 1000;
		const give = async (line: RobotLine, index: number): Promise<void> => {
			await pause((index / this.people) * orderEvery);
			for (let id = 1; performance.now() < until; id++) {
				const began = performance.now();
				const from = line.heard.length;
				const command = { device: 'motion', name: 'stand', values: {} };
				line.send({ type: 'begin', id, command });
				await line.wait('done', from);
				const answer = line.heard.slice(from).find(({ frame }) => frame.type === 'done');
				// What never came counts as what came very late.
				times.push(answer ? answer.at - began : Infinity);
				line.heard.length = 0;
				await pause(Math.max(0, orderEvery - (performance.now() - began)));
			}
		};
		await Promise.all(this.lines.map(give));
		return times.sort((a, b) => a - b);
	}

	async end(): Promise<void> {
		for (const line of this.lines) line.close();
		this.yard.kill();
		await this.server.end();
	}
}

/** @param sorted ascending */
export const quantile = (sorted: readonly number[], part: number): string =>
	sorted[Math.floor(part * (sorted.length - 1))]!.toFixed(1);
