import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { simulate } from '../simulation/simulate';
import { ball } from '../robots/ball';
import { skiffLite } from '../robots/skiff';
import { initialValues } from '../steps/catalogue';
import type { Values } from '../steps/definition';
import { planFrom } from '../testing/random-plan';
import { writeClip } from '../sounds/clip';
import { courseOf, go, lamp, planFor, planOf, repeat, right, step, wait } from '../testing/sample';
import { perform, startHistory } from '../plan/history';
import { planSchema, type Chain, type Plan, type Step } from '../plan/plan';
import { checkPlan } from './index';
import { runs } from '../testing/runs';

const make = (kind: string, values: Values = {}, body?: Step[]): Step =>
	step(kind, { ...initialValues(kind), ...values }, body);
let chains = 0;
const chain = (trigger: Step | null, ...steps: Step[]): Chain => ({
	id: `c${(chains += 1)}`,
	trigger,
	steps
});
const e = (expression: string) => ({ expression });
const plan = (steps: Step[], ...chains: Chain[]): Plan => {
	const main = planOf(steps);
	return { ...main, chains: [...main.chains, ...chains] };
};
const picture = () => make('showPicture');
const rolling = (steps: Step[]): Plan => planFor(ball, planOf(steps));
const lite = (steps: Step[]): Plan => planFor(skiffLite, planOf(steps));
const keysOf = (checked: Plan, course = courseOf()): string[] => {
	const attempt = simulate({ plan: checked, course, variation: 'ideal', seed: 1, limit: 20 });
	return checkPlan(checked, { course, attempt }).map(({ sentence }) => sentence.key);
};

/** A step that plays a recording of so many seconds. */
const recorded = (id: number, seconds: number): Step => {
	const clip = { id: String(id).repeat(64), samples: seconds * 16_000, pitch: 440, name: 'a' };
	return make('clip', { clip: writeClip(clip) });
};

