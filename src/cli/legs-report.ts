/** What `mission legs` prints: see docs/formats/mission-runner.md. */
import type { Leg, Miss, LegWay } from '../core/attempts/legs';
import { leastRoom, type Nearest } from '../core/attempts/room';
import type { DrivenShape } from '../core/attempts/shape';
import type { Course } from '../core/course/course';
import type { Reason } from '../core/reasons';
import type { LegMend } from '../core/reasons/mend';
import type { Sentence } from '../core/sentence';
import type { Attempt, RobotRun } from '../core/simulation/attempt';
import { degrees } from '../core/units/angles';
import { toMillionths } from './report';

interface RobotLegs {
	readonly attempt: Attempt;
	readonly run: RobotRun;
	readonly legs: readonly Leg[];
	/** Why each missed what it meant, in the same order. */
	readonly reasons: readonly (readonly Reason[])[];
	/** Whether a mend was tried, and lessens what a leg added by half. */
	readonly helps: (mend: LegMend, leg: Leg) => boolean;
	readonly shape: DrivenShape;
	readonly course: Course;
	readonly say: (sentence: Sentence) => string;
}

const nearestReport = (room: Nearest | null) =>
	room && { nearest_m: toMillionths(room.length), nearestTo: room.to };

export const legsReport = (all: readonly RobotLegs[]) => ({
	robots: all.map(({ attempt, run, legs, reasons, helps, shape, course, say }) => ({
		robot: run.robot.name,
		legs: legs.map((leg, i) => ({
			...legReport(leg),
			...nearestReport(leastRoom(run, leg.span, course, attempt)),
			reasons: reasons[i]!.map(({ matter, sentence, at, weight, mend }) => ({
				matter,
				sentence: say(sentence),
				at_s: toMillionths(at),
				explains_m: toMillionths(weight),
				...(mend && helps(mend, leg) && { mend: say(mend.sentence) })
			}))
		})),
		shape: shapeReport(shape)
	}))
});

/** null where there is nothing to measure. */
const figure = (value: number | null): number | null =>
	value !== null && Number.isFinite(value) ? toMillionths(value) : null;

const shapeReport = ({ sides, corners, bends, closing }: DrivenShape) => ({
	sides: sides.map(({ leg, length, meant, farthest, mean }) => ({
		...stepOf(leg),
		length_m: toMillionths(length),
		meant_m: figure(meant),
		farthest_m: toMillionths(farthest),
		mean_m: toMillionths(mean)
	})),
	corners: corners.map(({ leg, turn, meant }) => ({
		...stepOf(leg),
		turn_deg: toMillionths(degrees(turn)),
		meant_deg: figure(meant && degrees(meant))
	})),
	bends: bends.map(({ leg, radius, meant, farthest, mean }) => ({
		...stepOf(leg),
		radius_m: toMillionths(radius),
		meant_m: figure(meant),
		farthest_m: toMillionths(farthest),
		mean_m: toMillionths(mean)
	})),
	closing: closing && {
		length_m: toMillionths(closing.length),
		turn_deg: toMillionths(-degrees(closing.turn))
	}
});

const stepOf = ({ span: { stepId, number }, round }: Leg) => ({ stepId, number, round });

const legReport = ({ span, round, did, meant, added, inherited, ...leg }: Leg) => ({
	stepId: span.stepId,
	kind: span.kind,
	number: span.number,
	round,
	start_s: toMillionths(span.start),
	meant: meant && wayReport(meant),
	did: wayReport(did),
	added: added && missReport(added),
	inherited: inherited && missReport(inherited),
	cost_m: toMillionths(leg.cost),
	speedAtStart_mps: toMillionths(leg.speedAtStart),
	turningAtStart_dps: toMillionths(-degrees(leg.turningAtStart)),
	bumps: leg.bumps.length
});

/** To the right, and clockwise, as bearings go. */
const missReport = ({ ahead, left, turn }: Miss) => ({
	ahead_m: toMillionths(ahead),
	right_m: toMillionths(-left),
	turn_deg: toMillionths(-degrees(turn))
});

const wayReport = ({ up, seconds, ...way }: LegWay) => ({
	...missReport(way),
	up_m: toMillionths(up),
	seconds: toMillionths(seconds)
});

const columns: readonly [header: string, show: (leg: Leg) => string][] = [
	['step', ({ span, round }) => (round > 1 ? `${span.number} (${round})` : String(span.number))],
	['kind', ({ span }) => span.kind],
	['meant', ({ meant }) => (meant ? shortWay(meant) : '?')],
	['did', ({ did }) => shortWay(did)],
	['added', ({ added }) => (added ? shortWay(added) : '?')],
	['inherited', ({ inherited }) => (inherited ? shortWay(inherited) : '?')],
	['cost', ({ cost }) => `${(cost * 100).toFixed(1)} cm`],
	['bumps', ({ bumps }) => String(bumps.length)]
];

/** Centimetres ahead and to the right, degrees to the right. */
const shortWay = ({ ahead, left, turn }: Miss): string =>
	`${tenths(ahead * 100)} ${tenths(-left * 100)} cm ${tenths(-degrees(turn))}°`;

/** Without a sign before nought. */
const tenths = (value: number): string => (Math.round(value * 10) / 10 + 0).toFixed(1);

/** The same for reading, one robot after the other. */
export const legsTable = (all: readonly RobotLegs[]): string =>
	all.map((each) => `${each.run.robot.name}\n${tableOf(each)}`).join('\n\n');

function tableOf({ legs, reasons, say }: RobotLegs): string {
	const why = (i: number) => reasons[i]!.map(({ sentence }) => say(sentence)).join(' ');
	const rows = [
		[...columns.map(([header]) => header), 'why'],
		...legs.map((leg, i) => [...cellsOf(leg), why(i)])
	];
	const widths = columns.map((_, i) => Math.max(...rows.map((row) => row[i]!.length)));
	return rows
		.map((row) =>
			row
				.map((cell, i) => cell.padEnd(widths[i]!))
				.join('  ')
				.trimEnd()
		)
		.join('\n');
}

const cellsOf = (leg: Leg): string[] => columns.map(([, show]) => show(leg));
