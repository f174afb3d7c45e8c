/**
 * What a person does with steps and chains on the trail, each as one edit: add, remove, move, pick
 * up and put down, select, copy, wrap. It works on the selection, or on one step when none is made.
 */
import type { Edit } from '$core/plan/edits';
import { perform, type History } from '$core/plan/history';
import { findStep, locateSteps, placesInOrder, stepsIn, type Place } from '$core/plan/places';
import { isLit, numberSteps, type Chain, type Plan, type Step } from '$core/plan/plan';
import { takeIn } from '$core/plan/take-in';
import { routinesOf } from '$core/plan/variables';
import { readSteps, withNewIds, writeSteps } from '$core/plan/snippet';
import { tieEdit } from '$core/plan/checks/chains';
import type { Repair } from '$core/plan/checks';
import { definitionOf, initialValues } from '$core/steps/catalogue';
import type { Value, Values } from '$core/steps/definition';
import { say, t } from '$lib/i18n';
import { newId } from '$lib/saving/id';
import type { Workbench } from '$lib/workbench/workbench.svelte';
import { wordsOf } from './words';

/** Where copied steps are kept on the device, so that they can be pasted into another plan. */
const clipboardKey = 'lantern-step.copied';

interface PickedUp {
	readonly step: Step;
	readonly before: History;
	/** Where it can go, as the plan stood before; null is a new chain at the side. */
	readonly places: readonly (Place | null)[];
	index: number;
}

/** Steps that hang one after the other. */
interface Run {
	readonly holder: string;
	readonly index: number;
	readonly steps: readonly Step[];
}

/** What a new step holds, so that it can be used at once. */
function bodyOf(kind: string): Step[] | undefined {
	const { hasBody, branches } = definitionOf(kind);
	if (!hasBody) return undefined;
	if (!branches) return [];
	const kinds = branches.length > 1 ? branches : [...branches, ...branches];
	return kinds.map((branch) => makeStep(branch));
}

function makeStep(kind: string, values: Values = initialValues(kind)): Step {
	const body = bodyOf(kind);
	return { id: newId(), kind, values: { ...values }, ...(body ? { body } : {}) };
}

export class Editing {
	pickedUp = $state.raw<PickedUp | null>(null);
	/** Steps that are folded. */
	folded = $state.raw<readonly string[]>([]);
	private selection = $state.raw<{ from: string; to: string } | null>(null);

	/** The selected steps. */
	readonly selected: readonly Step[] = $derived.by(() => {
		const run = this.selection && this.runBetween(this.selection.from, this.selection.to);
		return run?.steps ?? [];
	});

	isSelected(id: string): boolean {
		return this.selected.some((step) => step.id === id);
	}

	constructor(private readonly bench: Workbench) {}

	private get plan() {
		return this.bench.plan;
	}

	// --- selecting ---

	/** From one step to another in the same list; across lists it stays as it is. */
	select(from: string, to: string): void {
		if (!this.runBetween(from, to)) return;
		this.selection = { from, to };
		this.bench.announce(t('say.selected', { count: this.selected.length }));
	}

	/** Takes the next or the one before into the selection. */
	extend(id: string, by: -1 | 1): void {
		const { from, to } = this.selection ?? { from: id, to: id };
		const located = locateSteps(this.plan).get(to);
		if (!located) return;
		const list = stepsIn(this.plan, located.place.holder);
		const next = list.ok ? list.value[located.place.index + by] : undefined;
		if (!next) return;
		this.select(from, next.id);
		this.bench.focusOn(next.id);
	}

	/** As `extend` downwards, from any step of the selection: for fingers, which have no Shift. */
	selectNext(id: string): void {
		const last = this.isSelected(id) ? this.selected.at(-1)!.id : id;
		const first = this.isSelected(id) ? this.selected[0]!.id : id;
		const { place } = locateSteps(this.plan).get(last)!;
		const list = stepsIn(this.plan, place.holder);
		const next = list.ok ? list.value[place.index + 1] : undefined;
		if (next) this.select(first, next.id);
	}

	clearSelection(): void {
		this.selection = null;
	}

	private runBetween(from: string, to: string): Run | undefined {
		const located = locateSteps(this.plan);
		const [a, b] = [located.get(from)?.place, located.get(to)?.place];
		if (!a || !b || a.holder !== b.holder) return undefined;
		const list = stepsIn(this.plan, a.holder);
		if (!list.ok) return undefined;
		const index = Math.min(a.index, b.index);
		return {
			holder: a.holder,
			index,
			steps: list.value.slice(index, Math.max(a.index, b.index) + 1)
		};
	}

