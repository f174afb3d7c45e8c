import { describe, expect, it } from 'vitest';
import { checkPlan } from '../../checks';
import { planRobot, type Plan, type Step } from '../../plan/plan';
import { simulate, type Rehearsal } from '../../simulation/simulate';
import { initialValues } from '../../steps/catalogue';
import { courseOf, go, lamp, planOf, step as bare, tone, wait } from '../../testing/sample';
import type { Values } from '../../steps/definition';
import { sampleRobot } from '../robot-document';
import { pinboard } from '.';
import { chassis, wiring, wirings } from './settings';

const step = (kind: string, values: Values = {}): Step =>
	bare(kind, { ...initialValues(kind), ...values });
const pin = (pin: number, state = 'on') => step('pin', { pin, state });

/** @param wired in place of what the board comes with */
const plan = (steps: readonly Step[], wired: Values = {}): Plan => {
	const robot = sampleRobot(pinboard);
	const settings = { ...robot.settings, ...wired };
	return { ...planOf(steps), robots: [planRobot({ ...robot, settings })] };
};

const start = { at: [1, 0.75] as [number, number], bearing: 90 };
const course = courseOf({ starts: [start] });
const rehearse = (plan: Plan, more: Partial<Rehearsal> = {}) => {
	const attempt = simulate({ plan, course, variation: 'ideal', seed: 1, ...more });
	const { trace, tones } = attempt.runs[0]!;
	const [last] = [trace.x.length - 1];
	const way = trace.x[last]! - trace.x[0]!;
	return { attempt, trace, tones, way, turned: trace.heading[last]! - trace.heading[0]! };
};
const keysOf = (plan: Plan) => checkPlan(plan).map(({ sentence }) => sentence.key);

const reversed = { pin1: 'leftBack', pin2: 'leftForward', pin3: 'rightBack', pin4: 'rightForward' };

describe('a pin board', () => {
	it('drives by its pins as by its moves', () => {
		const byPins = rehearse(plan([pin(1), pin(3), wait(2), step('pinsOff')]));
		const byMove = rehearse(plan([step('goFor', { duration: 2, speed: 1 })]));
		expect(byMove.way).toBeCloseTo(2 * chassis.topSpeed, 2);
		expect(byPins.way).toBeCloseTo(byMove.way, 3);
	});

	it('knows no half power', () => {
		const slowly = rehearse(plan([step('goFor', { duration: 2, speed: 0.1 })]));
		expect(slowly.way).toBeCloseTo(2 * chassis.topSpeed, 2);
	});

	it('turns on the spot, and around one wheel', () => {
		const spin = rehearse(plan([step('turnFor', { direction: 'left', duration: 1, speed: 1 })]));
		expect(spin.turned).toBeCloseTo((2 * chassis.topSpeed) / chassis.axle, 1);
		expect(Math.abs(spin.way)).toBeLessThan(0.002);
		const curve = rehearse(plan([step('wheelsFor', { left: 0, right: 1, duration: 1 })]));
		expect(curve.turned).toBeCloseTo(chassis.topSpeed / chassis.axle, 1);
	});

	it('drives the other way round when it is wired the other way round', () => {
		const steps = [step('goFor', { duration: 2, speed: 1 })];
		expect(rehearse(plan(steps, reversed)).way).toBeCloseTo(-rehearse(plan(steps)).way, 6);
	});

	it('refuses both directions of one wheel, as the check foretells, and names the step', () => {
		const sure = [
			plan([pin(5), step('pinsAtOnce', { first: 1, second: 2 }), wait(1)]),
			plan([pin(1), pin(2), wait(1), step('pinsOff')]),
			plan([pin(3), step('pinFor', { pin: 7 }), pin(8)], { pin8: 'rightBack' })
		];
		for (const each of sure) {
			expect(keysOf(each)).toEqual(['check.bothDirections']);
			const { attempt, way } = rehearse(each);
			const [note] = attempt.notes;
			expect(note!.sentence.key).toBe('note.refused.bothDirections');
			const [problem] = checkPlan(each);
			expect(note!.stepId).toBe(problem!.id);
			expect(Math.abs(way)).toBeLessThan(0.3);
		}
		const fine = [
			plan([pin(1), pin(1, 'off'), pin(2), wait(1), step('pinsOff')]),
			plan([pin(1), wait(1), step('pinsOff'), pin(2), wait(1), step('pinsOff')]),
			plan([step('pinFor', { pin: 1 }), step('pinFor', { pin: 2 })]),
			plan([pin(1), { ...pin(2), off: true }, wait(1)])
		];
		for (const each of fine) {
			expect(keysOf(each)).toEqual([]);
			expect(rehearse(each).attempt.notes).toEqual([]);
		}
	});

	it('says of a pin that nothing is wired to it', () => {
		expect(keysOf(plan([pin(5), wait(1)], { pin5: 'nothing' }))).toEqual(['check.nothingWired']);
	});

	it('lights its lamps, sounds its buzzer, and reads its button', () => {
		const steps = [
			pin(6),
			step('pinFor', { pin: 7, duration: 0.5 }),
			step('log', { value: { expression: 'pin8' } }),
			pin(6, 'off'),
			pin(7),
			wait(0.3)
		];
		const { attempt, trace, tones } = rehearse(plan(steps), { touches: [{ time: 0.45 }] });
		expect(trace.columns.pin6![10]).toBe(0x38d39f);
		expect(trace.columns.pin6!.at(-1)).toBe(0);
		expect(tones[0]).toMatchObject({ time: 0, pitch: 2300 });
		expect(tones[0]!.length).toBeCloseTo(0.5, 1);
		expect(attempt.log[0]!.value).toBe(true);
		// It does not sound on when all is over.
		expect(tones.at(-1)!.length).toBeCloseTo(0.3, 1);
	});

	it('does what a Skiff is told in its own way, where it can', () => {
		const told = plan([go(0.5), bare('turn', { direction: 'left', angle: 90 }), lamp('#38d39f')]);
		const sung = plan([tone(440, 0.5)]);
		for (const each of [told, sung]) {
			for (const { repair } of checkPlan(each)) {
				const edit = repair!.edit(() => 'new');
				expect(edit.type).toBe('together');
			}
		}
		const kinds = checkPlan(told).flatMap(({ repair }) => {
			const edit = repair!.edit(() => 'new');
			const made = edit.type === 'together' ? edit.edits[1]! : edit;
			return made.type === 'insert' ? made.steps.map(({ kind }) => kind) : [];
		});
		expect(kinds).toEqual(['goFor', 'turnFor', 'pin']);
	});

	it('can be wired in every way that the settings offer', () => {
		for (const option of wirings) {
			const all = Object.fromEntries(Object.keys(wiring).map((name) => [name, option]));
			const { attempt } = rehearse(plan([pin(1), wait(0.2), step('pinsOff')], all));
			expect(attempt.outcome.kind).toBe('ended');
		}
	});
});
