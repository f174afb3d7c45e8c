/**
 * What a person's hand marks on the real floor: where a robot stood, which no robot knows of itself.
 * A mark lies beside the recording and changes nothing of it.
 */
import { z } from 'zod';
import { identifierSchema } from '../document';
import { wrapAngle } from '../units/angles';
import * as exact from '../exact';
import type { RobotRun } from '../simulation/attempt';
import type { Leg } from './legs';

/** Metres by which a tape and an eye are off; radians by which a protractor and an eye are. */
export const handSigmas = { tape: 0.005, eye: 0.015, protractor: 0.026, eyeAngle: 0.09 } as const;

export const mostMarks = 200;

export const markSchema = z.strictObject({
	robot: identifierSchema,
	/** The leg behind which it was; null at the end, or where it was halted. */
	after: z.strictObject({ stepId: identifierSchema, round: z.int().min(1) }).nullable(),
	at: z
		.tuple([z.number(), z.number()])
		.readonly()
		.nullable()
		.describe('Metres of the course: where its middle stood.'),
	heading: z.number().nullable().describe('Radians counter-clockwise from east.'),
	sigma: z.number().min(0).max(1).describe('Metres: how well the place was measured.'),
	headingSigma: z.number().min(0).max(4).describe('Radians: how well the heading was.')
});
export type Mark = Readonly<z.infer<typeof markSchema>>;

const isOf = (mark: Mark, robot: string, leg: Leg | null): boolean =>
	mark.robot === robot &&
	(leg === null
		? mark.after === null
		: mark.after?.stepId === leg.span.stepId && mark.after.round === leg.round);

/** Of a robot behind a leg, or at the end. */
export const markAt = (marks: readonly Mark[], robot: string, leg: Leg | null): Mark | null =>
	marks.find((mark) => isOf(mark, robot, leg)) ?? null;

/** One in the place of the one that was there. */
export const withMark = (marks: readonly Mark[], mark: Mark): readonly Mark[] => [
	...marks.filter(
		({ robot, after }) =>
			robot !== mark.robot ||
			after?.stepId !== mark.after?.stepId ||
			after?.round !== mark.after?.round
	),
	mark
];

export const withoutMark = (
	marks: readonly Mark[],
	robot: string,
	leg: Leg | null
): readonly Mark[] => marks.filter((mark) => !isOf(mark, robot, leg));

/** How far what was recorded was off where the hand measured. */
export interface Reckoned {
	/** Metres; null where no place was marked. */
	readonly length: number | null;
	/** Radians that it had really turned further counter-clockwise than it reckoned; null likewise. */
	readonly turn: number | null;
}

/** @param leg behind which the mark is; null at the end */
export function reckonedOff({ at, heading }: Mark, run: RobotRun, leg: Leg | null): Reckoned {
	const { trace } = run;
	const last = trace.time.length - 1;
	const pose = leg
		? leg.span.to
		: { x: trace.x[last]!, y: trace.y[last]!, heading: trace.heading[last]! };
	return {
		length: at && exact.lengthOf(at[0] - pose.x, at[1] - pose.y),
		turn: heading === null ? null : wrapAngle(heading - pose.heading)
	};
}

/**
 * Where two lengths by tape meet: none, one or two points.
 * @param from two known points of the course @param lengths from each, metres
 */
export function crossings(
	from: readonly [readonly [number, number], readonly [number, number]],
	lengths: readonly [number, number]
): readonly (readonly [number, number])[] {
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
