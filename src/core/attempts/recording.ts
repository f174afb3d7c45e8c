/** An attempt as JSON can hold it, and back: columns in whole units of what they resolve. */
import { z } from 'zod';
import { readings } from '../expressions/vocabulary';
import { robotKindOf } from '../robots/kinds';
import { robotFormat } from '../robots/robot-document';
import type { RobotKind } from '../robots/robot';
import type { Attempt, CrateTrace, RobotRun, SensedColumns } from '../simulation/attempt';
import {
	bumpSchema,
	loggedSchema,
	noteSchema,
	outcomeSchema,
	sourceSchema,
	toneSchema
} from '../simulation/attempt-schema';
import { failure, success, type Result } from '../sentence';
import { stepKinds, triggerKinds } from '../steps/catalogue';
import { tickRate } from '../time';
import { types } from '../types';
import {
	columnSchema,
	packColumn,
	perUnitOfColumn,
	perUnitOfType,
	unpackColumn,
	type PackedColumn
} from './column';
import { packSpans, spansSchema, unpackSpans } from './spans';

/** Parts of a metre and of a radian that a trace resolves: its line is drawn a millimetre wide. */
const perMetre = 5000;
const perRadian = 500;
/** Seconds of an attempt at the most: a day. */
const mostSeconds = 86_400;
/** Samples of a run at the most: some hours. */
const mostSamples = 150_000;
/** Digits of every other number. */
const digits = 9;

const columnsSchema = z.record(z.string(), columnSchema);

const runSchema = z.strictObject({
	id: z.string(),
	robot: robotFormat.schema,
	trace: z
		.strictObject({
			time: columnSchema,
			x: columnSchema,
			y: columnSchema,
			heading: columnSchema,
			columns: columnsSchema
		})
		.describe(
			'Seconds since Run, metres, radians counter-clockwise from east; what its kind records.'
		),
	sensed: columnsSchema.describe('What its chains read, with each sample of the trace.'),
	unread: columnsSchema.describe(
		'What else it sensed, ten times a second; of a run, with each sample.'
	),
	bumps: z.array(bumpSchema),
	tones: z.array(toneSchema),
	pathLength: z.number().describe('Metres.')
});

export const recordingSchema = z.strictObject({
	source: sourceSchema,
	outcome: outcomeSchema.extend({ seconds: z.number().min(0).max(mostSeconds) }),
	runs: z.array(runSchema).min(1).max(16),
	crates: z.array(
		z.strictObject({
			id: z.string(),
			time: columnSchema,
			x: columnSchema,
			y: columnSchema,
			heading: columnSchema,
			fellAt: z.number().optional()
		})
	),
	log: z.array(loggedSchema),
	spans: spansSchema,
	notes: z.array(noteSchema),
	ticks: z.int()
});

export type Recording = z.infer<typeof recordingSchema>;

export function recordingOf({ runs, crates, spans, ...rest }: Attempt): Recording {
	return {
		...(rounded(rest) as Omit<Recording, 'runs' | 'crates' | 'spans'>),
		runs: runs.map(packRun),
		crates: crates.map(packCrate),
		spans: packSpans(spans)
	};
}

function packRun({ trace, sensed, unread, ...rest }: RobotRun): Recording['runs'][number] {
	const kind = robotKindOf(rest.robot.kind);
	const { columns, ...pose } = trace;
	return {
		...(rounded(rest) as Pick<
			Recording['runs'][number],
			'id' | 'robot' | 'bumps' | 'tones' | 'pathLength'
		>),
		trace: {
			...packPose(pose),
			columns: packAll(columns, (name) => perUnitOfOwn(kind, name))
		},
		sensed: packAll(sensed, perUnitOfReading),
		unread: packAll(unread, perUnitOfReading)
	};
}

function packCrate({ id, moments, fellAt }: CrateTrace): Recording['crates'][number] {
	const list = (name: keyof (typeof moments)[number]) => moments.map((moment) => moment[name]);
	return {
		id,
		...packPose({ time: list('time'), x: list('x'), y: list('y'), heading: list('heading') }),
		...(fellAt !== undefined && { fellAt })
	};
}

