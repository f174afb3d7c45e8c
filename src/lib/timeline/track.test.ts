import { expect, it } from 'vitest';
import type { Attempt, RobotRun, Span, Trace } from '$core/simulation/attempt';
import { axisOf, bandsOf, soughtTime, soundsOf, speedPath } from './track';

it('has an axis of whole seconds with room between them', () => {
	expect(axisOf(4.2, 600)).toEqual([0, 1, 2, 3, 4]);
	expect(axisOf(30, 300)).toEqual([0, 5, 10, 15, 20, 25, 30]);
	expect(axisOf(0, 600)).toEqual([0]);
	// A quarter of an hour on a phone: never closer than the longest gap.
	expect(axisOf(900, 40)).toEqual([0, 600]);
});

it('comes to the very end, though that is no whole number of increments', () => {
	expect([25.6, 25.5, 0].map((told) => soughtTime(told, 25.608))).toEqual([25.608, 25.5, 0]);
});

it('draws speed without its sign, as high as the fastest, and no more points than can be seen', () => {
	const time = Float64Array.from({ length: 3 }, (_, i) => i);
	const trace = { time, columns: { speed: Float32Array.of(0, -0.5, 0.25) } } as unknown as Trace;
	expect(speedPath(trace, 2)).toBe('M0.00 30.00L50.00 2.00L100.00 16.00');
	expect(speedPath({ ...trace, columns: {} }, 2)).toBe('');
	const long = Float64Array.from({ length: 60_000 }, (_, i) => i);
	const drawn = speedPath(
		{ ...trace, time: long, columns: { speed: Float32Array.from(long) } } as Trace,
		60_000
	);
	expect(drawn.split('L').length).toBeLessThanOrEqual(241);
});

it('leaves out only what nobody could see of very many bands', () => {
	const span = (start: number, end: number) => ({ robot: 'r', start, end, hasBody: false }) as Span;
	const run = { id: 'r' } as RobotRun;
	const few = [span(0, 0.0001), span(0.0001, 10)];
	expect(bandsOf({ spans: few } as unknown as Attempt, run, 10)).toHaveLength(2);
	const many = Array.from({ length: 500 }, (_, i) => span(i, i + (i % 2 ? 0.9 : 0.1)));
	expect(bandsOf({ spans: many } as unknown as Attempt, run, 500)).toHaveLength(250);
});

it('draws tones as high as they sound, an octave alike everywhere, and sounds over the whole lane', () => {
	const tone = (pitch: number, time: number) => ({ pitch, time, length: 0.5, volume: 1 });
	const tones = [
		tone(220, 0),
		tone(440, 1),
		tone(880, 2),
		tone(30, 3),
		{ ...tone(500, 4), clip: 'a' }
	];
	const marks = soundsOf({ tones }, 5);
	expect(marks.map(({ high }) => high)).toEqual([0.25, 0.5, 0.75, 0, null]);
	expect(marks.map(({ start, end }) => [start, end])[1]).toEqual([1, 1.5]);
});