/** What is odd about each plan; true where a repair must take the problem away. */
const cases: [string, Plan, string[], boolean][] = [
	['a sound plan', planOf([repeat(4, [go(0.2), right(90)])]), [], false],
	['an unlit chain', plan([go(0.1)], chain(null, wait(1))), ['check.unlit'], true],
	[
		'a moving picture that carries on, and one that is waited for, before the next',
		rolling([make('playPictures', { then: 'carryOn' }), make('playPictures'), picture()]),
		['check.unseenPicture'],
		true
	],
	[
		'a panel that was not fitted',
		planOf([picture(), go(0.1)]),
		['check.cannot.lampGrid', 'note.cannot.lampGrid'],
		true
	],
	[
		'a picture and at once the next, and a third in a loop alone',
		rolling([
			picture(),
			lamp('#ff0000'),
			step('darkGrid'),
			repeat(2, [go(0.1), picture(), wait(1)])
		]),
		['check.unseenPicture'],
		true
	],
	[
		'a picture in a loop that begins with another',
		rolling([repeat(2, [picture(), wait(1), picture()])]),
		['check.unseenPicture'],
		true
	],
	[
		'a sound that the next one cuts off, and one that has sounded by then',
		planOf([
			make('clip', { then: 'carryOn' }),
			lamp('#ff0000'),
			make('tone', { then: 'carryOn' }),
			wait(1),
			step('silence')
		]),
		['check.cutSound'],
		true
	],
	[
		'sounds for which the robot has no room, one of them twice',
		planOf([recorded(1, 10), recorded(2, 2), recorded(1, 10), recorded(3, 1)]),
		['check.clipTooLarge'],
		true
	],
	[
		'a sound on a robot that sounds the nearest tone, a text that it cannot say',
		planFor(skiffLite, planOf([make('clip'), make('say')])),
		['check.without.clips', 'note.without.clips', 'check.cannot.voice', 'note.cannot.voice'],
		false
	],
	['an empty loop', planOf([repeat(2, [])]), ['check.emptyBody'], true],
	['a loop in a blink', planOf([repeat(2, [lamp('#ff0000')])]), ['check.neverWaits'], true],
	[
		'a loop that waits for nothing',
		planOf([make('forever', {}, [lamp('#ff0000')])]),
		['check.roundAndRound'],
		true
	],
	[
		'a loop that looks at the world',
		planOf([make('until', { condition: e('time > 1*s') }, [lamp('#ff0000')])]),
		[],
		false
	],
	[
		'steps after a loop without an end',
		planOf([make('forever', {}, [wait(1)]), go(0.1)]),
		['check.afterForever'],
		true
	],
	['steps after an end', planOf([make('end'), go(0.1)]), ['check.neverReached'], false],
	['leaving no loop', planOf([wait(1), make('leave')]), ['check.noLoop', 'note.noLoop'], false],
	[
		'a routine that is not there',
		planOf([make('call', { routine: 'gone' })]),
		['check.noRoutine', 'note.noRoutine'],
		false
	],
	[
		'a routine that is not used',
		plan([wait(1)], chain(make('routine'), go(0.1))),
		['check.unusedRoutine'],
		true
	],
	[
		'a routine within itself',
		plan([make('call')], chain(make('routine'), make('call'))),
		['check.callsItself', 'note.tooManyCalls'],
		false
	],
	[
		'a name that nothing has',
		planOf([step('go', { ...go(1).values, distance: e('way') })]),
		['expression.unknownName', 'note.noValue'],
		false
	],
	[
		'a value out of its range',
		planOf([step('go', { ...go(0.1).values, speed: e('150*percent') })]),
		['check.outOfRange', 'note.outOfRange'],
		false
	],
	['too little power', planOf([make('goFor', { speed: 0.02 })]), ['check.tooWeak'], false],
	[
		'a variable read too early',
		planOf([make('log', { value: e('n') }), make('set', { variable: 'n', value: 1 })]),
		['check.readBeforeSet', 'note.noValue'],
		true
	],
	['a step without counters', lite([go(0.2)]), ['check.cannot.pacing', 'note.cannot.pacing'], true],
	[
		'a turn without a gyro',
		lite([right(90)]),
		['check.cannot.turning', 'note.cannot.turning'],
		true
	],
	[
		'a reading without counters',
		lite([make('log', { value: e('travelled') })]),
		['check.cannotSense', 'note.noValue'],
		false
	],
	[
		'two chains at the same wheels',
		plan([go(0.2)], chain(make('whenRunPressed'), right(90))),
		['check.sameWheels'],
		false
	],
	[
		'two branches at the same wheels',
		planOf([make('together', {}, [make('side', {}, [go(0.1)]), make('side', {}, [right(9)])])]),
		['check.sameWheels'],
		false
	],
	[
		'a bump program whose first chain is over at once',
		plan([make('start')], chain(make('whenBump'), make('stop'), right(90))),
		['note.offFloor'],
		false
	],
	[
		'a timed move while still rolling',
		planOf([make('goFor', { then: 'goOn', ending: 'coast' }), make('goFor')]),
		['check.stillMoving'],
		true
	],
	[
		'a timed move after one that never stops by itself',
		planOf([make('start'), wait(1), make('goFor')]),
		['check.stillMoving'],
		true
	],
	[
		'a ball that is told to roll on while it rolls',
		planFor(ball, planOf([make('rollFar', { then: 'goOn' }), make('rollFar', { bearing: 90 })])),
		['check.stillMoving'],
		true
	],
	[
		'what a ball has no wheels for',
		planFor(ball, planOf([make('goTurns'), make('turnFor'), make('wheels')])),
		[
			...['check.cannot.counters', 'note.cannot.counters'],
			...['check.cannot.wheels', 'note.cannot.wheels'],
			...['check.cannot.wheels', 'note.cannot.wheels']
		],
		true
	],
	[
		'what a Skiff cannot roll',
		planOf([make('roll', { bearing: 90 }), wait(1)]),
		['check.cannot.rolling', 'note.cannot.rolling'],
		true
	],
	[
		'a trigger that the robot has no sensor for',
		planFor(ball, plan([wait(1)], chain(make('whenEdge'), wait(1)))),
		['check.cannot.edgeSensor'],
		false
	],
	[
		'a message that nobody sends',
		plan([wait(1)], chain(make('whenMessage'), wait(1))),
		['check.nobodySends'],
		false
	],
	[
		'a post that is not there',
		plan([wait(1)], chain(make('whenLampPost', { post: 'x' }), wait(1))),
		['check.noLampPost'],
		false
	],
	[
		'any post, where none is there',
		plan([wait(1)], chain(make('whenLampPost'), wait(1))),
		['check.noLampPosts'],
		false
	],
	['a step that is switched off', planOf([{ ...repeat(2, []), off: true }, wait(0.1)]), [], false]
];

