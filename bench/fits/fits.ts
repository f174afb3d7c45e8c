/**
 * Robots with hidden characters are run and marked by a hand, and fitted from that; then it is foretold
 * where another plan ends. `npm run fits` prints the table.
 */
import { fitRobot, parametersOf } from '../../src/core/fitting/fit';
import type { MarkedRun } from '../../src/core/fitting/marked-run';
import { handSigmas, type After, type Mark } from '../../src/core/attempts/marks';
import type { Plan, Step } from '../../src/core/plan/plan';
import { Random } from '../../src/core/random/random';
import { ball } from '../../src/core/robots/ball';
import { drone } from '../../src/core/robots/drone';
import { modelOf } from '../../src/core/robots/models';
import { drawValues, type ParameterValues } from '../../src/core/robots/parameter';
import type { RobotKind } from '../../src/core/robots/robot';
import { skiff, skiffLite } from '../../src/core/robots/skiff';
import type { RecordedPose, TrialSummary } from '../../src/core/simulation/attempt';
import { prepare, trial } from '../../src/core/simulation/simulate';
import { courseOf, fullStep, go, left, planFor, planOf } from '../../src/core/testing/sample';
import { right, step } from '../../src/core/testing/sample';
import { wrapAngle } from '../../src/core/units/angles';

const course = courseOf({ size: { width: 9, height: 9 }, starts: [{ at: [4.5, 4], bearing: 0 }] });
const variation = 'classroom' as const;

/** Steps of one sort for each of the four kinds. */
interface Moves {
	readonly kind: RobotKind;
	readonly ahead: (metres: number) => Step;
	readonly aside: (degrees: number) => Step;
	/** Metres and degrees within which it is to be foretold. */
	readonly within: readonly [number, number];
}

const goFor = (seconds: number) => fullStep('goFor', { duration: seconds, speed: 0.4 });
const turnFor = (degrees: number) =>
	fullStep('turnFor', {
		direction: degrees < 0 ? 'left' : 'right',
		duration: Math.abs(degrees) / 90,
		speed: 0.3
	});
const turn = (degrees: number) => (degrees < 0 ? left(-degrees) : right(degrees));

const all: readonly Moves[] = [
	{ kind: skiff, ahead: (metres) => go(metres), aside: turn, within: [0.02, 3] },
	{ kind: skiffLite, ahead: (metres) => goFor(metres / 0.2), aside: turnFor, within: [0.04, 6] },
	{ kind: ball, ahead: (metres) => go(metres, 0.25), aside: turn, within: [0.04, 6] },
	{ kind: drone, ahead: (metres) => go(metres, 0.8), aside: turn, within: [0.06, 4] }
];

const planOfMoves = ({ kind }: Moves, steps: readonly Step[]): Plan =>
	planFor(kind, planOf(kind === drone ? [step('takeOff'), ...steps, step('land')] : steps));

/**
 * There and back, turning to either side. A drone flies squares: the longer it is in the air, the more does
 * its end tell of the breeze.
 */
const taught = (moves: Moves): readonly Plan[] => {
	const { kind, ahead, aside } = moves;
	const thereAndBack = [
		[ahead(1), aside(180), ahead(1)],
		[ahead(0.8), aside(-180), ahead(0.8)],
		[ahead(1), aside(180), ahead(1)]
	];
	const squares = [90, -90, 90].map((angle) =>
		[0, 1, 2, 3].flatMap(() => [ahead(2), aside(angle)])
	);
	return (kind === drone ? squares : thereAndBack).map((steps) => planOfMoves(moves, steps));
};

const foretold = (moves: Moves): Plan => {
	const { ahead, aside } = moves;
	const leg = (degrees: number) => [ahead(0.4), aside(degrees)];
	return planOfMoves(
		moves,
		[...leg(60), ...leg(-120), ...leg(120), ...leg(-120), ...leg(120)].concat(ahead(0.4))
	);
};

/** The step that goes there, in a plan that goes there and back. */
const farEndOf = ({ chains }: Plan): string | undefined =>
	chains[0]!.steps.find(({ kind }) => kind.startsWith('go'))?.id;

type TrialEnd = TrialSummary['ends'][number];

