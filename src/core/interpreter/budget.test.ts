import { describe, expect, it } from 'vitest';
import type { Plan, Step } from '../plan/plan';
import { checkPlan } from '../checks';
import { rehearseAlone } from '../testing/alone';
import { skiff } from '../robots/skiff';
import {
	call,
	courseOf,
	doubling,
	planOf,
	repeat,
	routine,
	spin,
	step,
	together,
	trigger,
	wait,
	withChains
} from '../testing/sample';
import { Budget } from './budget';
import { emptyCells } from './memory';
import { compile } from './program';
import { Thread } from './thread';

const rehearse = (plan: Plan, limit?: number) =>
	rehearseAlone({ plan, course: courseOf(), variation: 'ideal', seed: 1, limit });
const notesOf = (plan: Plan, limit?: number) =>
	rehearse(plan, limit).notes.map(({ sentence }) => sentence.key);
const keysOf = (plan: Plan) => checkPlan(plan).map(({ sentence }) => sentence.key);

const cheap = () => step('set', { variable: 'n', value: 1 });

describe('a budget', () => {
	it('holds for a routine that calls itself in a branch', () => {
		const plan = withChains(
			[call('a')],
			routine('a', [together([wait(0.01), call('a')], [wait(0.01)])])
		);
		const { outcome, notes } = rehearse(plan);
		expect(outcome.kind).toBe('ended');
		expect(notes.map(({ sentence }) => sentence.key)).toEqual(['note.tooManyCalls']);
		expect(keysOf(plan)).toContain('check.callsItself');
	});

	it('holds for routines that double what runs at the same time, and the check says so', () => {
		const plan = withChains([call('r0')], ...doubling([wait(0.1)]));
		expect(notesOf(plan)).toContain('note.tooManyAtOnce');
		expect(keysOf(plan)).toContain('check.tooManyAtOnce');
		const few = withChains([call('r14')], ...doubling([wait(0.1)]).slice(14));
		expect(notesOf(few)).toEqual([]);
		expect(keysOf(few)).not.toContain('check.tooManyAtOnce');
	});

	it('gives back what branches have used once they have ended', () => {
		const sides = Array.from({ length: 400 }, () => [wait(0.01)]);
		const plan = planOf([repeat(20, [together(...sides), wait(0.01)])]);
		expect(notesOf(plan)).toEqual([]);
	});

	it('is shared by all that runs, so that none starves', () => {
		const chains = Array.from({ length: 199 }, (_, i) => ({
			id: `c${i}`,
			trigger: trigger(),
			steps: [spin(cheap())]
		}));
		const last = {
			id: 'last',
			trigger: trigger(),
			steps: [wait(0.5), step('log', { value: 'x' })]
		};
		const { log } = rehearse({ ...planOf([]), chains: [...chains, last] }, 1);
		expect(log.map(({ time }) => time)).toEqual([0.5]);
	});

	it('ends a rehearsal that has used it up, and names the step', () => {
		const sides = Array.from({ length: 900 }, () => [spin(cheap())]);
		const { outcome } = rehearse(planOf([together(...sides)]));
		expect(outcome).toMatchObject({ kind: 'timeout', reason: { key: 'outcome.usedUp' } });
		expect(outcome.reason.values!.number).toBeGreaterThan(0);
		expect(outcome.seconds).toBeLessThan(60);
	});

	it('counts long expressions, copied lists and melodies as more than a step', () => {
		const spentOn = (steps: Step[]) => {
			const program = compile(planOf(steps), [skiff]);
			const budget = new Budget(120, 1);
			const nothing = () => {};
			const observer = {
				started: nothing,
				ended: nothing,
				ran: nothing,
				noted: nothing,
				ordered: nothing
			};
			const port = { begin: () => ({ isOver: () => true }), read: () => 0 };
			const own = {
				observer,
				port,
				chance: () => 0,
				cells: emptyCells(program.variables)
			};
			const shared = { budget, send: nothing };
			const [{ steps: list }] = program.chains as [(typeof program.chains)[number]];
			const thread = new Thread(list, own as never, shared as never);
			for (let tick = 0; !thread.isOver; tick++) thread.tick(tick);
			return budget.total - budget.left;
		};
		const list = [
			step('newList', { variable: 'a' }),
			...Array.from({ length: 1000 }, () => step('addItem', { value: 1, variable: 'a' }))
		];
		const copied = step('set', { variable: 'b', value: { expression: 'a' } });
		const long = Array.from({ length: 8 }, () => 'min(n,n,n,n,n,n,n,n)').join('+');
		const notes = Array.from({ length: 200 }, () => 'C4').join(' ');
		const one = spentOn([cheap()]);
		expect(one).toBeLessThanOrEqual(2);
		expect(spentOn([...list, copied]) - spentOn(list)).toBeGreaterThanOrEqual(20);
		expect(spentOn([step('set', { variable: 'b', value: { expression: long } })])).toBe(
			one + Math.floor(79 / 4)
		);
		expect(spentOn([step('melody', { notes, tempo: 100, then: 'carryOn' })])).toBe(one + 200);
	});

	it('says what there is no room to record, and for which step', () => {
		const { notes } = rehearse(planOf([spin(step('log', { value: 'here' }))]), 1);
		const full = notes.find(({ sentence }) => sentence.key === 'note.full.log');
		expect(full?.sentence.values?.number).toBe(4);
		const beep = { notes: 'C8:1/16', tempo: 400, then: 'carryOn' };
		const tones = rehearse(planOf([spin(step('melody', beep), wait(0.02))]), 600);
		expect(tones.tones.length).toBe(20_000);
		expect(tones.notes[0]!.sentence.key).toBe('note.full.tones');
	});
});

describe('checks', () => {
	it('sum up many problems of one kind', () => {
		const plan = planOf(Array.from({ length: 3000 }, () => call('nowhere')));
		const problems = checkPlan(plan);
		expect(problems.length).toBeLessThan(120);
		expect(problems.at(-1)!.sentence).toMatchObject({
			key: 'check.more',
			values: { count: 2900 }
		});
		const drivers = Array.from({ length: 200 }, (_, i) => ({
			id: `c${i}`,
			trigger: trigger(),
			steps: [step('go', { direction: 'forward', distance: 1, speed: 0.4 })]
		}));
		const wheels = checkPlan({ ...planOf([]), chains: drivers });
		expect(wheels.length).toBeLessThan(120);
	});
});
