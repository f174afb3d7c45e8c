/** The built server in a process of its own, on a free port, to be saved to, attacked and killed. */
import { fork, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { execArgv } from '../../server/options.mjs';
import { freePort } from '../ports';

const entry = join(import.meta.dirname, '..', '..', 'server', 'serve.mjs');

export interface Answer {
	readonly status: number;
	readonly text: string;
}

export class Server {
	private process: ChildProcess | undefined;
	/** What it wrote to standard error. */
	errors = '';
	address = '';

	private constructor(
		readonly folder: string,
		private readonly isDemo: boolean,
		private readonly words: readonly string[]
	) {}

	/** @param isDemo fills the demo data @param words more words on its command line */
	static async start(isDemo = false, words: readonly string[] = []): Promise<Server> {
		const server = new Server(mkdtempSync(join(tmpdir(), 'lantern-step-soak-')), isDemo, words);
		await server.restart();
		return server;
	}

	/** A first start with the demo data, killed after so many milliseconds. */
	static async startAndKill(after: number): Promise<Server> {
		const server = new Server(mkdtempSync(join(tmpdir(), 'lantern-step-soak-')), true, []);
		server.launch(await freePort());
		await new Promise((goOn) => setTimeout(goOn, after));
		await server.kill();
		return server;
	}

	private launch(port: number): void {
		const env: NodeJS.ProcessEnv = { ...process.env, LANTERN_DATA: this.folder };
		if (this.isDemo) env.LANTERN_DEMO = '1';
		else delete env.LANTERN_DEMO;
		this.process = fork(entry, ['--port', String(port), ...this.words], {
			env,
			execArgv,
			stdio: ['ignore', 'ignore', 'pipe', 'ipc']
		});
		this.process.stderr!.on('data', (data) => (this.errors += data));
		this.address = `http://127.0.0.1:${port}`;
	}

	/** @returns milliseconds until it answered */
	async restart(): Promise<number> {
		const began = performance.now();
		this.launch(await freePort());
		await new Promise<void>((ready, fail) => {
			this.process!.once('message', () => ready());
			this.process!.once('exit', () => fail(new Error(`It did not start: ${this.errors}`)));
		});
		await this.get('/api/documents?kind=plan');
		return performance.now() - began;
	}

	/** @returns once it is gone */
	kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
		const { process: running } = this;
		if (running!.exitCode !== null || running!.signalCode !== null) return Promise.resolve();
		const gone = new Promise<void>((done) => running!.once('exit', () => done()));
		running!.kill(signal);
		return gone;
	}

	async end(): Promise<void> {
		await this.kill();
		rmSync(this.folder, { recursive: true, force: true });
	}

	/** MB that it holds in memory. */
	get memory(): number {
		const status = readFileSync(`/proc/${this.process!.pid}/status`, 'utf8');
		return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1]) / 1024;
	}

	/** Seconds of processor time that it has used. */
	get processorSeconds(): number {
		const stat = readFileSync(`/proc/${this.process!.pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
		return (Number(stat[11]) + Number(stat[12])) / 100;
	}

	get = (path: string): Promise<Answer> => this.send('GET', path);

	async send(method: string, path: string, body?: unknown, more: object = {}): Promise<Answer> {
		const response = await fetch(this.address + path, {
			method,
			headers: { 'content-type': 'application/json', ...more },
			body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body)
		});
		return { status: response.status, text: await response.text() };
	}
}
