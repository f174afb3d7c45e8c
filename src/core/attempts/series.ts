/** Every figure of a robot's run over time, by name and unit: for charts, tables and files. */
import { readings } from '../expressions/vocabulary';
import { robotKindOf } from '../robots/kinds';
import type { ColumnUnit } from '../robots/robot';
import { displayTicks } from '../simulation/settings';
import { indexAt } from '../simulation/moment';
import type { Attempt, RobotRun } from '../simulation/attempt';
import { tickRate } from '../time';
import { isPlain, types, type Type } from '../types';
import { degrees } from '../units/angles';

/** How the figures of a series are meant: m/s, metres, degrees, 0 to 1, 0xrrggbb, seconds, degrees a second, 0 or 1. */
export type SeriesUnit = ColumnUnit | 'seconds' | 'dps' | 'hertz' | 'truth' | 'plain';

/** Where a series comes from: the pose, what its kind records, what it senses. */
export type SeriesGroup = 'pose' | 'column' | 'reading';

export interface Series {
	/** Of all series of a run only this one has it. */
	readonly key: string;
	readonly group: SeriesGroup;
	readonly name: string;
	readonly unit: SeriesUnit;
	/** It jumps from one value to the next: nothing lies between. */
	readonly isStepped: boolean;
	/** Seconds since Run, ascending. */
	readonly time: Float64Array;
	/** As many as times; NaN where nothing was known. */
	readonly values: ArrayLike<number>;
}

/** What a robot did, and what it sensed: what its chains read first. */
export function seriesIn({ source }: Pick<Attempt, 'source'>, run: RobotRun): Series[] {
	const { trace, sensed, unread } = run;
	const { time, x, y } = trace;
	const bearing = trace.heading.map((heading) => 90 - degrees(heading));
	const posed = { group: 'pose', time, isStepped: false } as const;
	const kept = robotKindOf(run.robot.kind).columns.flatMap(({ name, unit, isStepped = false }) => {
		const values = trace.columns[name];
		return values ? [{ group: 'column' as const, name, unit, isStepped, time, values }] : [];
	});
	const displayed = source.type === 'rehearsal' ? timesOfDisplay(unread) : time;
	return [
		{ ...posed, name: 'east', unit: 'metres' as const, values: x },
		{ ...posed, name: 'north', unit: 'metres' as const, values: y },
		{ ...posed, name: 'bearing', unit: 'degrees' as const, values: bearing },
		...kept,
		...readingsIn(sensed, time),
		...readingsIn(unread, displayed)
	].map((series) => ({ ...series, key: `${series.group}.${series.name}` }));
}

function readingsIn(columns: RobotRun['sensed'], time: Float64Array) {
	return Object.entries(columns).flatMap(([name, values]) => {
		const type = readings[name]?.type;
		const unit = type && unitOfType(type);
		const isStepped = unit === 'truth' || unit === 'colour';
		return unit ? [{ group: 'reading' as const, name, unit, isStepped, time, values }] : [];
	});
}

function timesOfDisplay(columns: RobotRun['unread']): Float64Array {
	const { length } = Object.values(columns)[0] ?? [];
	return Float64Array.from({ length }, (_, i) => (i * displayTicks) / tickRate);
}

/** @returns undefined for what is no figure */
function unitOfType(type: Type): SeriesUnit | undefined {
	if (type.kind === 'truth' || type.kind === 'colour') return type.kind;
	if (type.kind !== 'number') return undefined;
	if (type.isPart) return 'part';
	if (isPlain(type)) return 'plain';
	const { metres, seconds, degrees: angle } = type;
	if (metres === 1) return seconds === -1 ? 'mps' : 'metres';
	if (angle === 1) return seconds === -1 ? 'dps' : 'degrees';
	return seconds === types.frequency.seconds ? 'hertz' : 'seconds';
}

/** What it was at a time; NaN before its first figure. Between two of them it is what it was. */
export const valueAt = ({ time, values }: Series, at: number): number =>
	time.length > 0 && time[0]! <= at ? (values[indexAt(time, at)] ?? NaN) : NaN;

/** Steps without others in them that ran in both, by their numbers in the first. */
export function stepsOfBoth(one: Attempt, other: Attempt): { stepId: string; number: number }[] {
	const others = new Set(other.spans.map(({ stepId }) => stepId));
	const shared = one.spans.filter(({ stepId, hasBody }) => !hasBody && others.has(stepId));
	const steps = new Map(shared.map(({ stepId, number }) => [stepId, { stepId, number }]));
	return [...steps.values()].toSorted((a, b) => a.number - b.number);
}

export interface SeriesPoint {
	readonly x: number;
	readonly y: number;
}

/**
 * What can be seen of a series between two times: of each of so many equal stretches the least and
 * the greatest figure, in the order in which they came. What is not known leaves a gap.
 */
export function seenOf(
	{ time, values }: Series,
	from: number,
	to: number,
	stretches: number
): SeriesPoint[] {
	const first = indexAt(time, from);
	const last = Math.min(time.length - 1, indexAt(time, to) + 1);
	const point = (i: number): SeriesPoint => ({ x: time[i]!, y: values[i]! });
	const points: SeriesPoint[] = [];
	if (last - first <= 2 * stretches) {
		for (let i = first; i <= last; i++) points.push(point(i));
		return points;
	}
	const width = (to - from) / stretches;
	for (let i = first; i <= last;) {
		const end = time[i]! + width;
		let [low, high, unknown] = [i, i, -1];
		for (; i <= last && (time[i]! < end || i === low); i++) {
			if (Number.isNaN(values[i]!)) unknown = i;
			else if (Number.isNaN(values[low]!)) low = high = i;
			else if (values[i]! < values[low]!) low = i;
			else if (values[i]! > values[high]!) high = i;
		}
		const chosen = new Set([low, high, ...(unknown >= 0 ? [unknown] : [])]);
		for (const each of [...chosen].sort((a, b) => a - b)) points.push(point(each));
	}
	return points;
}
