import { helpers } from '../helpers';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readDocument, writeDocument } from '../document';
import { definitionOf, stepKinds, triggerKinds } from '../steps/catalogue';
import { emptyStep, valueFor } from '../testing/random-plan';
import { go, lamp, planOf, repeat, right, trigger } from '../testing/sample';
import type { Edit } from './edits';
import { perform, redo, startHistory, undo, type PlanHistory } from './history';
import { locateSteps, placesInOrder } from './places';
import { planFormat, planRobot, planSchema, type Plan, type Step } from './plan';
import { runs } from '../testing/runs';

const sample = (): Plan => planOf([go(0.6), repeat(3, [right(90), lamp('#ff0000')]), go(0.2)]);

/** Numbers that pick an edit: what it does, to what, and where. */
const picks = fc.array(fc.array(fc.nat(1_000_000), { minLength: 5, maxLength: 5 }), {
	minLength: 1,
	maxLength: 12
});

/** The edit that these numbers mean for this plan. Some are refused, as a person's are. */
function editFor(
	plan: Plan,
	[what, which, where, kind, value]: number[],
	fresh: () => string
): Edit {
	const pick = <T>(list: readonly T[], number: number): T => list[number % list.length]!;
	const steps = [...locateSteps(plan).values()];
	const made = pick(stepKinds, kind!);
	const places = placesInOrder(plan, made.kind);
	const chain = plan.chains.length > 0 ? pick(plan.chains, which!) : undefined;
	/** Every other one with values of all sorts. */
	const filled = (kind: string): Step => {
		if (value! % 2) return emptyStep(kind, fresh());
		const slots = Object.entries(definitionOf(kind).values);
		const values = slots.map(([name, slot], index) => [name, valueFor(slot, value! + index)]);
		return emptyStep(kind, fresh(), Object.fromEntries(values));
	};
	const makeStep = (): Step => filled(made.kind);
	const started = (): Step => filled(pick(triggerKinds, kind!).kind);
	switch (what! % 9) {
		case 0:
			return value! % 3 === 0
				? { type: 'setHelpers', off: helpers.filter((_, i) => (value! >> (i + 2)) % 2 === 0) }
				: { type: 'rename', name: `Reed maze ${value}` };
		case 1:
			return {
				type: 'addChain',
				index: where! % (plan.chains.length + 1),
				chain: { id: fresh(), trigger: value! % 2 ? started() : null, steps: [makeStep()] }
			};
		case 2:
			return { type: 'removeChain', chain: chain?.id ?? 'gone' };
		case 3:
			return chain?.trigger
				? { type: 'untie', chain: chain.id }
				: { type: 'tie', chain: chain?.id ?? 'gone', trigger: started() };
	}
	if (places.length === 0) return { type: 'rename', name: 'Empty quay' };
	const place = pick(places, where!);
	if (what! % 9 === 4 || steps.length === 0) {
		return { type: 'insert', ...place, steps: [makeStep()] };
	}
	const { step, place: from } = pick(steps, which!);
	if (what! % 9 === 5) return { type: 'remove', ...from, count: 1 + (value! % 2) };
	if (what! % 9 === 6) {
		const definitions = Object.entries(definitionOf(step.kind).values);
		if (definitions.length === 0) return { type: 'setOff', step: step.id, off: value! % 2 === 0 };
		const [name, definition] = pick(definitions, kind!);
		return { type: 'setValue', step: step.id, name, value: valueFor(definition, value!) };
	}
	if (what! % 9 === 7) {
		if (value! % 3 === 0)
			return { type: 'setComment', step: step.id, text: ['', 'Mind the reeds'][kind! % 2]! };
		if (value! % 3 === 1) return { type: 'setOff', step: chain?.trigger?.id ?? step.id, off: true };
		return robotEdit(plan, value!, chain?.id ?? '');
	}
	return { type: 'move', from, count: 1 + (value! % 2), to: place };
}

/** Robots come, change, are given a chain, and go. */
function robotEdit({ robots }: Plan, value: number, chain: string): Edit {
	const { id } = robots[value % robots.length]!;
	const settings = { left: 'B', right: 'A' };
	const wick = { kind: 'skiffLite', name: 'Wick', settings };
	if (value % 4 === 0) return { type: 'setRobot', robot: { id, ...wick } };
	if (value % 4 === 1)
		return { type: 'addRobot', index: value % 3, robot: planRobot(wick, robots) };
	if (value % 4 === 2) return { type: 'assign', chain, robot: value % 8 === 2 ? null : id };
	return { type: 'removeRobot', robot: id };
}

