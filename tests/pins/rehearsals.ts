/** The rehearsals whose numbers are pinned: every sample in three variations, and what samples lack. */
import { readFileSync } from 'node:fs';
import { courseSchema, type Course } from '../../src/core/course/course';
import { planSchema, type Chain, type Plan, type Step } from '../../src/core/plan/plan';
import { skiffLite } from '../../src/core/robots/skiff';
import { variations } from '../../src/core/robots/robot';
import type { Rehearsal } from '../../src/core/simulation/simulate';
import { initialValues } from '../../src/core/steps/catalogue';
import type { Values } from '../../src/core/steps/definition';
import {
	call,
	courseOf,
	go,
	planFor,
	planOf,
	points,
	repeat,
	right,
	routine,
	step as bareStep,
	together,
	trigger,
	wait,
	wall,
	withChains
} from '../../src/core/testing/sample';

const read = (file: string): unknown =>
	JSON.parse(readFileSync(new URL(`../../samples/${file}.json`, import.meta.url), 'utf8'));

interface Index {
	readonly plans: readonly { readonly file: string; readonly course: string }[];
}

const on = (first: Step, ...steps: Step[]): Chain => ({
	id: `on-${first.kind}`,
	trigger: first,
	steps
});
const step = (kind: string, values: Values = {}, body?: Step[]): Step =>
	bareStep(kind, { ...initialValues(kind), ...values }, body);
const e = (expression: string) => ({ expression });

const walled = courseOf({
	walls: [wall([0.1, 1], [1.9, 1.1]), wall([1.2, 0.2], [1.2, 1.4])],
	crates: [
		{ id: 'k1', at: [0.42, 0.7], bearing: 20, width: 0.12, depth: 0.1, mass: 0.15 },
		{ id: 'k2', at: [0.9, 0.8], bearing: 0, width: 0.1, depth: 0.1, mass: 0.4 }
	]
});
const table = courseOf({
	table: points('0,0 0.9,0 0.9,1 0,1'),
	crates: [{ id: 'k1', at: [0.4, 0.75], bearing: 0, width: 0.1, depth: 0.1, mass: 0.1 }]
});
const crowded = courseOf({
	walls: Array.from({ length: 90 }, (_, i) =>
		wall([0.1 + (i % 10) * 0.11, 0.75], [0.2 + (i % 9) * 0.12, 0.8 + (i % 7) * 0.02])
	)
});

const lite = (plan: Plan): Plan => planFor(skiffLite, plan);

const made: Readonly<Record<string, Pick<Rehearsal, 'plan' | 'course'> & Partial<Rehearsal>>> = {
	'pushes crates and slides along walls': {
		plan: planOf([
			go(0.5),
			right(60),
			go(1, 0.8),
			right(150),
			step('start', { speed: 1 }),
			wait(4)
		]),
		course: walled,
		isWatched: true
	},
	'falls off a table after a crate': { plan: planOf([go(1, 0.5)]), course: table },
	'in a crowd of walls': { plan: planOf([go(1, 1), right(90), go(1, 1)]), course: crowded },
	'a lite in a hurry': {
		plan: lite(
			planOf([
				repeat(3, [step('goFor', { duration: 1, speed: 0.7 }), step('turnFor', { duration: 0.4 })])
			])
		),
		course: walled
	},
	'chains, messages, routines and chance': {
		plan: withChains(
			[
				step('set', { variable: 'n', value: 0 }),
				together(
					[repeat(4, [call('corner'), step('send', { message: 'corner' })])],
					[step('melody', { notes: 'C4 E4:1/2 -:1 G4:2', tempo: 120, then: 'wait' })]
				),
				step('log', { value: e('n') }),
				step('end', { what: 'everything' })
			],
			routine('corner', [
				go(0.2),
				step('turn', { direction: 'right', angle: e('random(80, 100) * deg') })
			]),
			on(
				step('whenMessage', { message: 'corner' }),
				step('change', { variable: 'n', by: 1 }),
				step('blink', { colour: '#ff6b5c', side: 'left', period: 0.2 })
			),
			on(step('every', { period: 0.7 }), step('log', { value: e('distanceAhead') })),
			on(step('whenTouched'), step('tone', { pitch: 880, length: 0.2, then: 'carryOn' }))
		),
		course: courseOf({ light: 0.3, sound: 0.4 }),
		touches: [{ time: 0.5 }, { time: 2.5 }],
		isWatched: true
	},
	'runs into its limit while it watches': {
		plan: {
			...planOf([]),
			chains: [
				{
					id: 'c',
					trigger: trigger(),
					steps: [
						step('forever', {}, [
							step('steer', { steering: e('(brightness - 0.5) * 0.8'), speed: 0.3 })
						])
					]
				}
			]
		},
		course: walled,
		limit: 75
	}
};

/** By name, in a fixed order. */
export function pinnedRehearsals(): Record<string, Rehearsal> {
	const rehearsals: Record<string, Rehearsal> = {};
	for (const { file, course } of (read('index') as Index).plans) {
		const plan = planSchema.parse(read(`plans/${file}`));
		const place: Course = courseSchema.parse(read(`courses/${course}`));
		for (const variation of variations) {
			const name = `${file}, ${variation}`;
			rehearsals[name] = { plan, course: place, variation, seed: 7, limit: 60, isWatched: true };
		}
	}
	for (const [name, rehearsal] of Object.entries(made)) {
		const plan = planSchema.parse(rehearsal.plan);
		rehearsals[name] = { variation: 'classroom', seed: 11, limit: 30, ...rehearsal, plan };
	}
	return rehearsals;
}
