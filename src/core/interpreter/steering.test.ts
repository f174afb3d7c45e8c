/** How steps steer their chain: out of loops, out of branches, into routines, and over again. */
import { Happenings } from '../devices/happenings';
import { describe, expect, it } from 'vitest';
import { skiff } from '../robots/skiff';
import type { Plan, Step } from '../plan/plan';
import { rehearseAlone } from '../testing/alone';
import { initialValues } from '../steps/catalogue';
import type { Values } from '../steps/definition';
import {
	call,
	courseOf,
	planOf,
	repeat,
	routine,
	step,
	together,
	wait,
	withChains
} from '../testing/sample';
import { Interpreter } from './interpreter';
import { compile } from './program';

const log = (value: string | number | { expression: string }): Step => step('log', { value });
const e = (expression: string) => ({ expression });
const end = (what = 'chain'): Step => step('end', { what });
const on = (kind: string, values: Values, ...steps: Step[]) => ({
	id: `on-${kind}`,
	trigger: step(kind, { ...initialValues(kind), ...values }),
	steps
});
const rehearse = (plan: Plan, limit = 10) =>
	rehearseAlone({ plan, course: courseOf(), variation: 'ideal', seed: 1, limit });
const logOf = (plan: Plan, limit?: number) => rehearse(plan, limit).log.map(({ value }) => value);

describe('"end" in a branch', () => {
	it('ends the whole chain: the other branches, and what stands after them', () => {
		const plan = planOf([
			together([wait(0.2), end(), log('never')], [wait(1), log('too late')], [log('at once')]),
			log('after')
		]);
		expect(logOf(plan)).toEqual(['at once']);
		expect(rehearse(plan).outcome.seconds).toBeCloseTo(0.2, 1);
	});

	it('ends it at once, when the branches have not yet waited, and from branches of branches', () => {
		const plan = planOf([
			repeat(3, [together([together([end()], [log('inside')])], [log('beside')]), log('after')])
		]);
		expect(logOf(plan)).toEqual([]);
	});

	it('leaves other chains alone, and marks what it cut off as ended', () => {
		const plan = withChains(
			[together([wait(0.1), end()], [repeat(9, [wait(1)])])],
			on('every', { period: 0.5 }, log('other'))
		);
		const { log: lines, spans } = rehearse(plan, 1.2);
		expect(lines.map(({ value }) => value)).toEqual(['other', 'other']);
		const cut = spans.filter(({ kind }) => ['repeat', 'together', 'wait'].includes(kind));
		expect(cut.map(({ end }) => end)).toEqual(
			[0.1, 0.1, 0.1, 0.1].map((x) => expect.closeTo(x, 2))
		);
	});

	it('of everything ends everything', () => {
		const plan = withChains(
			[together([wait(0.2), end('everything')], [wait(1), log('never')])],
			on('every', { period: 0.5 }, log('other'))
		);
		expect(logOf(plan)).toEqual([]);
	});
});

describe('"leave" and loops', () => {
	it('leaves the loop of its own branch only, and says so where there is none', () => {
		const leave = step('leave');
		const plan = planOf([
			repeat(2, [together([repeat(5, [log('once'), leave])], [leave, log('on')]), log('round')])
		]);
		const attempt = rehearse(plan);
		expect(attempt.log.map(({ value }) => value)).toEqual([
			...['once', 'on', 'round'],
			...['once', 'on', 'round']
		]);
		expect(attempt.notes.map(({ sentence }) => sentence.key)).toEqual(['note.noLoop']);
	});

	it('does not leave the loop around a call from within the routine', () => {
		const plan = withChains(
			[repeat(2, [call('r'), log('back')])],
			routine('r', [step('leave'), log('inside')])
		);
		expect(logOf(plan)).toEqual(['inside', 'back', 'inside', 'back']);
	});
});

describe('triggers', () => {
	it('do not start a chain that still runs', () => {
		const plan = withChains(
			[repeat(3, [step('send', { message: 'go' }), wait(0.3)])],
			on('whenMessage', { message: 'go' }, log('starts'), wait(0.5))
		);
		expect(logOf(plan)).toEqual(['starts', 'starts']);
	});

	it('hear messages in the tick after they were sent, in the order of the plan', () => {
		const plan = withChains(
			[step('send', { message: 'b' }), step('send', { message: 'a' }), log('sent')],
			{ ...on('whenMessage', { message: 'a' }, log('a'), log(e('time'))), id: 'a' },
			{ ...on('whenMessage', { message: 'b' }, log('b')), id: 'b' }
		);
		expect(logOf(plan)).toEqual(['sent', 'a', expect.closeTo(1 / 120, 5), 'b']);
	});
});

describe('variables', () => {
	it('are hidden by inputs of the same name, also in branches', () => {
		const plan = withChains(
			[step('set', { variable: 'n', value: 1 }), step('call', { routine: 'r', n: 5 }), log(e('n'))],
			{
				...routine('r', [together([log(e('n'))], [step('change', { variable: 'n', by: 1 })])]),
				trigger: step('routine', { name: 'r', inputs: 'n' })
			}
		);
		expect(logOf(plan)).toEqual([5, 2]);
	});

	it('hold lists of their own: a copy does not follow', () => {
		const plan = planOf([
			step('newList', { variable: 'a' }),
			step('addItem', { value: 1, variable: 'a' }),
			step('set', { variable: 'b', value: e('a') }),
			step('addItem', { value: 2, variable: 'a' }),
			log(e('length(a)')),
			log(e('length(b)'))
		]);
		expect(logOf(plan)).toEqual([2, 1]);
	});

	it('begin empty in each run of the same program', () => {
		const counting = [step('change', { variable: 'n', by: e('1 + 0 * time / s') }), log(e('n'))];
		const program = compile(planOf(counting), [skiff]);
		const lines: unknown[] = [];
		const nothing = () => {};
		const observer = { started: nothing, ended: nothing, ran: nothing, noted: nothing };
		for (let run = 0; run < 2; run++) {
			const interpreter = new Interpreter({
				program,
				crew: [
					{
						port: { read: () => 0 } as never,
						happened: new Happenings(),
						observer: {
							...observer,
							logged: (_: unknown, __: unknown, value: unknown) => lines.push(value)
						} as never,
						chance: () => 0
					}
				],
				limit: 1
			});
			interpreter.tick(0);
		}
		expect(lines).toEqual([1, 1]);
	});
});
