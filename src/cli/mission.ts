/** The mission runner: rehearses and checks plans from files, with no server and no database. */
import { readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, parse as parsePath } from 'node:path';
import { parseArgs } from 'node:util';
import { attemptDocument } from '../core/attempts/attempt-document';
import { csvOf, traceTable } from '../core/attempts/csv';
import { isMove, legsIn, type Leg } from '../core/attempts/legs';
import { headingOfBearing } from '../core/units/angles';
import { readRecording } from '../core/attempts/recording';
import { shapeOf } from '../core/attempts/shape';
import { advise } from '../core/analysis/advice';
import { answer, runnerOf } from '../core/analysis/search';
import { knobsFor, nudge, type PullGoal } from '../core/analysis/nudge';
import { spread } from '../core/analysis/spread';
import { maximumBytes, readDocument, writeDocument, type DocumentFormat } from '../core/document';
import { documentFormats } from '../core/documents';
import { checkPlan } from '../core/checks';
import { robotKinds } from '../core/robots/kinds';
import { robotDocument, sampleRobot, type NamedRobot } from '../core/robots/robot-document';
import type { Plan } from '../core/plan/plan';
import { variations, type Variation } from '../core/robots/robot';
import { defaultLimit, maximumLimit, maximumTouches } from '../core/simulation/settings';
import { fitRobot } from '../core/fitting/fit';
import { foretell, nextTry } from '../core/fitting/foretell';
import { robotModel } from '../core/fitting/robot-model';
import { valuesOf } from '../core/fitting/values-of';
import { reasonsIn } from '../core/reasons';
import { isBetter, mended, type LegMend } from '../core/reasons/mend';
import type { Attempt } from '../core/simulation/attempt';
import { simulate, type Rehearsal } from '../core/simulation/simulate';
import type { Touch } from '../core/simulation/touch';
import { say } from './words';
import { openPool } from './pool';
import { legsReport, legsTable } from './legs-report';
import { fitReport, nudgeReport, reportOf, spreadReport } from './report';

const usage = `Usage:
  mission run --plan FILE --course FILE [--robot FILE | --kind NAME]
      [--variation ${variations.join('|')}] [--seed N] [--limit SECONDS] [--trace FILE.csv]
      [--touches SECONDS,SECONDS...]
  mission check --plan FILE [--course FILE] [--kind NAME]
  mission spread --plan FILE --course FILE [--robot FILE | --kind NAME]
      [--variation ${variations.join('|')}] [--trials N] [--workers N] [--limit SECONDS]
  mission attempt --plan FILE --course FILE --attempt FILE [as for run]
      keeps what was recorded in that file
  mission legs --plan FILE --course FILE [as for run] | --attempt FILE [--table]
      what each step meant and what the robot did
  mission nudge --plan FILE --course FILE --step N [--round N] (--at EAST,NORTH | --bearing DEGREES)
      [as for run]  the numbers with which that step ends there
  mission advice --plan FILE --course FILE [as for spread]
      what would help most, and how often the plan arrives then
  mission fit --marked FILE... [--out FILE] [--variation ${variations.join('|')}]
      what the robot is like that was marked by hand in these attempts
  With run, spread, attempt, legs and nudge, --model FILE says what is known of the plan's robot.`;

/** Trials and threads that may be asked for. */
const maximumTrials = 10_000;
const maximumWorkers = 16;

/** Bad input: one line that names the place and what was expected. */
export class BadInput extends Error {}

const text = { type: 'string' } as const;
const options = {
	help: { type: 'boolean' } as const,
	table: { type: 'boolean' } as const,
	attempt: text,
	plan: text,
	course: text,
	robot: text,
	kind: text,
	variation: text,
	seed: text,
	limit: text,
	touches: text,
	trace: text,
	trials: text,
	workers: text,
	step: text,
	round: text,
	at: text,
	bearing: text,
	model: text,
	out: text,
	marked: { type: 'string', multiple: true } as const
};
type Options = Partial<
	Record<Exclude<keyof typeof options, 'help' | 'table' | 'marked'>, string>
> & {
	readonly table?: boolean;
	readonly marked?: string[];
};

/** @returns what is to be printed @throws BadInput */
export function mission(words: string[]): string | Promise<string> {
	const { command, help, values } = readCommand(words);
	if (help) return usage;
	if (command === 'run') return run(values);
	if (command === 'check') return check(values);
	if (command === 'spread') return spreadOf(values);
	if (command === 'attempt') return keep(values);
	if (command === 'legs') return legs(values);
	if (command === 'nudge') return nudged(values);
	if (command === 'fit') return fitted(values);
	if (command === 'advice') return advised(values);
	throw new BadInput(
		`"run", "check", "spread", "attempt", "legs", "nudge", "fit" or "advice" was expected, but this is "${clean(command ?? '')}". See mission --help.`
	);
}

