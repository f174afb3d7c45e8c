import fc from 'fast-check';
import { expect, it, vi } from 'vitest';
import { planSchema, type Plan } from '$core/plan/plan';
import { findStep } from '$core/plan/places';
import { planFrom } from '$core/testing/random-plan';
import { go, lamp, planOf, repeat } from '$core/testing/sample';
import { Editing } from './editing.svelte';
import { deskOf, idsOf } from './testing';

function editingOf(plan: Plan) {
	const { desk, voice, bench } = deskOf(plan);
	return { desk, voice, editing: new Editing(bench) };
}

type Does = (editing: Editing, id: string, plan: Plan) => void;
/** What a person can do to a step or its chain. */
const all: Readonly<Record<string, Does>> = {
	remove: (editing, id) => editing.remove(id),
	duplicate: (editing, id) => editing.duplicate(id),
	repeat: (editing, id) => editing.wrap(id, 'repeat'),
	choose: (editing, id) => editing.wrap(id, 'choose'),
	unwrap: (editing, id) => editing.unwrap(id),
	off: (editing, id) => editing.switchOff(id),
	comment: (editing, id) => editing.comment(id, 'why'),
	cut: (editing, id, plan) => {
		const text = editing.cut(id);
		if (text) editing.paste({ holder: plan.chains[0]!.id, index: 0 }, text);
	},
	select: (editing, id) => editing.selection.extend(id, 1),
	chain: (editing) => editing.addChain('whenRunPressed'),
	tie: (editing, _, { chains }) => editing.tie(chains.at(-1)!.id),
	tieToLit: (editing, _, { chains }) => editing.tieToLit(chains.at(-1)!.id)
};

it('leaves a whole plan after whatever is done, and undo goes all the way back', () => {
	vi.stubGlobal('localStorage', undefined);
	const does = fc.array(fc.tuple(fc.constantFrom(...Object.keys(all)), fc.nat()), {
		maxLength: 12
	});
	const numbers = fc.array(fc.nat(1e6), { minLength: 4, maxLength: 40 });
	fc.assert(
		fc.property(numbers, does, (list, done) => {
			const before = planFrom(list);
			const { desk, editing } = editingOf(before);
			for (const [name, which] of done) {
				const ids = idsOf(desk.document);
				if (ids.length > 0) all[name]!(editing, ids[which % ids.length]!, desk.document);
				const now = idsOf(desk.document);
				expect(new Set(now).size, name).toBe(now.length);
				expect(planSchema.safeParse(desk.document).error, name).toBeUndefined();
			}
			while (desk.canUndo) desk.undo();
			expect(desk.document).toEqual(before);
		}),
		{ numRuns: 100 }
	);
});

it('hangs what is selected in a loop, and takes the loop away again', () => {
	const steps = [go(0.1), go(0.2), lamp('#ffffff')];
	const { desk, editing } = editingOf(planOf(steps));
	editing.selection.extend(steps[0]!.id, 1);
	editing.wrap(steps[0]!.id, 'repeat');
	const [loop, last] = desk.document.chains[0]!.steps;
	expect(loop).toMatchObject({ kind: 'repeat', body: [steps[0], steps[1]] });
	expect(last).toEqual(steps[2]);
	editing.unwrap(loop!.id);
	expect(desk.document.chains[0]!.steps).toEqual(steps);
});

it('says why something was not pasted, and changes nothing', () => {
	const { desk, voice, editing } = editingOf(planOf([go(0.1)]));
	const before = desk.document;
	expect(editing.paste({ holder: before.chains[0]!.id, index: 0 }, '{"no":"steps"}')).toBe(null);
	expect(voice.notice).toMatch(/^Nothing was pasted\./);
	expect(desk.document).toBe(before);
});

it('opens what is folded around a step, and nothing else', () => {
	const inner = go(0.1);
	const [outer, other] = [repeat(2, [inner]), repeat(3, [go(0.2)])];
	const { desk, editing } = editingOf(planOf([outer, other]));
	editing.fold(outer.id);
	editing.fold(other.id);
	editing.unfoldAround(inner.id);
	expect(editing.folded).toEqual([other.id]);
	expect(findStep(desk.document, inner.id)).toBeDefined();
});
