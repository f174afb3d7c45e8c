import { describe, expect, it } from 'vitest';
import { simulate } from '../simulation/simulate';
import { courseOf, fullStep, go, planOf, right, wait } from '../testing/sample';
import { csvOf, happeningsTable, legTable, logTable, seriesTable, traceTable } from './csv';
import { legsIn } from './legs';
import { seenOf, seriesIn, valueAt, type Series } from './series';

const plan = planOf([
	go(0.3),
	fullStep('log', { value: { expression: 'distanceAhead' } }),
	right(90),
	wait(0.5)
]);
const course = courseOf();
const attempt = simulate({ plan, course, variation: 'classroom', seed: 4, isWatched: true });
const run = attempt.runs[0]!;
const seriesNamed = (key: string): Series =>
	seriesIn(attempt, run).find((each) => each.key === key)!;

/** As RFC 4180 has it, read by nothing of ours. */
function cellsOf(text: string, separator: string): string[][] {
	return text
		.trimEnd()
		.split('\r\n')
		.map((line) => line.split(separator));
}

describe('series of a run', () => {
	it('have each a name and a unit of their own, and as many figures as times', () => {
		const all = seriesIn(attempt, run);
		expect(new Set(all.map(({ key }) => key)).size).toBe(all.length);
		for (const { key, time, values } of all) expect(values.length, key).toBe(time.length);
		expect(all.map(({ key, unit }) => `${key} ${unit}`)).toEqual(
			expect.arrayContaining([
				'pose.bearing degrees',
				'column.speed mps',
				'reading.distanceAhead metres',
				'reading.bumped truth',
				'reading.heading degrees'
			])
		);
	});

	it('tell what a figure was at a moment', () => {
		const { seconds } = attempt.outcome;
		expect(valueAt(seriesNamed('pose.bearing'), seconds) / 10).toBeCloseTo(9, 0);
		expect(valueAt(seriesNamed('reading.heading'), seconds) / 10).toBeCloseTo(9, 0);
		expect(valueAt(seriesNamed('reading.heading'), -1)).toBeNaN();
	});

	it('show the least and the greatest of each stretch, whatever is left out, and gaps', () => {
		const time = Float64Array.from({ length: 10_000 }, (_, i) => i / 100);
		const values = time.map((at) => Math.round(at * 100) % 7);
		values[5003] = 40;
		values[5004] = NaN;
		const series = { ...seriesNamed('pose.east'), time, values };
		const seen = seenOf(series, 10, 90, 100);
		expect(seen.length).toBeLessThan(400);
		expect(seen.map(({ y }) => y)).toEqual(expect.arrayContaining([0, 6, 40, NaN]));
		expect(seen.map(({ x }) => x)).toEqual(seen.map(({ x }) => x).toSorted((a, b) => a - b));
		expect(seen.at(0)!.x).toBeLessThanOrEqual(10);
		expect(seen.at(-1)!.x).toBeGreaterThanOrEqual(89);
		// Near enough, every one.
		expect(seenOf(series, 20, 20.5, 100)).toHaveLength(52);
	});
});

describe('an attempt as CSV', () => {
	it.each([
		['comma', ',', '.'],
		['semicolon', ';', '.'],
		['decimalComma', ';', ',']
	] as const)('has cells that are numbers: %s', (style, separator, decimal) => {
		const [header, ...rows] = cellsOf(csvOf(traceTable(attempt, run), style), separator);
		expect(header).toEqual(expect.arrayContaining(['time_s', 'bearing_deg', 'battery_percent']));
		expect(rows).toHaveLength(run.trace.time.length);
		const end = rows.at(-1)!.map((cell) => Number(cell.replace(decimal, '.')));
		expect(end[1]).toBeCloseTo(run.trace.x.at(-1)!, 4);
		for (const row of rows) expect(row).toHaveLength(header!.length);
		expect(csvOf(traceTable(attempt, run), style)).toMatch(/\r\n$/);
	});

	it('tells with each sample what was sensed last', () => {
		const { header, rows } = seriesTable(attempt, run);
		const at = header.indexOf('sensed_distance_ahead_m');
		const { time, values } = seriesNamed('reading.distanceAhead');
		for (const [i, row] of rows.entries())
			if (i % 50 === 0)
				expect(row[at]).toBe(values[time.findLastIndex((t) => t <= Number(row[0]) + 1e-9)]);
	});

	it('has legs, log and happenings', () => {
		const legs = legTable(legsIn(attempt, run, null), ({ span }) => `=${span.kind}, "so"`);
		expect(csvOf(legs).split('\r\n')[1]).toMatch(/^1,1,"'=go, ""so""",0,/);
		expect(logTable(attempt).rows).toEqual([[expect.any(Number), 2, expect.any(Number)]]);
		const { rows } = happeningsTable(attempt, run);
		expect(rows.slice(0, 2).map((row) => row.slice(1, 4))).toEqual([
			['begins', 'go', 1],
			['ends', 'go', 1]
		]);
		expect(rows.map(([time]) => time)).toEqual(
			rows.map(([time]) => time).toSorted((a, b) => +a! - +b!)
		);
	});
});
