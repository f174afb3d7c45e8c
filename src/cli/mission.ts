/** The mission runner: rehearses and checks plans from files, with no server and no database. */
import { join, parse as parsePath } from 'node:path';
import { attemptDocument } from '../core/attempts/attempt-document';
import { csvOf, traceTable } from '../core/attempts/csv';
import { legsIn, type Leg } from '../core/attempts/legs';
import { shapeOf } from '../core/attempts/shape';
import { answer, runnerOf } from '../core/analysis/search';
import { spread } from '../core/analysis/spread';
import { writeDocument } from '../core/document';
import { checkPlan } from '../core/checks';
import { variations } from '../core/robots/robot';
import { defaultLimit, maximumLimit } from '../core/simulation/settings';
import { measuredKinds } from '../core/fitting/line';
import { reasonsIn } from '../core/reasons';
import { isBetter, mended, type LegMend } from '../core/reasons/mend';
import type { Attempt } from '../core/simulation/attempt';
import { simulate } from '../core/simulation/simulate';
import { say } from './words';
import { openPool } from './pool';
import { legsReport, legsTable } from './legs-report';
import { reportOf, spreadReport } from './report';
import {
	BadInput,
	type Options,
	clean,
	readCommand,
	readRehearsal,
	knownOf,
	rehearsed,
	readAttempt,
	load,
	writeText,
	chooseRobot,
	chooseVariation,
	wholeNumber
} from './read';
import { nudged, measured, compared, fitted, advised } from './tuning';

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
  mission measure --kind NAME | --robot FILE [--move ${measuredKinds.join('|')}] [--amount N]
      [--powers PERCENT,PERCENT...] [--variation ...] [--seed N] [--model FILE]
      what the robot makes of a move by itself, and how fast it is by power
  mission compare --attempt FILE --with FILE
      the second beside the first: steps, legs, totals, and where their ways part
  mission fit --marked FILE... [--out FILE] [--variation ${variations.join('|')}]
      what the robot is like that was marked by hand in these attempts
  With run, spread, attempt, legs and nudge, --model FILE says what is known of the plan's robot.`;

/** Trials and threads that may be asked for. */
const maximumTrials = 10_000;

const maximumWorkers = 16;

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
	if (command === 'compare') return compared(values);
	if (command === 'measure') return measured(values);
	if (command === 'advice') return advised(values);
	throw new BadInput(
		`"run", "check", "spread", "attempt", "legs", "nudge", "measure", "compare", "fit" or "advice" was expected, but this is "${clean(command ?? '')}". See mission --help.`
	);
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
	writeText(file, writeDocument(attemptDocument(attempt, made)));
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
		const shape = shapeOf(run, legs, intended);
		return { attempt, run, legs, reasons, helps, shape, course, say };
	});
	return values.table ? legsTable(all) : JSON.stringify(legsReport(all), null, 2);
}

/** One file for the first robot; for each other one a file with its id in the name. */
function writeTraces(file: string, attempt: Attempt): void {
	attempt.runs.forEach((run, index) => {
		const { dir, name, ext } = parsePath(file);
		const own = index === 0 ? file : join(dir, `${name}.${run.id}${ext}`);
		writeText(own, csvOf(traceTable(attempt, run)));
	});
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
