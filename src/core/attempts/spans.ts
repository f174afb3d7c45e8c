/** Spans of an attempt as columns: a loop makes thousands of them, and few are of another step. */
import { z } from 'zod';
import type { Span } from '../simulation/attempt';
import { figureSchema } from '../simulation/attempt-schema';
import { tickRate } from '../time';
import { columnSchema, packColumn, unpackColumn } from './column';

/** A hundredth of a tick: what waits between two ticks ends there. */
const perSecond = 100 * tickRate;
/** Parts of a metre and of a radian, and of 1 m/s: figures of legs come from these. */
const perPose = 10_000;
const perSpeed = 1000;

const stepSchema = z.strictObject({
	stepId: z.string(),
	robot: z.string(),
	kind: z.string(),
	number: z.number(),
	hasBody: z.boolean(),
	values: z
		.record(z.string(), z.union([figureSchema, z.boolean(), z.string(), z.array(z.unknown())]))
		.describe('What its values came to.')
});

/** Figures of a span, each in a column, with what one unit of it is divided into. */
const figures = {
	start: [perSecond, ({ start }: Span) => start],
	end: [perSecond, ({ end }: Span) => end],
	fromX: [perPose, ({ from }: Span) => from.x],
	fromY: [perPose, ({ from }: Span) => from.y],
	fromHeading: [perPose, ({ from }: Span) => from.heading],
	toX: [perPose, ({ to }: Span) => to.x],
	toY: [perPose, ({ to }: Span) => to.y],
	toHeading: [perPose, ({ to }: Span) => to.heading],
	speedAtStart: [perSpeed, ({ speedAtStart }: Span) => speedAtStart],
	speedAtEnd: [perSpeed, ({ speedAtEnd }: Span) => speedAtEnd],
	isComplete: [1, ({ isComplete }: Span) => Number(isComplete)]
} as const;
type Figure = keyof typeof figures;
const names = Object.keys(figures) as Figure[];

export const spansSchema = z
	.strictObject({
		steps: z.array(stepSchema).describe('Each step with values that it ran with.'),
		step: columnSchema.describe('For each time that one ran: which of these it was, from 0.'),
		...(Object.fromEntries(names.map((name) => [name, columnSchema])) as Record<
			Figure,
			typeof columnSchema
		>)
	})
	.describe('Every time that a step ran.');

export type PackedSpans = z.infer<typeof spansSchema>;

export function packSpans(spans: readonly Span[]): PackedSpans {
	const places = new Map<string, number>();
	const steps: PackedSpans['steps'] = [];
	const step = spans.map(({ stepId, robot, kind, number, hasBody, values }) => {
		const text = JSON.stringify({ stepId, robot, kind, number, hasBody, values });
		const known = places.get(text);
		if (known !== undefined) return known;
		places.set(text, steps.length);
		return steps.push(JSON.parse(text) as (typeof steps)[number]) - 1;
	});
	const columns = names.map((name) => {
		const [perUnit, of] = figures[name];
		return [name, packColumn(spans.map(of), perUnit)];
	});
	return {
		steps,
		step: packColumn(step, 1),
		...(Object.fromEntries(columns) as Omit<PackedSpans, 'steps' | 'step'>)
	};
}

/** Those whose step is not there are left out. */
export function unpackSpans({ steps, step, ...packed }: PackedSpans): Span[] {
	const at = Object.fromEntries(
		names.map((name) => [name, unpackColumn(packed[name])])
	) as unknown as Record<Figure, Float64Array>;
	return Array.from(unpackColumn(step)).flatMap((which, i): Span[] => {
		const found = steps[which];
		if (!found) return [];
		return [
			{
				...(found as Pick<Span, 'stepId' | 'robot' | 'kind' | 'number' | 'hasBody' | 'values'>),
				start: at.start[i]!,
				end: at.end[i]!,
				from: { x: at.fromX[i]!, y: at.fromY[i]!, heading: at.fromHeading[i]! },
				to: { x: at.toX[i]!, y: at.toY[i]!, heading: at.toHeading[i]! },
				speedAtStart: at.speedAtStart[i]!,
				speedAtEnd: at.speedAtEnd[i]!,
				isComplete: at.isComplete[i] === 1
			}
		];
	});
}