	/** The selection, if this step is in it; otherwise the step alone. */
	private runOf(id: string): Run | undefined {
		const { selection } = this;
		if (selection && this.isSelected(id)) return this.runBetween(selection.from, selection.to);
		return this.runBetween(id, id);
	}

	private wordsFor({ steps }: Run): string {
		return steps.length === 1 ? wordsOf(steps[0]!) : t('say.steps', { count: steps.length });
	}

	// --- adding and removing ---

	/** @returns the id of the new step */
	addStep(place: Place, kind: string, values?: Values): string | null {
		const step = makeStep(kind, values);
		const news = t('say.added', { step: wordsOf(step) });
		return this.bench.edit({ type: 'insert', ...place, steps: [step] }, news) ? step.id : null;
	}

	/** @returns the id of the last of them */
	addSteps(place: Place, steps: readonly Step[]): string | null {
		const made = withNewIds(steps, newId);
		const news = t('say.addedSteps', { count: made.length });
		const isDone = this.bench.edit({ type: 'insert', ...place, steps: made }, news);
		return isDone ? made.at(-1)!.id : null;
	}

	remove(id: string): void {
		const run = this.runOf(id);
		const chain = locateSteps(this.plan).get(id)?.chain;
		if (!run || !chain) return;
		const { holder, index, steps } = run;
		const news = t('say.removed', { step: this.wordsFor(run) });
		const isAll = !chain.trigger && holder === chain.id && steps.length === chain.steps.length;
		this.clearSelection();
		if (isAll) this.bench.edit({ type: 'removeChain', chain: chain.id }, news);
		else this.bench.edit({ type: 'remove', holder, index, count: steps.length }, news);
	}

	duplicate(id: string): void {
		const run = this.runOf(id);
		if (!run) return;
		const place = { holder: run.holder, index: run.index + run.steps.length };
		const last = this.addSteps(place, run.steps);
		if (last) this.bench.focusOn(last);
	}

	/** Takes the step of another kind in the place of a chain's trigger. */
	setTrigger(chain: Chain, kind: string, values?: Values): void {
		const trigger = makeStep(kind, values);
		const edits: Edit[] = [{ type: 'tie', chain: chain.id, trigger }];
		if (chain.trigger) edits.unshift({ type: 'untie', chain: chain.id });
		const news = t('say.trigger', { trigger: wordsOf(trigger) });
		this.bench.edit({ type: 'together', edits }, news);
	}

	/** Takes a saved plan in as a routine. @returns the id of its chain */
	takeIn(saved: Plan): string | null {
		const taken = takeIn(this.plan, saved, newId);
		if (!taken.ok) {
			this.bench.refuse(say(taken.failure));
			return null;
		}
		const { edit, name, leftOut } = taken.value;
		if (!this.bench.edit(edit, t('say.takenIn', { name, leftOut }))) return null;
		return routinesOf(this.plan).get(name)?.id ?? null;
	}

	// --- moving ---

	/** Moves a step, or the selection it is in, to a place, or to a new unlit chain at the side. */
	move(id: string, to: Place | null): boolean {
		const run = this.runOf(id);
		const edit = run && this.moveEdit(run, to);
		if (!edit) return false;
		const news = t('say.putDown', { step: this.wordsFor(run), place: this.describe(to) });
		return this.bench.edit(edit, news);
	}

	/** @returns null when the steps would stay where they are */
	private moveEdit({ holder, index, steps }: Run, to: Place | null): Edit | null {
		const { chain } = locateSteps(this.plan).get(steps[0]!.id)!;
		const count = steps.length;
		if (to?.holder === holder && to.index >= index && to.index <= index + count) return null;
		const isAlone = chain.steps.length === count && holder === chain.id && !chain.trigger;
		if (!to && isAlone) return null;
		const edits: Edit[] = [];
		const aside = { id: newId(), trigger: null, steps: [] };
		if (!to) edits.push({ type: 'addChain', index: this.plan.chains.length, chain: aside });
		const from = { holder, index };
		edits.push({ type: 'move', from, count, to: to ?? { holder: aside.id, index: 0 } });
		if (isAlone) edits.push({ type: 'removeChain', chain: chain.id });
		return { type: 'together', edits };
	}

