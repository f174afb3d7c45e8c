/**
 * What a person does with steps and chains on the trail, each as one edit: add, remove, copy, wrap.
 * It works on the selection, or on one step when none is made.
 */
import type { Edit } from '$core/plan/edits';
import { findStep, locateSteps, type Place } from '$core/plan/places';
import { isLit, type Chain, type Plan, type Step } from '$core/plan/plan';
import { followers } from '$core/plan/renaming';
import { takeIn } from '$core/plan/take-in';
import { routinesOf } from '$core/plan/variables';
import { readSteps, withNewIds, writeSteps } from '$core/plan/snippet';
import { tieEdit } from '$core/checks/chains';
import type { Repair } from '$core/checks';
import type { LegMend } from '$core/reasons/mend';
import { definitionOf, initialValues } from '$core/steps/catalogue';
import type { Value, Values } from '$core/steps/definition';
import { say, t } from '$lib/i18n';
import type { Doing } from '$core/robots/robot';
import { Copied } from '$lib/copied';
import { newId } from '$lib/saving/id';
import type { Workbench } from './workbench.svelte';
import { Moving } from './moving.svelte';
import { Selection } from './selection.svelte';
import { wordsOf, wordsOfAll } from '$lib/words/step-words';

const copied = new Copied('lantern-step.copied');

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
	/** Steps that are folded. */
	folded = $state.raw<readonly string[]>([]);
	readonly selection: Selection;
	readonly moving: Moving;

	constructor(private readonly bench: Workbench) {
		this.selection = new Selection(bench);
		this.moving = new Moving(bench, this.selection);
	}

	private get plan() {
		return this.bench.plan;
	}

	// --- adding and removing ---

	/** @returns the id of the new step */
	addStep(place: Place, kind: string, values?: Values): string | null {
		const step = makeStep(kind, values);
		const news = t('say.added', { step: wordsOf(step) });
		return this.bench.desk.edit({ type: 'insert', ...place, steps: [step] }, news) ? step.id : null;
	}

	/** @returns the id of the last of them */
	addSteps(place: Place, steps: readonly Step[]): string | null {
		const made = withNewIds(steps, newId);
		const news = t('say.addedSteps', { count: made.length });
		const isDone = this.bench.desk.edit({ type: 'insert', ...place, steps: made }, news);
		return isDone ? made.at(-1)!.id : null;
	}

	/** Steps in the first chain while that is empty; else in a chain of their own, to be tied later. */
	addDriven(doings: readonly Doing[], news: string): void {
		const steps = doings.map(({ kind, values }) =>
			makeStep(kind, { ...initialValues(kind), ...values })
		);
		const empty = this.plan.chains.find((chain) => isLit(chain) && chain.steps.length === 0);
		const edit: Edit = empty
			? { type: 'insert', holder: empty.id, index: 0, steps }
			: {
					type: 'addChain',
					index: this.plan.chains.length,
					chain: { id: newId(), trigger: null, steps }
				};
		if (this.bench.desk.edit(edit, news) && steps[0]) this.bench.voice.focusOn(steps[0].id);
	}

	remove(id: string): void {
		const run = this.selection.runOf(id);
		const chain = locateSteps(this.plan).get(id)?.chain;
		if (!run || !chain) return;
		const { holder, index, steps } = run;
		const news = t('say.removed', { step: wordsOfAll(run.steps) });
		const isAll = !chain.trigger && holder === chain.id && steps.length === chain.steps.length;
		this.selection.clear();
		if (isAll) this.bench.desk.edit({ type: 'removeChain', chain: chain.id }, news);
		else this.bench.desk.edit({ type: 'remove', holder, index, count: steps.length }, news);
	}

	duplicate(id: string): void {
		const run = this.selection.runOf(id);
		if (!run) return;
		const place = { holder: run.holder, index: run.index + run.steps.length };
		const last = this.addSteps(place, run.steps);
		if (last) this.bench.voice.focusOn(last);
	}

	/** Takes the step of another kind in the place of a chain's trigger. */
	setTrigger(chain: Chain, kind: string, values?: Values): void {
		const trigger = makeStep(kind, values);
		const edits: Edit[] = [{ type: 'tie', chain: chain.id, trigger }];
		if (chain.trigger) edits.unshift({ type: 'untie', chain: chain.id });
		const news = t('say.trigger', { trigger: wordsOf(trigger) });
		this.bench.desk.edit({ type: 'together', edits }, news);
	}

	/** Takes a saved plan in as a routine. @returns the id of its chain */
	takeIn(saved: Plan): string | null {
		const taken = takeIn(this.plan, saved, newId);
		if (!taken.ok) {
			this.bench.voice.refuse(say(taken.failure));
			return null;
		}
		const { edit, name, leftOut } = taken.value;
		if (!this.bench.desk.edit(edit, t('say.takenIn', { name, leftOut }))) return null;
		return routinesOf(this.plan).get(name)?.id ?? null;
	}

	// --- copying ---

	/** The picked steps as text; kept on the device as well. */
	copy(id: string): string | null {
		const run = this.selection.runOf(id);
		if (!run) return null;
		const text = writeSteps(run.steps);
		copied.keep(text);
		this.bench.voice.announce(t('say.copied', { step: wordsOfAll(run.steps) }));
		return text;
	}

	cut(id: string): string | null {
		const text = this.copy(id);
		if (text) this.remove(id);
		return text;
	}

	/** What was copied last on this device. */
	get copied(): string | null {
		return copied.text;
	}

	/** @returns the id of the last pasted step; a refusal is said and changes nothing */
	paste(place: Place, text: string): string | null {
		const read = readSteps(text);
		if (read.ok) return this.addSteps(place, read.value);
		this.bench.voice.refuse(t('say.notPasted', { reason: say(read.failure) }));
		return null;
	}

	// --- around, off, folded ---

	/** Hangs the picked steps in a new loop or choice. */
	wrap(id: string, kind: string): void {
		const run = this.selection.runOf(id);
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
		this.selection.clear();
		const news = t('say.wrapped', { step: wordsOf(outer) });
		if (this.bench.desk.edit({ type: 'together', edits }, news)) this.bench.voice.focusOn(outer.id);
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
		this.bench.desk.edit({ type: 'together', edits }, t('say.unwrapped'));
	}

	switchOff(id: string): void {
		const steps =
			this.selection.runOf(id)?.steps ?? [findStep(this.plan, id)].filter((step) => !!step);
		const off = !steps.every((step) => step.off);
		const edits = steps.map((step): Edit => ({ type: 'setOff', step: step.id, off }));
		this.bench.desk.edit({ type: 'together', edits }, t(off ? 'say.off' : 'say.on'));
	}

	comment(id: string, text: string): void {
		this.bench.desk.edit({ type: 'setComment', step: id, text }, t('say.commented'));
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
		const others = followers(this.plan, id, name, value);
		if (others.length === 0) return this.bench.desk.edit(own, news);
		const more = t('say.alsoThere', { count: others.length });
		return this.bench.desk.edit({ type: 'together', edits: [own, ...others] }, `${news} ${more}`);
	}

	/** Several values of one step, as one edit. */
	setValues(id: string, values: Values, news: string): void {
		const edits = Object.entries(values).map(([name, value]): Edit => ({
			type: 'setValue',
			step: id,
			name,
			value
		}));
		this.bench.desk.edit({ type: 'together', edits }, news);
	}

	/** Does what a problem offers. */
	repair({ key, edit }: Repair): void {
		this.bench.desk.edit(edit(newId), t('say.repaired', { repair: t(key) }));
	}

	/** Does what was tried against a reason. */
	mend({ sentence, edit }: LegMend): void {
		const made = edit(this.plan, newId);
		if (made) this.bench.desk.edit(made, t('say.repaired', { repair: say(sentence) }));
	}

	// --- chains ---

	tie(chainId: string): void {
		const trigger = makeStep('whenRunPressed');
		this.bench.desk.edit({ type: 'tie', chain: chainId, trigger }, t('say.tied'));
	}

	/** Hangs the steps of an unlit chain at the end of the first lit one. */
	tieToLit(chainId: string): void {
		const lit = this.plan.chains.find(isLit);
		const chain = this.plan.chains.find(({ id }) => id === chainId);
		if (lit && chain) this.bench.desk.edit(tieEdit(lit, chain), t('say.tied'));
	}

	/** @param kind of its trigger; null for an unlit chain */
	addChain(kind: string | null, values?: Values): string {
		const trigger = kind === null ? null : makeStep(kind, values);
		const chain = { id: newId(), trigger, steps: [] };
		this.bench.desk.edit({ type: 'addChain', index: this.plan.chains.length, chain });
		return chain.id;
	}
}
