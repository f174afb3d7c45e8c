/**
 * What a person's hand marks on the real floor: where a robot stood, which no robot knows of itself.
 * A mark lies beside the recording and changes nothing of it.
 */
import { z } from 'zod';
import type { Point } from '../course/measure';
import { identifierSchema } from '../document';
import { wrapAngle } from '../units/angles';
import * as exact from '../exact';
import { legsOf, type Attempt, type RecordedPose, type RobotRun } from '../simulation/attempt';

/** Metres by which a tape and an eye are off; radians by which a protractor and an eye are. */
export const handSigmas = { tape: 0.005, eye: 0.015, protractor: 0.026, eyeAngle: 0.09 } as const;

const mostMarks = 200;

/** The leg behind which it was, by its step and its round; null at the end, or where it was halted. */
const afterSchema = z
	.strictObject({ stepId: identifierSchema, round: z.int().min(1) })
	.readonly()
	.nullable();
export type After = z.infer<typeof afterSchema>;

const markSchema = z.strictObject({
	robot: identifierSchema,
	after: afterSchema,
	at: z
		.tuple([z.number(), z.number()])
		.readonly()
		.nullable()
		.describe('Metres of the course: where its middle stood.'),
	heading: z.number().nullable().describe('Radians counter-clockwise from east.'),
	sigma: z.number().min(0).max(1).describe('Metres: how well the place was measured.'),
	headingSigma: z.number().min(0).max(4).describe('Radians: how well the heading was.')
});
export const marksSchema = z.array(markSchema).max(mostMarks);
export type Mark = Readonly<z.infer<typeof markSchema>>;

const isAt = (mark: Mark, robot: string, after: After): boolean =>
	mark.robot === robot &&
	mark.after?.stepId === after?.stepId &&
	mark.after?.round === after?.round;

/** Of a robot behind a leg, or at the end. */
export const markAt = (marks: readonly Mark[], robot: string, after: After): Mark | null =>
	marks.find((mark) => isAt(mark, robot, after)) ?? null;

export const withoutMark = (marks: readonly Mark[], robot: string, after: After): readonly Mark[] =>
	marks.filter((mark) => !isAt(mark, robot, after));

/** One in the place of the one that was there. */
export const withMark = (marks: readonly Mark[], mark: Mark): readonly Mark[] => [
	...withoutMark(marks, mark.robot, mark.after),
	mark
];

/** Where a robot was behind a leg, or at the end, as was recorded; null where there was no such leg. */
export function recordedAt(attempt: Attempt, run: RobotRun, after: After): RecordedPose | null {
	if (after)
		return (
			legsOf(attempt, run).filter(({ stepId }) => stepId === after.stepId)[after.round - 1]?.to ??
			null
		);
	const { x, y, heading } = run.trace;
	const last = x.length - 1;
	return { x: x[last]!, y: y[last]!, heading: heading[last]! };
}

/** How far what was recorded is off from what the hand measured. */
export interface OffBy {
	/** Metres; null where no place was marked. */
	readonly length: number | null;
	/** Radians that it has really turned further to the left than it reckoned; null likewise. */
	readonly turn: number | null;
}

export const offOf = (
	{ at, heading }: Pick<Mark, 'at' | 'heading'>,
	pose: RecordedPose
): OffBy => ({
	length: at && exact.lengthOf(at[0] - pose.x, at[1] - pose.y),
	turn: heading === null ? null : wrapAngle(heading - pose.heading)
});

/**
 * Where two lengths by tape meet: none, one or two points.
 * @param from two known points of the course @param lengths from each, metres
 */
export function crossings(
	from: readonly [Point, Point],
	lengths: readonly [number, number]
): readonly Point[] {
	const [[ax, ay], [bx, by]] = from;
	const [a, b] = lengths;
	const [dx, dy] = [bx - ax, by - ay];
	const apart = exact.lengthOf(dx, dy);
	if (apart === 0) return [];
	const along = (a * a - b * b + apart * apart) / (2 * apart);
	const squared = a * a - along * along;
	const [px, py] = [ax + (dx / apart) * along, ay + (dy / apart) * along];
	// A tape that is a hair too short still meets the other one: where they come nearest.
	const slack = 2 * handSigmas.tape * (a + b);
	if (squared < 0) return squared > -slack ? [[px, py]] : [];
	const aside = Math.sqrt(squared);
	if (aside < 1e-9) return [[px, py]];
	const [ux, uy] = [-dy / apart, dx / apart];
	return [
		[px + ux * aside, py + uy * aside],
		[px - ux * aside, py - uy * aside]
	];
}
