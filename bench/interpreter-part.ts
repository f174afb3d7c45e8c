/**
 * Which part of a rehearsal's time the interpreter takes: samples of V8's profiler, sorted by the
 * module that was running, for the modules stand in one bundle in which esbuild names each. What a
 * function does that was inlined counts to its own module.
 */
import { Session, type Profiler } from 'node:inspector/promises';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** Steps and expressions are run by nobody else. */
const isInterpreter = (module: string) =>
	/^src\/core\/(interpreter|expressions|steps)\//.test(module);
const isSimulation = (module: string) => !module.startsWith('bench/');

/** µs between two looks of the profiler. */
const interval = 100;
/** ms for which a rehearsal is repeated: to warm up, and to be looked at. */
const warming = 500;
const watching = 2000;

function repeat(run: () => void, duration: number): number {
	const began = performance.now();
	let rounds = 0;
	while (performance.now() - began < duration) {
		run();
		rounds += 1;
	}
	return (performance.now() - began) / rounds;
}

/** @returns the part, 0 to 1, and ms of one rehearsal */
export async function interpreterPart(rehearse: () => void): Promise<{ part: number; ms: number }> {
	repeat(rehearse, warming);
	const session = new Session();
	session.connect();
	await session.post('Profiler.enable');
	await session.post('Profiler.setSamplingInterval', { interval });
	await session.post('Profiler.start');
	const ms = repeat(rehearse, watching);
	const { profile } = await session.post('Profiler.stop');
	session.disconnect();
	return { part: partOf(profile), ms };
}

function partOf({ nodes }: Profiler.Profile): number {
	let [part, whole] = [0, 0];
	for (const { callFrame, positionTicks = [] } of nodes) {
		if (callFrame.url !== import.meta.url) continue;
		for (const { line, ticks } of positionTicks) {
			const module = modules[line - 1]!;
			if (isSimulation(module)) whole += ticks;
			if (isInterpreter(module)) part += ticks;
		}
	}
	return part / whole;
}

/** The module of each line of this bundle. */
const modules: string[] = [];
for (const line of readFileSync(fileURLToPath(import.meta.url), 'utf8').split('\n')) {
	const named = /^\/\/ (\S+\.(?:ts|js|mjs|json))$/.exec(line)?.[1];
	modules.push(named ?? modules.at(-1) ?? '');
}