/** What was typed, as far as a line can show it. */
const clean = (text: string): string => text.replace(/[\p{Cc}\p{Zl}\p{Zp}]+/gu, ' ').slice(0, 80);

function readCommand(words: string[]): {
	command: string | undefined;
	help: boolean;
	values: Options;
} {
	try {
		const { positionals, values } = parseArgs({ args: words, options, allowPositionals: true });
		if (positionals.length > 1)
			throw new BadInput(`"${clean(positionals[1]!)}" was not expected. See mission --help.`);
		const { help, ...rest } = values;
		return { command: positionals[0], help: help === true, values: rest };
	} catch (error) {
		if (error instanceof BadInput) throw error;
		throw new BadInput(`${clean((error as Error).message)} See mission --help.`);
	}
}

/** What is asked for; another robot has taken its place in the plan. */
function readRehearsal(values: Options): Rehearsal {
	const plan = withRobot(load(values, 'plan'), chooseRobot(values));
	return {
		plan,
		parameters: knownOf(plan, values),
		course: load(values, 'course'),
		variation: chooseVariation(values.variation),
		seed: wholeNumber('seed', values.seed, 1, 0, 2 ** 32 - 1),
		limit: wholeNumber('limit', values.limit, defaultLimit, 1, maximumLimit),
		touches: readTouches(values.touches)
	};
}

/** Another robot takes the place of the first. */
function withRobot(plan: Plan, robot: NamedRobot | undefined): Plan {
	const [first, ...others] = plan.robots;
	if (!robot) return plan;
	const { kind, name, settings } = robot;
	return { ...plan, robots: [{ id: first!.id, kind, name, settings }, ...others] };
}

/** What is known of the plan's robots of that kind. */
function knownOf({ robots }: Plan, values: Options): Rehearsal['parameters'] {
	if (!values.model) return undefined;
	const model = load(values, 'model');
	const known = robots.filter(({ kind }) => kind === model.kind);
	if (known.length === 0)
		throw new BadInput(
			`--model: a model of a robot of the plan was expected, but this is of a ${model.kind}.`
		);
	return Object.fromEntries(known.map(({ id }) => [id, valuesOf(model)]));
}

/** What a robot is like, from where a hand marked it. */
function fitted({ marked = [], ...values }: Options): string {
	if (marked.length === 0) throw new BadInput('--marked FILE was expected. See mission --help.');
	const attempts = marked.map((file) => load({ attempt: file }, 'attempt'));
	const runs = attempts.map(({ plan, course, touches, marks = [] }, index) => {
		const [first] = marks;
		if (!first)
			throw new BadInput(
				`${clean(marked[index]!)}: an attempt in which a hand has marked the robot was expected.`
			);
		const own = marks.filter(({ robot }) => robot === first.robot);
		return { plan, course, touches, robot: first.robot, marks: own };
	});
	const robots = runs.map((run) => run.plan.robots.find(({ id }) => id === run.robot));
	const [robot] = robots;
	if (!robot || robots.some((each) => each?.kind !== robot.kind))
		throw new BadInput('--marked: attempts of one robot were expected.');
	const variation = chooseVariation(values.variation);
	const found = fitRobot({ kind: robot.kind, variation, runs });
	const at = new Date().toISOString();
	if (values.out)
		write(values.out, writeDocument(robotModel(robot, found, { at, runs: runs.length, moves: 0 })));
	const { plan, course } = runs.at(-1)!;
	const next = nextTry(found, { plan, course, robot: robots.at(-1)! }, variation);
	return JSON.stringify(fitReport(found, foretell(found, robot, variation), next), null, 2);
}

function run(values: Options): string {
	const attempt = simulate(readRehearsal(values));
	if (values.trace) writeTraces(values.trace, attempt);
	return JSON.stringify(reportOf(attempt, say), null, 2);
}

/** Keeps what was recorded in a file. */
function keep(values: Options): string {
	const file = values.attempt;
	if (!file) throw new BadInput('--attempt FILE was expected. See mission --help.');
	const rehearsal = readRehearsal(values);
	const attempt = simulate({ ...rehearsal, isWatched: true });
	const { plan, course, touches } = rehearsal;
	const made = { at: new Date().toISOString(), plan, course, touches };
	write(file, writeDocument(attemptDocument(attempt, made)));
	return JSON.stringify(reportOf(attempt, say), null, 2);
}