type Numbers = ArrayLike<number>;

const packPose = ({ time, x, y, heading }: Record<'time' | 'x' | 'y' | 'heading', Numbers>) => ({
	time: packColumn(time, tickRate),
	x: packColumn(x, perMetre),
	y: packColumn(y, perMetre),
	heading: packColumn(heading, perRadian)
});

const packAll = (columns: Readonly<Record<string, Numbers>>, perUnit: (name: string) => number) =>
	Object.fromEntries(
		Object.entries(columns).map(([name, column]) => [name, packColumn(column, perUnit(name))])
	);

function perUnitOfOwn({ columns }: RobotKind, name: string): number {
	const unit = columns.find((column) => column.name === name)?.unit;
	return unit ? perUnitOfColumn(unit) : 1000;
}

const perUnitOfReading = (name: string): number =>
	perUnitOfType(Object.hasOwn(readings, name) ? readings[name]!.type : types.plain);

/** The same, with numbers as exact as they are worth. */
const rounded = (value: unknown): unknown =>
	JSON.parse(
		JSON.stringify(value, (_, inner: unknown) =>
			typeof inner === 'number' && !Number.isInteger(inner)
				? Number(inner.toPrecision(digits))
				: inner
		)
	);

/**
 * The attempt that was recorded, within what its units resolve.
 * @returns a failure for what the schema takes and no robot can have done
 */
export function readRecording({ runs, crates, spans, ...rest }: Recording): Result<Attempt> {
	const attempt = {
		...(rest as Omit<Attempt, 'runs' | 'crates' | 'spans'>),
		runs: runs.map(unpackRun),
		crates: crates.map(unpackCrate),
		spans: unpackSpans(spans)
	};
	return isSound(attempt) ? success(attempt) : failure('attempt.damaged');
}

/** Every sample has its time and its place, and every step is one that there is. */
const isSound = ({ runs, spans }: Attempt): boolean =>
	runs.every(({ trace, sensed }) => {
		const { time, x, y, heading, columns } = trace;
		const all = [x, y, heading, ...Object.values(columns), ...Object.values(sensed)];
		const hasPlace = [time, x, y, heading].every((column) => column.every(Number.isFinite));
		const isEven = all.every(({ length }) => length === time.length);
		return time.length > 0 && time.length <= mostSamples && hasPlace && isEven;
	}) && spans.every(({ kind }) => stepKindNames.has(kind));

const stepKindNames = new Set([...stepKinds, ...triggerKinds].map(({ kind }) => kind));

function unpackRun({ trace, sensed, unread, ...rest }: Recording['runs'][number]): RobotRun {
	const { columns, ...pose } = trace;
	const small = Object.entries(unpackAll(columns)).map(
		([name, column]) => [name, Float32Array.from(column)] as const
	);
	return {
		...(rest as Pick<RobotRun, 'id' | 'robot' | 'bumps' | 'tones' | 'pathLength'>),
		trace: {
			time: unpackColumn(pose.time),
			x: unpackColumn(pose.x),
			y: unpackColumn(pose.y),
			heading: unpackColumn(pose.heading),
			columns: Object.fromEntries(small)
		},
		sensed: unpackAll(sensed),
		unread: unpackAll(unread)
	};
}

const unpackAll = (columns: Readonly<Record<string, PackedColumn>>): SensedColumns =>
	Object.fromEntries(Object.entries(columns).map(([name, column]) => [name, unpackColumn(column)]));

function unpackCrate({ id, time, x, y, heading, fellAt }: Recording['crates'][number]): CrateTrace {
	const [xs, ys, headings] = [unpackColumn(x), unpackColumn(y), unpackColumn(heading)];
	const moments = Array.from(unpackColumn(time), (time, i) => ({
		...{ time, x: xs[i]!, y: ys[i]!, heading: headings[i]! }
	}));
	return { id, moments, ...(fellAt !== undefined && { fellAt }) };
}