	pickUp(id: string): void {
		const located = locateSteps(this.plan).get(id);
		if (!located) return;
		this.clearSelection();
		const { holder, index } = located.place;
		const places: (Place | null)[] = placesInOrder(this.plan, located.step.kind, id).filter(
			(place) => !(place.holder === holder && place.index === index + 1)
		);
		const here = places.findIndex((place) => place?.holder === holder && place.index === index);
		if (!definitionOf(located.step.kind).isBranch) places.push(null);
		this.pickedUp = { step: located.step, before: this.bench.history, places, index: here };
		this.bench.announce(t('say.pickedUp', { step: wordsOf(located.step) }));
	}

	/** Moves the picked-up step along the places of the trail; nothing is saved yet. */
	movePickedUp(by: -1 | 1): void {
		const picked = this.pickedUp;
		if (!picked) return;
		const index = picked.index + by;
		if (index < 0 || index >= picked.places.length) return;
		this.bench.tryOut(picked.before);
		const to = picked.places[index]!;
		const run = this.runOf(picked.step.id);
		const edit = run && this.moveEdit(run, to);
		const performed = edit ? perform(picked.before, edit) : null;
		this.pickedUp = { ...picked, index };
		if (performed && !performed.ok) {
			this.bench.announce(say(performed.failure));
			return;
		}
		const place = this.describe(to);
		if (performed) this.bench.tryOut(performed.value);
		this.bench.focusOn(picked.step.id);
		this.bench.announce(t('say.at', { step: wordsOf(picked.step), place }));
	}

	putDown(): void {
		const picked = this.pickedUp;
		if (!picked) return;
		const place = this.describe(picked.places[picked.index] ?? null, picked.before.plan);
		this.pickedUp = null;
		this.bench.keep(picked.before);
		this.bench.announce(t('say.putDown', { step: wordsOf(picked.step), place }));
	}

	putBack(): void {
		const picked = this.pickedUp;
		if (!picked) return;
		this.bench.tryOut(picked.before);
		this.pickedUp = null;
		this.bench.focusOn(picked.step.id);
		this.bench.announce(t('say.putBack', { step: wordsOf(picked.step) }));
	}

	/** One place up or down, in one go. */
	nudge(id: string, by: -1 | 1): void {
		this.pickUp(id);
		this.movePickedUp(by);
		this.putDown();
	}

	/** A place in words. */
	private describe(place: Place | null, plan = this.plan): string {
		if (!place) return t('say.placeAside');
		const numbers = numberSteps(plan);
		const holder = findStep(plan, place.holder);
		const steps = holder?.body ?? plan.chains.find(({ id }) => id === place.holder)?.steps ?? [];
		const before = steps[place.index - 1];
		const number = before && numbers.get(before.id);
		if (number) return t('say.placeAfter', { number });
		if (holder && numbers.has(holder.id)) {
			return t('say.placeInLoop', { number: numbers.get(holder.id)! });
		}
		return holder ? t('say.placeInBranch', { branch: wordsOf(holder) }) : t('say.placeFirst');
	}

	// --- copying ---

	/** The picked steps as text; kept on the device as well. */
	copy(id: string): string | null {
		const run = this.runOf(id);
		if (!run) return null;
		const text = writeSteps(run.steps);
		try {
			localStorage.setItem(clipboardKey, text);
		} catch {
			// Without storage, the text on the device's own clipboard still does.
		}
		this.bench.announce(t('say.copied', { step: this.wordsFor(run) }));
		return text;
	}

	cut(id: string): string | null {
		const text = this.copy(id);
		if (text) this.remove(id);
		return text;
	}

	/** What was copied last on this device. */
	get copied(): string | null {
		try {
			return localStorage.getItem(clipboardKey);
		} catch {
			return null;
		}
	}

	/** @returns the id of the last pasted step; a refusal is said and changes nothing */
	paste(place: Place, text: string): string | null {
		const read = readSteps(text);
		if (read.ok) return this.addSteps(place, read.value);
		this.bench.refuse(t('say.notPasted', { reason: say(read.failure) }));
		return null;
	}

	// --- around, off, folded ---