/** Of a rehearsal, or of an attempt that was kept. */
function legs(values: Options): string {
	const { attempt, plan, course, touches } = values.attempt
		? readAttempt(values)
		: rehearsed(values);
	const intended = simulate({ plan, course, variation: 'ideal', seed: 1 });
	const all = attempt.runs.map((run) => {
		const legs = legsIn(attempt, run, intended);
		const reasons = legs.map(reasonsIn({ attempt, run, legs, intended }));
		const { source } = attempt;
		const helps = (mend: LegMend, leg: Leg): boolean => {
			const next = mended(plan, mend, () => 'mend');
			if (!next || source.type !== 'rehearsal') return false;
			const { variation, seed } = source;
			const tried = simulate({ plan: next, course, variation, seed, touches });
			const ideal = simulate({ plan: next, course, variation: 'ideal', seed: 1 });
			return isBetter(leg, tried, ideal);
		};
		return { run, legs, reasons, helps, shape: shapeOf(run, legs, intended), course, say };
	});
	return values.table ? legsTable(all) : JSON.stringify(legsReport(all), null, 2);
}

/** With all that its sensors say: some reasons show only there. */
function rehearsed(values: Options) {
	const rehearsal = { ...readRehearsal(values), isWatched: true };
	return { ...rehearsal, attempt: simulate(rehearsal) };
}

/** The numbers with which a step ends where it is to end, by the chance of this seed. */
async function nudged(values: Options): Promise<string> {
	const { attempt, ...rehearsal } = rehearsed(values);
	const { plan, course, seed } = rehearsal;
	const intended = simulate({ plan, course, variation: 'ideal', seed: 1 });
	const number = wholeNumber('step', values.step, 1, 1, 1e6);
	const round = wholeNumber('round', values.round, 1, 1, 1e6);
	const goal = readGoal(values);
	for (const run of attempt.runs) {
		const legs = legsIn(attempt, run, intended).filter(isMove);
		const leg = legs.find((each) => each.span.number === number && each.round === round);
		if (!leg) continue;
		const knobs = knobsFor(plan, legs, leg);
		if (knobs.length === 0)
			throw new BadInput(
				`--step ${number}: it has no number that shapes its way, or it is worked out.`
			);
		const pull = { knobs, robot: run.id, leg: { stepId: leg.span.stepId, round }, goal, seed };
		const found = await answer(nudge(pull), runnerOf(rehearsal));
		return JSON.stringify(nudgeReport(plan, knobs, found), null, 2);
	}
	throw new BadInput(`--step ${number}: a step that moves a robot in round ${round} was expected.`);
}

function readGoal({ at, bearing }: Options): PullGoal {
	if (bearing !== undefined)
		return { heading: headingOfBearing(wholeNumber('bearing', bearing, 0, 0, 360)) };
	const [x, y, ...more] = (at ?? '').split(',').map(Number);
	if (!Number.isFinite(x) || !Number.isFinite(y) || more.length > 0)
		throw new BadInput('--at EAST,NORTH in metres, or --bearing DEGREES was expected.');
	return { x: x!, y: y! };
}

function readAttempt(values: Options) {
	const { recording, plan, course, touches } = load(values, 'attempt');
	const attempt = readRecording(recording);
	if (!attempt.ok) throw new BadInput(`${clean(values.attempt!)}: ${say(attempt.failure)}`);
	return { attempt: attempt.value, plan, course, touches };
}

/** One file for the first robot; for each other one a file with its id in the name. */
function writeTraces(file: string, attempt: Attempt): void {
	attempt.runs.forEach((run, index) => {
		const { dir, name, ext } = parsePath(file);
		const own = index === 0 ? file : join(dir, `${name}.${run.id}${ext}`);
		write(own, csvOf(traceTable(attempt, run)));
	});
}

/** Changes that help by their own spread, best first. */
function advised(values: Options): string {
	const rehearsal = readRehearsal(values);
	if (!rehearsal.course.finish)
		throw new BadInput('--course: a course with a finish ring was expected.');
	const { now, advice } = advise(rehearsal);
	const said = advice.map(({ changes, arrivals }) => ({
		changes: changes.map(({ number, sentence }) => ({ step: number ?? null, what: say(sentence) })),
		arrivals
	}));
	return JSON.stringify({ now, advice: said }, null, 2);
}