describe('edits', () => {
	it('can all be undone, and every plan on the way fits its schema', () => {
		fc.assert(
			fc.property(picks, (sequence) => {
				const first = sample();
				let history: PlanHistory = startHistory(first);
				let made = 0;
				const seen: Plan[] = [first];
				for (const numbers of sequence) {
					const edit = editFor(history.document, numbers, () => `n${(made += 1)}`);
					const performed = perform(history, edit);
					if (!performed.ok) continue;
					history = performed.value;
					seen.push(history.document);
					expect(planSchema.safeParse(history.document).error).toBeUndefined();
				}
				const last = history.document;
				for (let i = seen.length - 2; i >= 0; i--) {
					const undone = undo(history);
					if (!undone.ok) throw new Error(undone.failure.key);
					history = undone.value;
					expect(history.document).toEqual(seen[i]);
				}
				expect(writeDocument(history.document)).toBe(writeDocument(first));
				for (let again = redo(history); again.ok; again = redo(history)) history = again.value;
				expect(history.document).toEqual(last);
				expect(readDocument(writeDocument(last), planFormat)).toEqual({
					ok: true,
					value: last
				});
			}),
			{ numRuns: runs(500, 10_000), seed: 2026 }
		);
	}, 240_000);

	const refuse = (edit: Edit, plan = sample()) => {
		const result = perform(startHistory(plan), edit);
		return result.ok ? 'accepted' : result.failure.key;
	};

	it('refuse what would break the plan, with a sentence', () => {
		const plan = sample();
		const [{ id: chain, steps }] = plan.chains as [Plan['chains'][0]];
		const loop = steps[1]!;
		const from = { holder: chain, index: 1 };
		expect(refuse({ type: 'move', from, count: 1, to: { holder: loop.id, index: 0 } }, plan)).toBe(
			'edit.intoItself'
		);
		expect(refuse({ type: 'setValue', step: loop.id, name: 'times', value: 0 }, plan)).toBe(
			'edit.valueRefused'
		);
		expect(refuse({ type: 'insert', holder: chain, index: 9, steps: [go(1)] }, plan)).toBe(
			'edit.noPlace'
		);
		expect(refuse({ type: 'insert', holder: chain, index: 0, steps: [loop] }, plan)).toBe(
			'edit.repeatedId'
		);
		expect(refuse({ type: 'rename', name: ' ' }, plan)).toBe('edit.nameRefused');
		const far = { ...go(0.2), values: { direction: 'forward', distance: 5000, speed: 9 } };
		expect(refuse({ type: 'insert', holder: chain, index: 0, steps: [far] }, plan)).toBe(
			'document.tooBig'
		);
		expect(
			refuse({ type: 'addChain', index: 0, chain: { id: 'c', trigger: null, steps: [far] } }, plan)
		).toBe('document.tooBig');
		expect(
			perform(startHistory({ ...plan, chains: [{ id: 'c', trigger: null, steps: [] }] }), {
				type: 'tie',
				chain: 'c',
				trigger: { ...trigger(), values: { speed: 1 } }
			})
		).toMatchObject({
			failure: { key: 'document.unknownField', values: { place: 'trigger.values' } }
		});
		const deep = Array.from({ length: 13 }).reduce<Step[]>((body) => [repeat(2, body)], []);
		expect(refuse({ type: 'insert', holder: loop.id, index: 0, steps: deep }, plan)).toBe(
			'edit.tooDeep'
		);
	});

	it('that fail half-way change nothing', () => {
		const plan = sample();
		const chain = plan.chains[0]!.id;
		const together: Edit = {
			type: 'together',
			edits: [
				{ type: 'untie', chain },
				{ type: 'untie', chain }
			]
		};
		const history = startHistory(plan);
		expect(perform(history, together)).toEqual({
			ok: false,
			failure: { key: 'edit.notTied', values: undefined }
		});
		expect(history.document).toEqual(plan);
	});
});
