/** Moves steps: at once to a place, or carried along the trail by keys until they are put down. */
import type { Edit } from '$core/plan/edits';
import { perform, type PlanHistory } from '$core/plan/history';
import { findStep, locateSteps, placesInOrder, type Place } from '$core/plan/places';
import { numberSteps, type Step } from '$core/plan/plan';
import { definitionOf } from '$core/steps/catalogue';
import { say, t } from '$lib/i18n';
import { newId } from '$lib/saving/id';
import type { Workbench } from './workbench.svelte';
import type { Run, Selection } from './selection.svelte';
import { wordsOf, wordsOfAll } from '$lib/words/step-words';

interface PickedUp {
	readonly step: Step;
	readonly before: PlanHistory;
	/** Where it can go, as the plan stood before; null is a new chain at the side. */
	readonly places: readonly (Place | null)[];
	index: number;
}

export class Moving {
	pickedUp = $state.raw<PickedUp | null>(null);

	constructor(
		private readonly bench: Workbench,
		private readonly selection: Selection
	) {}

	private get plan() {
		return this.bench.plan;
	}

	/** Moves a step, or the selection it is in, to a place, or to a new unlit chain at the side. */
	moveTo(id: string, to: Place | null): boolean {
		const run = this.selection.runOf(id);
		const edit = run && this.moveEdit(run, to);
		if (!edit) return false;
		const news = t('say.putDown', { step: wordsOfAll(run.steps), place: this.describe(to) });
		return this.bench.desk.edit(edit, news);
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
		this.selection.clear();
		const { holder, index } = located.place;
		const places: (Place | null)[] = placesInOrder(this.plan, located.step.kind, id).filter(
			(place) => !(place.holder === holder && place.index === index + 1)
		);
		const here = places.findIndex((place) => place?.holder === holder && place.index === index);
		if (!definitionOf(located.step.kind).isBranch) places.push(null);
		this.pickedUp = { step: located.step, before: this.bench.desk.history, places, index: here };
		this.bench.voice.announce(t('say.pickedUp', { step: wordsOf(located.step) }));
	}

	/** Moves the picked-up step along the places of the trail; nothing is saved yet. */
	carry(by: -1 | 1): void {
		const picked = this.pickedUp;
		if (!picked) return;
		const index = picked.index + by;
		if (index < 0 || index >= picked.places.length) return;
		this.bench.desk.tryOut(picked.before);
		const to = picked.places[index]!;
		const run = this.selection.runOf(picked.step.id);
		const edit = run && this.moveEdit(run, to);
		const performed = edit ? perform(picked.before, edit) : null;
		this.pickedUp = { ...picked, index };
		if (performed && !performed.ok) {
			this.bench.voice.announce(say(performed.failure));
			return;
		}
		const place = this.describe(to);
		if (performed) this.bench.desk.tryOut(performed.value);
		this.bench.voice.focusOn(picked.step.id);
		this.bench.voice.announce(t('say.at', { step: wordsOf(picked.step), place }));
	}

	putDown(): void {
		const picked = this.pickedUp;
		if (!picked) return;
		const place = this.describe(picked.places[picked.index] ?? null, picked.before.document);
		this.pickedUp = null;
		this.bench.desk.keep(picked.before);
		this.bench.voice.announce(t('say.putDown', { step: wordsOf(picked.step), place }));
	}

	putBack(): void {
		const picked = this.pickedUp;
		if (!picked) return;
		this.bench.desk.tryOut(picked.before);
		this.pickedUp = null;
		this.bench.voice.focusOn(picked.step.id);
		this.bench.voice.announce(t('say.putBack', { step: wordsOf(picked.step) }));
	}

	/** One place up or down, in one go. */
	nudge(id: string, by: -1 | 1): void {
		this.pickUp(id);
		this.carry(by);
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
}
