/** What every robot that measures its way keeps to, and how long every battery lasts. */
import { describe, expect, it } from 'vitest';
import { flying } from '../devices/flying/device';
import { pacing } from '../devices/pacing/device';
import { rehearseAlone } from '../testing/alone';
import { courseOf, go, planFor, planOf, repeat, step, wait } from '../testing/sample';
import { robotKinds } from './kinds';
import { canDo, type RobotKind } from './robot';

const rails = [
	{
		...{ id: 'r', at: [4, 0.5] as [number, number], bearing: 0, isClosed: true, marks: [] },
		pieces: [{ length: 7 }, { radius: 1, angle: 180 }, { length: 7 }, { radius: 1, angle: 180 }]
	}
];
const course = courseOf({
	size: { width: 9, height: 9 },
	starts: [{ at: [4, 1], bearing: 0 }],
	rails
});

function rehearse(kind: RobotKind, steps: Parameters<typeof planOf>[0], limit = 600) {
	const first = canDo(kind, [flying]) ? [step('takeOff')] : [];
	const plan = planFor(kind, planOf([...first, ...steps]));
	return rehearseAlone({ plan, course, variation: 'ideal', seed: 1, limit });
}

describe.each(
	robotKinds.filter((kind) => canDo(kind, [pacing])).map((kind) => [kind.kind, kind] as const)
)('the counted ways of a %s', (_, kind) => {
	it.each([
		[100, 0.01, 0.4],
		[10, 0.1, 1],
		[10, 0.1, 0.4],
		[3, 0.1, 0.01]
	])('add up: %d times %d m at %d', (times, distance, speed) => {
		const { trace } = rehearse(kind, [repeat(times, [go(distance, speed)]), wait(3)]);
		const way = trace.y.at(-1)! - trace.y[0]!;
		expect(Math.abs(way / (times * distance) - 1)).toBeLessThan(0.015);
	});

	it('are as slow as told at 1 %', () => {
		const { spans } = rehearse(kind, [go(0.1, 0.01)]);
		const { start, end } = spans.find(({ kind }) => kind === 'go')!;
		expect(end - start).toBeGreaterThan((0.9 * 0.1) / (0.01 * kind.topSpeed));
	});
});

/** Minutes at full power, as the settings of each kind say. */
const minutes: Readonly<Record<string, number>> = {
	...{ skiff: 70, skiffLite: 70, ball: 60, drone: 8, rail: 90 }
};

it.each(Object.entries(minutes))('the battery of a %s lasts for %d minutes', (name, lasts) => {
	const kind = robotKinds.find((one) => one.kind === name)!;
	const setOff = step('start', { direction: 'forward', speed: 1 });
	const { trace } = rehearse(kind, [setOff, wait(60)], 60);
	const { time, columns } = trace;
	const from = time.findIndex((at) => at >= 10);
	const used = (columns.battery![from]! - columns.battery!.at(-1)!) / (time.at(-1)! - time[from]!);
	expect(Math.abs(1 / used / 60 / lasts - 1)).toBeLessThan(0.01);
});