/** From the mean of five further runs, and of so many that chance hardly counts. */
interface Off {
	readonly five: readonly [number, number];
	readonly hundreds: readonly [number, number];
}

export interface FitTried {
	readonly kind: string;
	readonly within: Moves['within'];
	/** Metres and radians by which what is foretold is off, as such robots usually are, and as fitted. */
	readonly before: Off;
	readonly after: Off;
	/** The same with its true parameters: nobody can foretell more, for the rest is chance. */
	readonly best: Off;
	/** Of all parameters, by how many stated deviations the found value is off. */
	readonly off: readonly number[];
	readonly ms: number;
}

/** Where it ends, on average over these seeds. */
function meanEnd(plan: Plan, parameters: ParameterValues, seeds: readonly number[]): RecordedPose {
	const prepared = prepare({ plan, course, variation });
	const ends = seeds.map(
		(seed) => trial(prepared, { seed, parameters: { robot1: parameters } }).ends[0]!.pose
	);
	const mean = (of: (pose: RecordedPose) => number) =>
		ends.reduce((sum, pose) => sum + of(pose), 0) / ends.length;
	const [first] = ends;
	return {
		x: mean(({ x }) => x),
		y: mean(({ y }) => y),
		heading: first!.heading + mean(({ heading }) => wrapAngle(heading - first!.heading))
	};
}

const some = (from: number, count: number) => Array.from({ length: count }, (_, i) => from + i);

function tryOne(moves: Moves, number: number): FitTried {
	const { kind, within } = moves;
	const list = modelOf(kind.kind).parameters;
	const drawn = drawValues(list, {
		name: `hidden ${kind.kind} ${number}`,
		variation,
		chance: new Random(number)
	});
	/** What it keeps from one run to the next, all of one day. */
	const hidden = Object.fromEntries(
		Object.entries(drawn).filter(([name]) => list[name]!.of !== 'run')
	);
	const hand = new Random(1000 + number);
	const { tape: sigma, protractor: headingSigma } = handSigmas;
	const marked = ({ x, y, heading }: RecordedPose, after: After): Mark => ({
		...{ robot: 'robot1', after, sigma, headingSigma },
		at: [x + sigma * hand.chance(), y + sigma * hand.chance()],
		heading: heading + headingSigma * hand.chance()
	});
	const runs = taught(moves).map((plan, index): MarkedRun => {
		const asks = { seed: number * 100 + index, parameters: { robot1: hidden }, hasLegs: true };
		const [{ pose, legs = [] }] = trial(prepare({ plan, course, variation }), asks).ends as [
			TrialEnd
		];
		const far = legs.find(({ stepId }) => stepId === farEndOf(plan))!;
		const marks = [marked(pose, null), marked(far.to, { stepId: far.stepId, round: 1 })];
		return { plan, course, robot: 'robot1', marks, day: 'today' };
	});
	const began = performance.now();
	const fitted = fitRobot({ kind: kind.kind, variation, runs });
	const ms = performance.now() - began;
	const plan = foretold(moves);
	const [five, hundreds] = [5, 200].map((count) =>
		meanEnd(plan, hidden, some(number * 100 + 50, count))
	) as [RecordedPose, RecordedPose];
	const usual = Object.fromEntries(
		Object.entries(list).flatMap(([name, { of, classroom }]) =>
			of === 'robot' || of === 'day' ? [[name, classroom.mean]] : []
		)
	);
	const offBy = (values: ParameterValues): Off => {
		const end = meanEnd(plan, values, some(1, 40));
		const from = ({ x, y, heading }: RecordedPose) =>
			[Math.hypot(end.x - x, end.y - y), Math.abs(wrapAngle(end.heading - heading))] as const;
		return { five: from(five), hundreds: from(hundreds) };
	};
	return {
		kind: kind.kind,
		within,
		before: offBy(usual),
		after: offBy(parametersOf(fitted)),
		best: offBy(hidden),
		off: fitted.found.map(({ name, value, sigma }) => (value - hidden[name]!) / sigma),
		ms
	};
}

/** @param only one kind, if not all */
export const tryFits = (count: number, only?: string): readonly FitTried[] =>
	all
		.filter(({ kind }) => only === undefined || kind.kind === only)
		.flatMap((moves) => some(1, count).map((number) => tryOne(moves, number)));
