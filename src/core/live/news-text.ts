/** News of a run as a text can hold them, for what a robot keeps by itself. */
import { z } from 'zod';
import { robotFormat } from '../robots/robot-document';
import type { LiveNews } from './live-news';

const figure = z.number().nullable();
const columns = z.record(z.string(), z.array(figure));
const place = z.strictObject({ x: z.number(), y: z.number(), heading: z.number() });
const sentence = z.strictObject({
	key: z.string().max(100),
	values: z.record(z.string(), z.union([z.number(), z.string().max(200)])).optional()
});
const datum: z.ZodType = z.union([
	z.number(),
	z.boolean(),
	z.string(),
	z.array(z.unknown()),
	z.null()
]);

const span = z.strictObject({
	stepId: z.string(),
	robot: z.string(),
	kind: z.string(),
	number: z.number(),
	values: z.record(z.string(), datum),
	hasBody: z.boolean(),
	start: z.number(),
	end: z.number(),
	from: place,
	to: place,
	speedAtStart: z.number(),
	speedAtEnd: z.number(),
	isComplete: z.boolean()
});

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
	bumps: z.array(
		z.strictObject({
			...{ time: z.number(), x: z.number(), y: z.number(), number: z.number() },
			...{ stepId: z.string().nullable(), against: z.string() }
		})
	),
	pathLength: z.number()
});

const schema = z.strictObject({
	alarm: sentence.optional(),
	time: z.number(),
	age: z.number(),
	runs: z.array(runSchema),
	spans: z.array(span),
	open: z.array(span),
	log: z.array(
		z.strictObject({ time: z.number(), stepId: z.string(), number: z.number(), value: datum })
	),
	notes: z.array(z.strictObject({ stepId: z.string(), sentence })),
	outcome: z.strictObject({
		kind: z.enum(['finished', 'ended', 'halted', 'fell', 'crashed', 'timeout']),
		reason: sentence,
		seconds: z.number(),
		reachedFinish: z.boolean(),
		lampPosts: z.array(z.strictObject({ id: z.string(), time: z.number() }))
	})
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
