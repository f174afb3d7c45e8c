import { describe, expect, it } from 'vitest';
import type { Problem } from '$core/checks';
import { locateSteps, stepsIn, withStepsIn } from '$core/plan/places';
import type { Plan } from '$core/plan/plan';
import { got } from '$core/testing/got';
import { planFrom } from '$core/testing/random-plan';
import { planOf, repeat, go, step, wait } from '$core/testing/sample';
import { rowListOf, type RowList, type RowLook } from './row-list';
import { stepOf, keyAfter, placeAbove, placeAfter, type Row } from './rows';

const first = wait(1);
const inner = go(0.2);
const loop = repeat(2, [inner]);
const branch = step('when', {}, []);
const choice = step('choose', {}, [branch]);
const empty = repeat(3, []);
const plan = planOf([first, loop, choice, empty]);
const chain = plan.chains[0]!;

const briefly = (row: Row) => `${row.depth} ${row.key}`;
const list = rowListOf(plan);
const usual = list.rows;
const rowOf = (key: string, rows = usual) => rows.find((row) => row.key === key)!;

describe('the rows of a plan', () => {
	it('are its head, its steps and the end of each list, with a branch on the cord of its choice', () => {
		expect(usual.map(briefly)).toEqual([
			`0 ${chain.id}-head`,
			`0 ${first.id}`,
			`0 ${loop.id}`,
			`1 ${inner.id}`,
			`1 ${loop.id}-bud`,
			`0 ${choice.id}`,
			`0 ${branch.id}`,
			`1 ${branch.id}-bud`,
			`0 ${choice.id}-bud`,
			`0 ${empty.id}`,
			`1 ${empty.id}-bud`,
			`0 ${chain.id}-bud`
		]);
	});

	it('leave out what is folded, and say how much that is', () => {
		const { rows } = rowListOf(plan, { folded: new Set([loop.id]) }, list);
		expect(rows.map(({ key }) => key)).not.toContain(inner.id);
		expect(rowOf(loop.id, rows)).toMatchObject({ folded: 1 });
		expect(rows).toHaveLength(usual.length - 2);
	});

	it('are taken over while nothing of them changes', () => {
		const again = rowListOf(plan, {}, list).rows;
		expect(again.every((row, index) => row === usual[index])).toBe(true);
		const changed = { ...plan, chains: [{ ...chain, steps: [wait(2), ...chain.steps] }] };
		const { rows } = rowListOf(changed, {}, list);
		expect(rowOf(loop.id, rows)).not.toBe(rowOf(loop.id));
		expect(rowOf(inner.id, rows)).toBe(rowOf(inner.id));
	});

	it('are the same from the list before as made anew, whatever is changed, folded and opened', () => {
		for (let seed = 1; seed <= 30; seed++) {
			let drawn = seed;
			const below = (count: number) => (drawn = (drawn * 48271) % 2147483647) % count;
			const range = Array.from({ length: 9 }, () => below(1000));
			let [changed, folded, open]: [Plan, ReadonlySet<string>, RowLook['open']] = [
				planFrom(range),
				new Set(),
				null
			];
			let last: RowList | undefined;
			for (let round = 0; round < 30; round++) {
				const all = [...locateSteps(changed).values()];
				const { step, place } = all[below(all.length)] ?? { step: first, place: null };
				const holder = place?.holder ?? changed.chains[0]!.id;
				const beside = got(stepsIn(changed, holder));
				const acts = [
					() => (changed = withStepsIn(changed, holder, beside.toReversed())),
					() => (changed = withStepsIn(changed, holder, beside.slice(1))),
					() => (changed = withStepsIn(changed, holder, [wait(round), ...beside])),
					() => (folded = new Set(below(2) ? [step.id] : [])),
					() => (open = below(3) ? { place: { holder, index: 1 }, heightAt: () => 200 } : null)
				];
				acts[below(acts.length)]!();
				last = rowListOf(changed, { folded, open }, last);
				expect(last.rows).toEqual(rowListOf(changed, { folded, open }).rows);
			}
		}
	});

	it('are higher by a comment, a problem and more lines, all of it zoomed', () => {
		const plain = rowOf(first.id).height;
		const problem = { id: first.id, sentence: { key: 'check.unlit' } } as Problem;
		const said = { ...first, comment: 'Wait here.' };
		const [, row] = rowListOf(planOf([said]), {
			problems: new Map([[first.id, problem]]),
			tagHeight: () => 36,
			zoom: 2
		}).rows;
		expect(row!.height).toBe(2 * (plain + 36 + 22 + 34));
	});

	it('are unlit below a step that is switched off, and in a chain without a trigger', () => {
		const off = rowListOf(planOf([{ ...loop, off: true }])).rows;
		expect(off.filter(({ isLit }) => !isLit).map(({ key }) => key)).toEqual([
			loop.id,
			inner.id,
			`${loop.id}-bud`
		]);
		const aside = { ...plan, chains: [{ ...chain, trigger: null }] };
		expect(rowListOf(aside).rows.some(({ isLit }) => isLit)).toBe(false);
	});
});

describe('a place for a step', () => {
	it('is above a row, and after it', () => {
		const head = rowOf(`${chain.id}-head`);
		expect(placeAbove(head)).toBeNull();
		expect(placeAfter(head)).toEqual({ holder: chain.id, index: 0 });
		expect(placeAbove(rowOf(loop.id))).toEqual({ holder: chain.id, index: 1 });
		expect(placeAfter(rowOf(loop.id))).toEqual({ holder: chain.id, index: 2 });
		expect(placeAfter(rowOf(`${loop.id}-bud`))).toEqual({ holder: loop.id, index: 1 });
	});

	it('is wanted next in what was added, if that is empty, or else behind it', () => {
		const next = (id: string) => keyAfter(plan, id);
		expect(next(first.id)).toBe(first.id);
		expect(next(loop.id)).toBe(loop.id);
		expect(next(empty.id)).toBe(`${empty.id}-bud`);
		expect(next(choice.id)).toBe(`${branch.id}-bud`);
		expect(next(chain.id)).toBe(`${chain.id}-head`);
	});
});

it('a row knows its step or trigger', () => {
	expect(stepOf(rowOf(first.id))).toBe(first.id);
	expect(stepOf(usual[0]!)).toBe(chain.trigger!.id);
	expect(stepOf(rowOf(`${chain.id}-bud`))).toBeUndefined();
});