	/** Hangs the picked steps in a new loop or choice. */
	wrap(id: string, kind: string): void {
		const run = this.runOf(id);
		if (!run) return;
		const { holder, index, steps } = run;
		const outer = makeStep(kind);
		const inner = outer.body?.[0]?.id ?? outer.id;
		const edits: Edit[] = [
			{ type: 'insert', holder, index, steps: [outer] },
			{
				type: 'move',
				from: { holder, index: index + 1 },
				count: steps.length,
				to: { holder: inner, index: 0 }
			}
		];
		this.clearSelection();
		const news = t('say.wrapped', { step: wordsOf(outer) });
		if (this.bench.edit({ type: 'together', edits }, news)) this.bench.focusOn(outer.id);
	}

	/** Takes a loop away, or a whole choice, and leaves its steps in its place. */
	unwrap(id: string): void {
		const located = locateSteps(this.plan).get(id);
		if (!located?.step.body) return;
		const { holder, index } = located.place;
		const isChoice = definitionOf(located.step.kind).branches !== undefined;
		const lists = isChoice ? located.step.body : [located.step];
		const edits: Edit[] = lists.toReversed().flatMap(({ id: from, body = [] }): Edit[] => {
			if (body.length === 0) return [];
			const to = { holder, index: index + 1 };
			return [{ type: 'move', from: { holder: from, index: 0 }, count: body.length, to }];
		});
		edits.push({ type: 'remove', holder, index, count: 1 });
		this.bench.edit({ type: 'together', edits }, t('say.unwrapped'));
	}

	switchOff(id: string): void {
		const steps = this.runOf(id)?.steps ?? [findStep(this.plan, id)].filter((step) => !!step);
		const off = !steps.every((step) => step.off);
		const edits = steps.map((step): Edit => ({ type: 'setOff', step: step.id, off }));
		this.bench.edit({ type: 'together', edits }, t(off ? 'say.off' : 'say.on'));
	}

	comment(id: string, text: string): void {
		this.bench.edit({ type: 'setComment', step: id, text }, t('say.commented'));
	}

	fold(id: string): void {
		const others = this.folded.filter((folded) => folded !== id);
		this.folded = others.length < this.folded.length ? others : [...others, id];
	}

	/** Opens what is folded around a step, so that it can be seen. */
	unfoldAround(id: string): void {
		const around =
			locateSteps(this.plan)
				.get(id)
				?.around.map((step) => step.id) ?? [];
		if (around.some((outer) => this.folded.includes(outer))) {
			this.folded = this.folded.filter((folded) => !around.includes(folded));
		}
	}

	setValue(id: string, name: string, value: Value, news: string): boolean {
		const own: Edit = { type: 'setValue', step: id, name, value };
		const calls = name === 'name' ? this.callsOf(findStep(this.plan, id)) : [];
		if (calls.length === 0) return this.bench.edit(own, news);
		const edits = calls.map((step): Edit => ({ type: 'setValue', step, name: 'routine', value }));
		return this.bench.edit({ type: 'together', edits: [own, ...edits] }, news);
	}

	/** The steps that use a routine: when it gets another name, they go on using it. */
	private callsOf(routine: Step | undefined): string[] {
		if (routine?.kind !== 'routine') return [];
		return [...locateSteps(this.plan).values()]
			.filter(({ step }) => step.values.routine === routine.values.name)
			.map(({ step }) => step.id);
	}

	/** Does what a problem offers. */
	repair({ key, edit }: Repair): void {
		this.bench.edit(edit(newId), t('say.repaired', { repair: t(key) }));
	}

	// --- chains ---

	tie(chainId: string): void {
		const trigger = makeStep('whenRunPressed');
		this.bench.edit({ type: 'tie', chain: chainId, trigger }, t('say.tied'));
	}

	/** Hangs the steps of an unlit chain at the end of the first lit one. */
	tieToLit(chainId: string): void {
		const lit = this.plan.chains.find(isLit);
		const chain = this.plan.chains.find(({ id }) => id === chainId);
		if (lit && chain) this.bench.edit(tieEdit(lit, chain), t('say.tied'));
	}

	/** @param kind of its trigger; null for an unlit chain */
	addChain(kind: string | null, values?: Values): string {
		const trigger = kind === null ? null : makeStep(kind, values);
		const chain = { id: newId(), trigger, steps: [] };
		this.bench.edit({ type: 'addChain', index: this.plan.chains.length, chain });
		return chain.id;
	}
}
