import { readFileSync } from 'node:fs';
import { zlibSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import index from '../../../samples/index.json';
import { courseSchema } from '../course/course';
import { readDocument, writeDocument } from '../document';
import { planSchema } from '../plan/plan';
import type { Attempt } from '../simulation/attempt';
import { modelVersion } from '../simulation/settings';
import { simulate } from '../simulation/simulate';
import { courseOf, go, planOf, right } from '../testing/sample';
import { attemptDocument, attemptFormat } from './attempt-document';
import { packColumn, unpackColumn } from './column';
import { pack, unpack } from './packed';
import { readRecording, recordingOf, recordingSchema, type Recording } from './recording';

const read = (file: string): unknown => JSON.parse(readFileSync(`samples/${file}.json`, 'utf8'));

function rehearsed(file: string, course: string): Attempt {
	const plan = planSchema.parse(read(`plans/${file}`));
	const on = courseSchema.parse(read(`courses/${course}`));
	return simulate({ plan, course: on, variation: 'worn', seed: 3, isWatched: true });
}

function unpacked(attempt: Attempt): Attempt {
	const read = unpack(pack(attempt));
	if (!read.ok) throw new Error(read.failure.key);
	return read.value;
}

/** All columns of a run by one name each. */
const columnsOf = <T>({ trace: { columns, ...pose }, sensed, unread }: Run<T>): Record<string, T> =>
	Object.fromEntries(
		[pose, columns, sensed, unread].flatMap((each, i) =>
			Object.entries(each).map(([name, column]) => [`${i} ${name}`, column])
		)
	);

interface Run<T> {
	readonly trace: Readonly<Record<'time' | 'x' | 'y' | 'heading', T>> & {
		readonly columns: Readonly<Record<string, T>>;
	};
	readonly sensed: Readonly<Record<string, T>>;
	readonly unread: Readonly<Record<string, T>>;
}

/** The largest difference between two columns; Infinity where one has what the other has not. */
const apart = (a: ArrayLike<number>, b: ArrayLike<number>): number =>
	a.length !== b.length
		? Infinity
		: Array.from(a).reduce((most, value, i) => {
				if (!Number.isFinite(value)) return Number.isNaN(b[i]!) ? most : Infinity;
				return Math.max(most, Math.abs(value - b[i]!));
			}, 0);

const ofEachKind = index.plans.filter(({ file }) =>
	[
		'follow-the-ring',
		'harbour-square-corners',
		'blinking-along-the-quay',
		'round-the-net-store',
		'four-signal-lamps',
		'lamp-for-the-ferry'
	].includes(file)
);

describe('a recording', () => {
	it.each(ofEachKind)(
		'of $file: as it was within what its units resolve, and small',
		({ file, course }) => {
			const attempt = rehearsed(file, course);
			const again = unpacked(attempt);
			attempt.runs.forEach((run, i) => {
				const packed = columnsOf(recordingOf(attempt).runs[i]!);
				const before = columnsOf<ArrayLike<number>>(run);
				const after = columnsOf<ArrayLike<number>>(again.runs[i]!);
				expect(Object.keys(after)).toEqual(Object.keys(before));
				for (const [name, { perUnit }] of Object.entries(packed))
					expect(apart(before[name]!, after[name]!), name).toBeLessThanOrEqual(
						(0.5 + 1e-4) / perUnit
					);
				expect(Array.from(again.runs[i]!.trace.time)).toEqual(Array.from(run.trace.time));
			});
			expect(again.spans).toHaveLength(attempt.spans.length);
			expect(again.outcome.kind).toBe(attempt.outcome.kind);
			expect(again.notes).toEqual(attempt.notes);
			const minutes = Math.max(1, attempt.outcome.seconds / 60) * attempt.runs.length;
			expect(pack(attempt).length / minutes).toBeLessThan(20_000);
			expect(pack(again)).toEqual(pack(attempt));
		}
	);

	it('is refused when it is cut, changed, none at all, or inflates without end', () => {
		const whole = pack(
			simulate({ plan: planOf([go(0.5)]), course: courseOf(), variation: 'ideal', seed: 1 })
		);
		const changed = whole.slice();
		changed[whole.length >> 1]! ^= 0xff;
		const bomb = zlibSync(new Uint8Array(80 * 1024 * 1024));
		for (const bytes of [whole.slice(0, -9), changed, new Uint8Array(0), whole.slice(7), bomb])
			expect(unpack(bytes)).toEqual({ ok: false, failure: { key: 'attempt.damaged' } });
	});
});

it('is refused where it says what no robot can have done', () => {
	const sound = recordingOf(
		simulate({ plan: planOf([go(0.2)]), course: courseOf(), variation: 'ideal', seed: 1 })
	);
	const [run] = sound.runs;
	const withTrace = (changes: object): Recording => ({
		...sound,
		runs: [{ ...run!, trace: { ...run!.trace, ...changes } }]
	});
	const column = (numbers: string) => ({ perUnit: 1, differences: 0, numbers });
	const step = { ...sound.spans.steps[0]!, kind: 'leap' };
	const unsound: Recording[] = [
		withTrace({ x: column('AAA') }),
		withTrace({ y: { ...run!.trace.y, numbers: run!.trace.y.numbers.replace(/^./, '.') } }),
		withTrace({ columns: { speed: column('') } }),
		{ ...sound, spans: { ...sound.spans, steps: sound.spans.steps.map(() => step) } }
	];
	expect(readRecording(sound).ok).toBe(true);
	for (const each of unsound)
		expect(readRecording(each)).toEqual({ ok: false, failure: { key: 'attempt.damaged' } });
	for (const changes of [{ runs: [] }, { outcome: { ...sound.outcome, seconds: 1e9 } }])
		expect(recordingSchema.safeParse({ ...sound, ...changes }).success).toBe(false);
});

it('a column is what it was, whatever it holds', () => {
	fc.assert(
		fc.property(fc.array(fc.oneof(fc.double(), fc.integer({ min: -1e9, max: 1e9 }))), (values) => {
			const again = unpackColumn(packColumn(values, 1000));
			values.forEach((value, i) => {
				if (Math.abs(value) <= 2 ** 50 / 1000 - 1)
					expect(again[i]).toBeCloseTo(Math.round(value * 1000) / 1000, 9);
				else if (!Number.isFinite(value)) expect(again[i]).toBeNaN();
			});
		})
	);
});

it('an attempt goes out as a document and comes back', () => {
	const plan = planOf([go(0.5), right(90)]);
	const course = courseOf();
	const attempt = simulate({ plan, course, variation: 'classroom', seed: 5 });
	const made = { at: '2026-11-30T14:00:00.000Z', plan, course };
	const text = writeDocument(attemptDocument(attempt, made));
	const read = readDocument(text, attemptFormat);
	if (!read.ok) throw new Error(read.failure.key);
	expect(read.value.modelVersion).toBe(modelVersion);
	expect(read.value.plan).toEqual(plan);
	const again = readRecording(read.value.recording);
	expect(again).toEqual({ ok: true, value: unpacked(attempt) });
});
