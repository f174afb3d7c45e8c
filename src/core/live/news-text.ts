/** News of a run as a text can hold them, for what a robot keeps by itself. */
import { z } from 'zod';
import { robotFormat } from '../robots/robot-document';
import {
	bumpSchema,
	figureSchema,
	loggedSchema,
	noteSchema,
	outcomeSchema,
	sentenceSchema,
	spanSchema
} from '../simulation/attempt-schema';
import type { LiveNews } from './live-news';

const columns = z.record(z.string(), z.array(figureSchema));

const runSchema = z.strictObject({
	id: z.string(),
	robot: robotFormat.schema,
	from: z.int(),
	trace: z.strictObject({
		time: z.array(z.number()),
		x: z.array(z.number()),
		y: z.array(z.number()),
		heading: z.array(z.number()),
		columns
	}),
	sensed: columns,
	unread: columns,
	bumps: z.array(bumpSchema),
	pathLength: z.number()
});

const schema = z.strictObject({
	alarm: sentenceSchema.optional(),
	time: z.number(),
	age: z.number(),
	runs: z.array(runSchema),
	spans: z.array(spanSchema),
	open: z.array(spanSchema),
	log: z.array(loggedSchema),
	notes: z.array(noteSchema),
	outcome: outcomeSchema
});

/** A tenth of a millimetre and of a millisecond is as exact as any of it is. */
const rounded = (value: number): number | null =>
	Number.isFinite(value) ? Math.round(value * 1e4) / 1e4 : null;

/** @returns what JSON can hold: columns as lists, with null where nothing is known */
export const writeNews = (news: LiveNews): unknown =>
	JSON.parse(
		JSON.stringify(news, (_, value: unknown) => {
			if (ArrayBuffer.isView(value)) return Array.from(value as Float64Array, rounded);
			return typeof value === 'number' ? rounded(value) : value;
		})
	);

/** @returns undefined for what is no news of a run */
export function readNews(value: unknown): LiveNews | undefined {
	const read = schema.safeParse(value).data;
	if (!read) return undefined;
	const exact = (list: readonly (number | null)[]) =>
		Float64Array.from(list, (each) => each ?? NaN);
	const all = (lists: z.infer<typeof columns>) =>
		Object.fromEntries(Object.entries(lists).map(([name, list]) => [name, exact(list)]));
	const small = (lists: z.infer<typeof columns>) =>
		Object.fromEntries(
			Object.entries(lists).map(([name, list]) => [name, Float32Array.from(exact(list))])
		);
	const runs = read.runs.map(({ trace, sensed, unread, ...run }) => ({
		...run,
		trace: {
			time: exact(trace.time),
			x: exact(trace.x),
			y: exact(trace.y),
			heading: exact(trace.heading),
			columns: small(trace.columns)
		},
		sensed: all(sensed),
		unread: all(unread)
	}));
	return { ...read, runs } as unknown as LiveNews;
}
