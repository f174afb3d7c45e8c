/** Plans and courses that every schema accepts, and that ask for as much as they can. */
import type { Course } from '../../src/core/course/course';
import type { Plan, Step } from '../../src/core/plan/plan';
import {
	call,
	courseOf,
	doubling,
	planOf,
	routine,
	spin,
	step,
	together,
	trigger,
	wall,
	withChains
} from '../../src/core/testing/sample';

const chains = (count: number, steps: () => Step[]): Plan => ({
	...planOf([]),
	chains: Array.from({ length: count }, (_, i) => ({
		id: `c${i}`,
		trigger: trigger(),
		steps: steps()
	}))
});
const set = (expression: string): Step => step('set', { variable: 'n', value: { expression } });
const melody = { notes: Array.from({ length: 200 }, () => 'C4').join(' '), tempo: 100 };
const long = Array.from({ length: 8 }, () => 'min(n,n,n,n,n,n,n,n)').join('+');

/** Each takes its whole budget: some seconds. */
const lengthy: readonly Plan[] = [
	withChains([call('r0')], ...doubling([])),
	planOf([together(...Array.from({ length: 900 }, () => [spin(set('n + 1'))]))]),
	chains(200, () => [
		step(
			'forever',
			{},
			Array.from({ length: 20 }, () => set(long))
		)
	]),
	chains(200, () => [spin(set('distanceAhead + brightness*m'))]),
	chains(100, () => [spin(step('melody', { ...melody, then: 'carryOn' }))]),
	withChains(
		[],
		...chains(100, () => [spin(call('a'))]).chains,
		routine('a', [call('b')]),
		routine('b', [])
	)
];
const plans: readonly Plan[] = [
	withChains([call('a')], routine('a', [together([call('a')], [call('a')])])),
	chains(100, () => [spin(step('log', { value: { expression: 'time' } }))]),
	chains(200, () => Array.from({ length: 24 }, (_, i) => step('send', { message: `m${i}` }))),
	planOf([
		step(
			'call',
			Object.fromEntries([
				['routine', 'a'],
				['toString', 1],
				['valueOf', 2]
			])
		)
	])
];

/** A generator of our own: the same places each time. */
function places(): () => number {
	let state = 1;
	return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}
const next = places();
const crates = (count: number, spread: number, size = 0.1): Course['crates'] =>
	Array.from({ length: count }, (_, i) => ({
		id: `k${i}`,
		at: [0.3 + next() * spread, 0.45 + next() * spread],
		bearing: 0,
		width: size,
		depth: size,
		mass: 0.1
	}));
const walls = (count: number, from: number, spread: number): Course['walls'] =>
	Array.from({ length: count }, () =>
		wall(
			[from + next() * spread, from + next() * spread],
			[from + next() * spread, from + next() * spread]
		)
	);
const box = [
	wall([0.1, 0.1], [0.9, 0.1]),
	wall([0.9, 0.1], [0.9, 0.9]),
	wall([0.9, 0.9], [0.1, 0.9]),
	wall([0.1, 0.9], [0.1, 0.1])
];
const courses: readonly Course[] = [
	courseOf({ walls: walls(2000, 0.3, 0.2) }),
	courseOf({ walls: Array.from({ length: 2000 }, () => wall([0.2, 0.6], [1, 0.6])) }),
	courseOf({ walls: walls(2000, 0.2, 0.6), crates: crates(50, 0.3) }),
	courseOf({ walls: box, crates: crates(50, 0.4, 0.2) }),
	courseOf({ crates: crates(50, 0.01) }),
	courseOf({
		tapes: Array.from({ length: 100 }, (_, i) => ({
			id: `t${i}`,
			points: Array.from({ length: 100 }, (): [number, number] => [next() * 2, next() * 1.5]),
			isClosed: true,
			radius: 0.1,
			width: 0.02,
			colour: 'black' as const
		}))
	})
];

/** @param isShort without most of those that take seconds each */
export const extremes = (isShort: boolean): string[] =>
	[...plans, ...(isShort ? [] : lengthy), ...courses].map((each) => JSON.stringify(each));
