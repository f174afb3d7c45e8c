/** What the mission runner finds out: numbers that end somewhere, what a robot is like, what would help. */
import { isMove, legsIn } from '../core/attempts/legs';
import { headingOfBearing } from '../core/units/angles';
import { compareAttempts, type Compared } from '../core/analysis/compare';
import { advise } from '../core/analysis/advice';
import { answer, runnerOf } from '../core/analysis/search';
import { knobsFor } from '../core/analysis/knobs';
import { nudge, type PullGoal } from '../core/analysis/nudge';
import { writeDocument } from '../core/document';
import { robotKindOf } from '../core/robots/kinds';
import { planRobot } from '../core/plan/plan';
import { measuredMoves, speedLineOf, type Measure } from '../core/fitting/line';
import { figureIn, kindsFor, planOfMeasure } from '../core/fitting/measure';
import { moveFloor } from '../core/fitting/moves';
import { markedRunOf } from '../core/fitting/marked-run';
import { fitRobot } from '../core/fitting/fit';
import { foretell, nextTry } from '../core/fitting/foretell';
import { robotModel } from '../core/fitting/robot-model';
import { simulate } from '../core/simulation/simulate';
import { say } from './words';
import { fitReport, nudgeReport } from './report';
import {
	BadInput,
	type Options,
	clean,
	readAttempt,
	readRehearsal,
	knownOf,
	rehearsed,
	writeText,
	chooseRobot,
	chooseVariation,
	wholeNumber
} from './read';

/** The numbers with which a step ends where it is to end, by the chance of this seed. */
export async function nudged(values: Options): Promise<string> {
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
		if (knobs.length === 0) throw new BadInput(`--step ${number}: no number shapes its way.`);
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

/** One move by itself, at each of some powers. */
export function measured(values: Options): string {
	const named = chooseRobot(values);
	if (!named) throw new BadInput('--kind NAME or --robot FILE was expected. See mission --help.');
	const robot = { ...planRobot(named), id: 'robot1' };
	const able = kindsFor(robot);
	const kind = able.find((each) => each === (values.move ?? able[0]));
	if (!kind) throw new BadInput(`--move: one of ${able.join(', ')} was expected.`);
	const amount = Number(values.amount ?? measuredMoves[kind].usual);
	if (!(amount > 0 && amount <= 1000))
		throw new BadInput('--amount: metres, seconds or degrees above 0 were expected.');
	const powers = (values.powers ?? '20,50,80').split(',').map((word) => Number(word) / 100);
	if (!powers.every((power) => power > 0 && power <= 1))
		throw new BadInput('--powers: percents from 1 to 100 with commas between them were expected.');
	const all = powers.map((speed): Measure => {
		const told = { kind, amount, speed: measuredMoves[kind].hasSpeed ? speed : null };
		const attempt = simulate({
			plan: planOfMeasure(robot, told),
			course: moveFloor(robotKindOf(robot.kind).isOnRail === true),
			variation: chooseVariation(values.variation),
			parameters: knownOf({ robots: [robot] }, values),
			seed: wholeNumber('seed', values.seed, 1, 0, 2 ** 32 - 1)
		});
		return { ...told, value: figureIn(attempt, kind), battery: null, at: 0 };
	});
	const moves = all.map(({ speed, value }) => ({ power: speed, value }));
	const line = speedLineOf(all, kind === 'turnFor') ?? null;
	return JSON.stringify({ move: kind, amount, moves, line }, null, 2);
}

/** What a robot is like, from where a hand marked it. */
export function fitted({ marked = [], ...values }: Options): string {
	if (marked.length === 0) throw new BadInput('--marked FILE was expected. See mission --help.');
	const runs = marked.map((file, index) => {
		const read = readAttempt({ attempt: file });
		const [first] = read.marks;
		if (!first)
			throw new BadInput(
				`${clean(marked[index]!)}: an attempt in which a hand has marked the robot was expected.`
			);
		return markedRunOf(read, first.robot);
	});
	const robots = runs.map((run) => run.plan.robots.find(({ id }) => id === run.robot));
	const [robot] = robots;
	if (!robot || robots.some((each) => each?.kind !== robot.kind))
		throw new BadInput('--marked: attempts of one robot were expected.');
	const variation = chooseVariation(values.variation);
	const found = fitRobot({ kind: robot.kind, variation, runs });
	const at = new Date().toISOString();
	if (values.out)
		writeText(
			values.out,
			writeDocument(robotModel(robot, found, { at, runs: runs.length, moves: 0 }))
		);
	const { plan, course } = runs.at(-1)!;
	const next = nextTry(found, { plan, course, robot: robots.at(-1)! }, variation);
	return JSON.stringify(fitReport(found, foretell(found, robot, variation), next), null, 2);
}

/** One attempt beside another. */
export function compared(values: Options): string {
	if (!values.with) throw new BadInput('--with FILE was expected. See mission --help.');
	const both = [values.attempt, values.with].map((attempt): Compared => {
		const { attempt: recorded, plan, course, touches } = readAttempt({ attempt });
		const intended = simulate({ plan, course, touches, variation: 'ideal', seed: 1 });
		return { attempt: recorded, plan, intended };
	});
	return JSON.stringify(compareAttempts(both as [Compared, Compared]), null, 2);
}

/** Changes that help by their own spread, best first. */
export function advised(values: Options): string {
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
