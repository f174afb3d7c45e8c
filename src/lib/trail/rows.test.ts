import { describe, expect, it } from 'vitest';
import type { Problem } from '$core/checks';
import { planOf, repeat, go, step, wait } from '$core/testing/sample';
import { stepOf, keyAfter, placeAbove, placeAfter, rowsOf, type Row } from './rows';

const first = wait(1);
const inner = go(0.2);
const loop = repeat(2, [inner]);
const branch = step('when', {}, []);
const choice = step('choose', {}, [branch]);
const empty = repeat(3, []);
const plan = planOf([first, loop, choice, empty]);
const chain = plan.chains[0]!;

const briefly = (row: Row) => `${row.depth} ${row.key}`;
const usual = rowsOf(plan);
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
		const rows = rowsOf(plan, undefined, { folded: new Set([loop.id]) });
		expect(rows.map(({ key }) => key)).not.toContain(inner.id);
		expect(rowOf(loop.id, rows)).toMatchObject({ folded: 1 });
		expect(rows).toHaveLength(usual.length - 2);
	});

	it('are taken over while nothing of them changes', () => {
		const before = new Map(usual.map((row) => [row.key, row]));
		expect(rowsOf(plan, before).every((row, index) => row === usual[index])).toBe(true);
		const changed = { ...plan, chains: [{ ...chain, steps: [wait(2), ...chain.steps] }] };
		const rows = rowsOf(changed, before);
		expect(rowOf(inner.id, rows)).not.toBe(rowOf(inner.id));
		expect(rowOf(`${loop.id}-bud`, rows)).toBe(rowOf(`${loop.id}-bud`));
	});

	it('are higher by a comment, a problem and more lines, all of it zoomed', () => {
		const plain = rowOf(first.id).height;
		const problem = { id: first.id, sentence: { key: 'check.unlit' } } as Problem;
		const said = { ...first, comment: 'Wait here.' };
		const [, row] = rowsOf(planOf([said]), undefined, {
			problems: new Map([[first.id, problem]]),
			tagHeight: () => 36,
			zoom: 2
		});
		expect(row!.height).toBe(2 * (plain + 36 + 22 + 34));
	});

	it('are unlit below a step that is switched off, and in a chain without a trigger', () => {
		const off = rowsOf(planOf([{ ...loop, off: true }]));
		expect(off.filter(({ isLit }) => !isLit).map(({ key }) => key)).toEqual([
			loop.id,
			inner.id,
			`${loop.id}-bud`
		]);
		const aside = { ...plan, chains: [{ ...chain, trigger: null }] };
		expect(rowsOf(aside).some(({ isLit }) => isLit)).toBe(false);
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