/** Many rehearsals, of which only the ends are of interest. */
async function spreadOf(values: Options): Promise<string> {
	const began = performance.now();
	const rehearsal = {
		plan: load(values, 'plan'),
		course: load(values, 'course'),
		robot: chooseRobot(values),
		variation: chooseVariation(values.variation),
		parameters: knownOf(load(values, 'plan'), values),
		limit: wholeNumber('limit', values.limit, defaultLimit, 1, maximumLimit)
	};
	const count = wholeNumber('trials', values.trials, 200, 1, maximumTrials);
	const workers = wholeNumber('workers', values.workers, 1, 1, maximumWorkers);
	const pool = workers > 1 ? openPool(rehearsal, workers) : null;
	try {
		const found = await answer(spread(count, true), pool?.run ?? runnerOf(rehearsal));
		return JSON.stringify(spreadReport(found, performance.now() - began), null, 2);
	} finally {
		pool?.close();
	}
}

/** With a course the plan is rehearsed, too: some problems only show then. */
function check(values: Options): string {
	const plan = load(values, 'plan');
	const course = values.course ? load(values, 'course') : undefined;
	const robot = chooseRobot(values);
	const attempt = course && simulate({ plan, course, robot, variation: 'classroom', seed: 1 });
	const problems = checkPlan(plan, { kind: robot?.kind, course, attempt }).map(
		({ place, id, sentence }) => ({ place, id, problem: say(sentence) })
	);
	return JSON.stringify({ problems }, null, 2);
}

type Formats = typeof documentFormats;
type DocumentOf<N extends keyof Formats> = Formats[N] extends DocumentFormat<infer T> ? T : never;

function load<N extends keyof Formats>(values: Options, name: N): DocumentOf<N> {
	const file = values[name];
	if (!file) throw new BadInput(`--${name} FILE was expected. See mission --help.`);
	const read = readDocument<unknown>(readText(file), documentFormats[name]);
	if (!read.ok) throw new BadInput(`${clean(file)}: ${say(read.failure)}`);
	return read.value as DocumentOf<N>;
}

function readText(file: string): string {
	try {
		const stat = statSync(file);
		if (!stat.isFile()) throw new BadInput(`${clean(file)}: a file was expected.`);
		const { size } = stat;
		if (size > maximumBytes) {
			const sentence = { key: 'document.tooLarge', values: { bytes: size, maximum: maximumBytes } };
			throw new BadInput(`${clean(file)}: ${say(sentence)}`);
		}
		return readFileSync(file, 'utf8');
	} catch (error) {
		if (error instanceof BadInput) throw error;
		throw new BadInput(
			`${clean(file)}: a file that can be read was expected (${reasonOf(error)}).`
		);
	}
}

function write(file: string, content: string): void {
	try {
		writeFileSync(file, content);
	} catch (error) {
		throw new BadInput(`${clean(file)}: a place to write to was expected (${reasonOf(error)}).`);
	}
}

const reasonOf = (error: unknown): string =>
	(error as NodeJS.ErrnoException).code ?? clean((error as Error).message);

function chooseRobot(values: Options) {
	if (values.robot && values.kind) throw new BadInput('--robot or --kind was expected, not both.');
	if (values.robot) return load(values, 'robot');
	if (values.kind === undefined) return undefined;
	const found = robotKinds.find((robot) => robot.kind === values.kind);
	if (!found) {
		const known = robotKinds.map((robot) => robot.kind).join(', ');
		throw new BadInput(
			`--kind: one of ${known} was expected, but this is "${clean(values.kind)}".`
		);
	}
	return robotDocument(sampleRobot(found));
}

function chooseVariation(word = 'classroom'): Variation {
	const found = variations.find((variation) => variation === word);
	if (found) return found;
	throw new BadInput(
		`--variation: one of ${variations.join(', ')} was expected, but this is "${clean(word)}".`
	);
}

/** Times at which a hand touches the robot. */
function readTouches(words = ''): Touch[] {
	const times = words.split(',').filter((word) => word !== '');
	const wrong = times.find((word) => !/^\d+(\.\d+)?$/.test(word.trim()));
	if (wrong === undefined && times.length <= maximumTouches) {
		return times.map((time) => ({ time: Number(time) }));
	}
	throw new BadInput(
		`--touches: up to ${maximumTouches} times in seconds with commas between them were expected, but this is "${clean(words)}".`
	);
}

function wholeNumber(
	name: string,
	word: string | undefined,
	otherwise: number,
	minimum: number,
	maximum: number
): number {
	if (word === undefined) return otherwise;
	const number = /^\d+$/.test(word) ? Number(word) : NaN;
	if (number >= minimum && number <= maximum) return number;
	throw new BadInput(
		`--${name}: a whole number from ${minimum} to ${maximum} was expected, but this is "${clean(word)}".`
	);
}
