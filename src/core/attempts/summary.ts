/** What a list shows of an attempt. */
import { z } from 'zod';
import { identifierSchema } from '../document';
import * as exact from '../exact';
import { outcomes, type Attempt, type RobotRun } from '../simulation/attempt';
import { sentenceSchema, sourceSchema } from '../simulation/attempt-schema';

/** Points of a path at the most, and letters of each. */
const mostPoints = 60;
const mostLetters = 16;

export const attemptSummarySchema = z.strictObject({
	source: sourceSchema,
	kind: z.enum(outcomes),
	reason: sentenceSchema,
	seconds: z.number().min(0),
	reachedFinish: z.boolean(),
	bumps: z.int().min(0),
	robots: z
		.array(
			z.strictObject({
				id: identifierSchema,
				kind: z.string().max(40),
				name: z.string().max(80),
				/** 0 to 1 when it began; null where nobody knows. */
				battery: z.number().nullable(),
				/** Where it went: points in whole centimetres from the south-west corner, as "x,y x,y". */
				path: z
					.string()
					.max(mostPoints * mostLetters)
					.regex(/^(-?\d+,-?\d+( -?\d+,-?\d+)*)?$/)
			})
		)
		.max(16)
});
export type AttemptSummary = Readonly<z.infer<typeof attemptSummarySchema>>;

export const attemptSummary = ({ source, outcome, runs }: Attempt): AttemptSummary => ({
	source,
	kind: outcome.kind,
	reason: outcome.reason,
	seconds: outcome.seconds,
	reachedFinish: outcome.reachedFinish,
	bumps: runs.reduce((sum, { bumps }) => sum + bumps.length, 0),
	robots: runs.map((run) => ({
		id: run.id,
		kind: run.robot.kind,
		name: run.robot.name,
		battery: finite(run.trace.columns.battery?.[0]),
		path: pathOf(run)
	}))
});

const finite = (value = NaN): number | null => (Number.isFinite(value) ? value : null);

/** Evenly along the way, so that corners stay and waits are left out. */
function pathOf({ trace: { x, y } }: RobotRun): string {
	const step = (i: number) => (i === 0 ? 0 : exact.lengthOf(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!));
	let whole = 0;
	for (let i = 0; i < x.length; i++) whole += step(i);
	const spacing = Math.max(0.01, whole / (mostPoints - 2));
	const points: string[] = [];
	let way = spacing;
	for (let i = 0; i < x.length; i++) {
		way += step(i);
		if (way < spacing && i < x.length - 1) continue;
		points.push(`${Math.round(x[i]! * 100)},${Math.round(y[i]! * 100)}`);
		way = 0;
	}
	return points.join(' ');
}