describe('checks', () => {
	it.each(cases)('%s', (_, checked, keys, isRepaired) => {
		expect(keysOf(checked)).toEqual(keys);
		if (!isRepaired) return;
		const attempt = simulate({ plan: checked, course: courseOf(), variation: 'ideal', seed: 1 });
		const [problem] = checkPlan(checked, { attempt }).filter(({ repair }) => repair);
		let count = 0;
		const edit = problem!.repair!.edit(() => `new${(count += 1)}`);
		const mended = perform(startHistory(checked), edit);
		if (!mended.ok) throw new Error(mended.failure.key);
		expect(keysOf(mended.value.document)).not.toContain(problem!.sentence.key);
	});

	it.each(['skiffLite', 'ball'])(
		'repair random plans so that they can still be saved: %s',
		(kind) => {
			let repaired = 0;
			fc.assert(
				fc.property(fc.array(fc.nat(1_000_000), { minLength: 20, maxLength: 60 }), (numbers) => {
					const checked = planFrom(numbers);
					for (const { repair, sentence, place, id } of checkPlan(checked, { kind })) {
						if (!repair) continue;
						let count = 0;
						const edit = repair.edit(() => `new${(count += 1)}`);
						const mended = perform(startHistory(checked), edit);
						if (!mended.ok) throw new Error(JSON.stringify([sentence, mended.failure]));
						expect(planSchema.safeParse(mended.value.document).error).toBeUndefined();
						const left = checkPlan(mended.value.document, { kind });
						const isSame = (other: (typeof left)[number]) =>
							other.id === id && other.place === place && other.sentence.key === sentence.key;
						expect(left.some(isSame)).toBe(false);
						repaired += 1;
					}
				}),
				{ numRuns: runs(120, 600), seed: 7 }
			);
			expect(repaired).toBeGreaterThan(60);
		}
	);

	it.each([
		['go', { distance: 10, speed: 0.01, direction: 'forward' }, undefined],
		['go', { distance: 0.2, speed: 0, direction: 'forward' }, undefined],
		['go', { distance: -0.2, speed: 0.4, direction: 'forward' }, { duration: 1, speed: -0.4 }],
		['go', { distance: 0.2, speed: -0.4, direction: 'back' }, { duration: 1, speed: 0.4 }],
		['turn', { direction: 'left', angle: -149 }, { duration: 1, speed: -0.3, direction: 'left' }]
	])(
		'turn a move that cannot be counted into one by time, if there is one: %s %o',
		(kind, values, timed) => {
			const [{ repair } = {}] = checkPlan(planOf([step(kind, values)]), { kind: 'skiffLite' });
			const edit = repair?.edit(() => 'new');
			const made =
				edit?.type === 'together' && edit.edits[1]?.type === 'insert' && edit.edits[1].steps;
			if (timed) expect(made).toMatchObject([{ values: timed }]);
			else expect(repair).toBeUndefined();
		}
	);

	it('say where in the document a problem is', () => {
		const deep = planOf([repeat(2, [wait(1), repeat(3, [])])]);
		expect(checkPlan(deep)[0]!.place).toBe('chains[0].steps[0].body[1]');
	});
});
