/**
 * What stands on the workbench: one plan with its history, the course it is tried on, and the last
 * attempts. Every change of the plan goes through `edit`; everything else reads.
 */
import { courseFormat, type Course } from '$core/course/course';
import { checkPlan, type Problem } from '$core/plan/checks';
import type { Edit } from '$core/plan/edits';
import { perform, redo, startHistory, undo, type History } from '$core/plan/history';
import { locateSteps, placesInOrder, type Place } from '$core/plan/places';
import { numberSteps, type Plan, type Step } from '$core/plan/plan';
import type { Variation } from '$core/robots/robot';
import type { Attempt } from '$core/simulation/attempt';
import { say, t } from '$lib/i18n';
import { newId } from '$lib/saving/id';
import type { AttemptSeed, Bench } from '$lib/saving/protocol';
import { Saver } from '$lib/saving/saver.svelte';
import { Player } from '$lib/timeline/player.svelte';
import { wordsOf } from '$lib/trail/words';
import { rehearse } from './rehearser';

export interface CourseChoice {
	readonly id: string;
	readonly content: Course;
}

export interface Opened {
	readonly id: string;
	readonly plan: Plan;
	readonly bench: Bench | null;
	readonly revision: number;
}

/** A floor with nothing on it, for a plan whose course is gone. */
const openFloor: Course = {
	format: courseFormat,
	version: 1,
	name: t('bench.noCourse'),
	size: { width: 2, height: 1.5 },
	start: { at: [1, 0.5], bearing: 0 },
	finish: null,
	walls: [],
	lampPosts: []
};

interface PickedUp {
	readonly step: Step;
	readonly before: History;
	/** Where it can go, as the plan stood before; null is a new chain at the side. */
	readonly places: readonly (Place | null)[];
	index: number;
}

export class Workbench {
	private history = $state.raw<History>(null!);
	courseId = $state<string | null>(null);
	variation = $state<Variation>('classroom');
	/** Newest first, at most two: what is needed to have them again. */
	private seeds: AttemptSeed[] = [];
	/** The plan that was rehearsed last. */
	private rehearsedPlan = $state.raw<Plan | null>(null);
	previous = $state.raw<Attempt | null>(null);
	failure = $state('');
	/** The latest news for a screen reader, with a count so that the same words are said again. */
	announcement = $state({ text: '', count: 0 });
	pickedUp = $state.raw<PickedUp | null>(null);
	/** The step to hold in view and under the keyboard. */
	focus = $state<{ key: string; count: number } | null>(null);

	readonly player = new Player();
	readonly saver: Saver;
	readonly courses: readonly CourseChoice[];

	readonly plan = $derived(this.history.plan);
	readonly canUndo = $derived(this.history.done !== null);
	readonly canRedo = $derived(this.history.undone !== null);
	readonly problems: readonly Problem[] = $derived(checkPlan(this.plan));
	readonly course: Course = $derived.by(
		() => this.courses.find((course) => course.id === this.courseId)?.content ?? openFloor
	);
	readonly hasChanged = $derived(
		this.rehearsedPlan !== null && this.rehearsedPlan.chains !== this.plan.chains
	);
	readonly outcome = $derived.by(() => {
		const { attempt, haltedAt } = this.player;
		if (!attempt) return null;
		if (haltedAt !== null)
			return { kind: 'halted', text: t('outcome.halted', { seconds: haltedAt }) };
		if (this.player.isPlaying || !this.player.isAtEnd) return null;
		const sentences =
			attempt.spans.length > 0 ? [attempt.outcome.reason] : [{ key: 'outcome.nothing' }];
		return {
			kind: attempt.outcome.kind,
			text: [...sentences, ...attempt.notes].map(say).join(' ')
		};
	});

	constructor(opened: Opened, courses: readonly CourseChoice[]) {
		this.courses = courses;
		this.history = startHistory(opened.plan);
		this.saver = new Saver(opened.id, opened.revision);
		this.useBench(opened.bench);
	}

	private useBench(bench: Bench | null | undefined): void {
		if (!bench) return;
		this.courseId = bench.courseId;
		this.variation = bench.variation;
		this.seeds = bench.attempts;
	}

	/** Brings back what was unsent, and the attempts as they were. */
	async restore(): Promise<void> {
		const unsent = await this.saver.restore();
		if (unsent?.work.kind === 'plan') {
			this.history = startHistory(unsent.work.content);
			this.useBench(unsent.bench);
		}
		const [latest, earlier] = await Promise.all(this.seeds.map((seed) => this.again(seed)));
		if (this.player.attempt) return;
		this.previous = earlier ?? null;
		this.player.show(latest ?? null, true);
		const [seed] = this.seeds;
		if (!seed) return;
		const isSame = JSON.stringify(seed.plan.chains) === JSON.stringify(this.plan.chains);
		this.rehearsedPlan = isSame ? this.plan : seed.plan;
	}

	private async again({ plan, courseId, variation, seed }: AttemptSeed): Promise<Attempt | null> {
		const course = this.courses.find(({ id }) => id === courseId)?.content;
		if (!course || courseId !== this.courseId) return null;
		return rehearse({ plan, course, variation, seed });
	}

	/** Does an edit, saves, and says it. A refused edit is said too and changes nothing. */
	edit(edit: Edit, news = ''): boolean {
		const performed = perform(this.history, edit);
		if (!performed.ok) {
			this.announce(say(performed.failure));
			this.failure = say(performed.failure);
			return false;
		}
		this.failure = '';
		this.history = performed.value;
		this.save();
		if (news) this.announce(news);
		return true;
	}

	undo(): void {
		this.travel(undo(this.history), t('say.undone'));
	}

	redo(): void {
		this.travel(redo(this.history), t('say.redone'));
	}

	private travel(result: ReturnType<typeof undo>, news: string): void {
		if (result.ok) {
			this.history = result.value;
			this.save();
		}
		this.announce(result.ok ? news : say(result.failure));
	}

	announce(text: string): void {
		this.announcement = { text, count: this.announcement.count + 1 };
	}

	focusOn(key: string): void {
		this.focus = { key, count: (this.focus?.count ?? 0) + 1 };
	}

	private save(withBench = false): void {
		const bench = withBench ? this.bench : undefined;
		this.saver.change({ kind: 'plan', content: this.plan }, bench);
	}

	private get bench(): Bench {
		return { courseId: this.courseId, variation: this.variation, attempts: this.seeds };
	}

	chooseCourse(id: string | null): void {
		this.courseId = id;
		this.player.show(null);
		this.previous = null;
		this.rehearsedPlan = null;
		this.save(true);
	}

	chooseVariation(variation: Variation): void {
		this.variation = variation;
		this.save(true);
	}

	/** Rehearses the plan and plays it from the start. */
	async rehearse(): Promise<void> {
		const { plan, course, courseId, variation } = this;
		const seed = crypto.getRandomValues(new Uint32Array(1))[0]!;
		let attempt: Attempt;
		try {
			attempt = await rehearse({ plan, course, variation, seed });
		} catch (error) {
			this.failure = t('bench.rehearsalFailed', { detail: (error as Error).message });
			return;
		}
		this.failure = '';
		this.previous = this.player.attempt;
		this.rehearsedPlan = plan;
		if (courseId) {
			this.seeds = [{ plan, courseId, variation, seed }, ...this.seeds].slice(0, 2);
			this.save(true);
		}
		this.player.show(attempt);
		this.player.play();
	}

	/** Takes another document in the place of this one; undo brings back the plan from before. */
	replacePlan(plan: Plan): boolean {
		const edits: Edit[] = this.plan.chains.map((chain) => ({
			type: 'removeChain',
			chain: chain.id
		}));
		plan.chains.forEach((chain, index) => edits.push({ type: 'addChain', index, chain }));
		edits.push({ type: 'rename', name: plan.name });
		return this.edit({ type: 'together', edits }, t('bench.fileOpened', { name: plan.name }));
	}

	// --- steps, as the trail's gestures mean them ---

	addStep(place: Place, kind: string, values: Step['values'], hasBody: boolean): string | null {
		const step: Step = {
			id: newId(),
			kind,
			values: { ...values },
			...(hasBody ? { body: [] } : {})
		};
		const news = t('say.added', { step: wordsOf(step) });
		return this.edit({ type: 'insert', ...place, steps: [step] }, news) ? step.id : null;
	}

	removeStep(id: string): void {
		const located = locateSteps(this.plan).get(id);
		if (!located) return;
		const news = t('say.removed', { step: wordsOf(located.step) });
		const { place, chain } = located;
		const isLast = chain.trigger === null && chain.steps.length === 1 && place.holder === chain.id;
		if (isLast) this.edit({ type: 'removeChain', chain: chain.id }, news);
		else this.edit({ type: 'remove', ...place, count: 1 }, news);
	}

	/** Moves a step to a place, or to a new unlit chain at the side. */
	moveStep(id: string, to: Place | null): boolean {
		const located = locateSteps(this.plan).get(id);
		if (!located) return false;
		const edit = this.moveEdit(located.step, to);
		if (!edit) return false;
		return this.edit(
			edit,
			t('say.putDown', { step: wordsOf(located.step), place: this.describe(to) })
		);
	}

	/** @returns null when the step would stay where it is */
	private moveEdit(step: Step, to: Place | null): Edit | null {
		const { place: from, chain } = locateSteps(this.plan).get(step.id)!;
		if (to && to.holder === from.holder && (to.index === from.index || to.index === from.index + 1))
			return null;
		const isAlone = chain.steps.length === 1 && from.holder === chain.id && !chain.trigger;
		if (!to && isAlone) return null;
		const edits: Edit[] = [];
		const aside = { id: newId(), trigger: null, steps: [] };
		if (!to) edits.push({ type: 'addChain', index: this.plan.chains.length, chain: aside });
		edits.push({ type: 'move', from, count: 1, to: to ?? { holder: aside.id, index: 0 } });
		if (isAlone) edits.push({ type: 'removeChain', chain: chain.id });
		return { type: 'together', edits };
	}

	tie(chainId: string): void {
		const trigger = { id: newId(), kind: 'whenRunPressed', values: {} };
		this.edit({ type: 'tie', chain: chainId, trigger }, t('say.tied'));
	}

	/** Hangs the steps of an unlit chain at the end of the first lit one. */
	tieToLit(chainId: string): void {
		const lit = this.plan.chains.find((chain) => chain.trigger);
		const chain = this.plan.chains.find(({ id }) => id === chainId);
		if (!lit || !chain) return;
		const edits: Edit[] = [];
		if (chain.steps.length > 0) {
			const to = { holder: lit.id, index: lit.steps.length };
			const from = { holder: chainId, index: 0 };
			edits.push({ type: 'move', from, count: chain.steps.length, to });
		}
		edits.push({ type: 'removeChain', chain: chainId });
		this.edit({ type: 'together', edits }, t('say.tied'));
	}

	addChain(isLit: boolean): string {
		const trigger = isLit ? { id: newId(), kind: 'whenRunPressed', values: {} } : null;
		const chain = { id: newId(), trigger, steps: [] };
		this.edit({ type: 'addChain', index: this.plan.chains.length, chain });
		return chain.id;
	}

	// --- moving by keyboard ---

	pickUp(id: string): void {
		const located = locateSteps(this.plan).get(id);
		if (!located) return;
		const { holder, index } = located.place;
		const places: (Place | null)[] = placesInOrder(this.plan, id).filter(
			(place) => !(place.holder === holder && place.index === index + 1)
		);
		const here = places.findIndex((place) => place?.holder === holder && place.index === index);
		places.push(null);
		this.pickedUp = { step: located.step, before: this.history, places, index: here };
		this.announce(t('say.pickedUp', { step: wordsOf(located.step) }));
	}

	/** Moves the picked-up step along the places of the trail; nothing is saved yet. */
	movePickedUp(by: -1 | 1): void {
		const picked = this.pickedUp;
		if (!picked) return;
		const index = picked.index + by;
		if (index < 0 || index >= picked.places.length) return;
		this.history = picked.before;
		const to = picked.places[index]!;
		const edit = this.moveEdit(picked.step, to);
		const performed = edit ? perform(picked.before, edit) : null;
		this.pickedUp = { ...picked, index };
		if (performed && !performed.ok) {
			this.announce(say(performed.failure));
			return;
		}
		const place = this.describe(to);
		if (performed) this.history = performed.value;
		this.focusOn(picked.step.id);
		this.announce(t('say.at', { step: wordsOf(picked.step), place }));
	}

	putDown(): void {
		const picked = this.pickedUp;
		if (!picked) return;
		const place = this.describe(picked.places[picked.index] ?? null, picked.before.plan);
		this.pickedUp = null;
		if (this.history !== picked.before) this.save();
		this.announce(t('say.putDown', { step: wordsOf(picked.step), place }));
	}

	putBack(): void {
		const picked = this.pickedUp;
		if (!picked) return;
		this.history = picked.before;
		this.pickedUp = null;
		this.focusOn(picked.step.id);
		this.announce(t('say.putBack', { step: wordsOf(picked.step) }));
	}

	/** One place up or down, in one go. */
	nudgeStep(id: string, by: -1 | 1): void {
		this.pickUp(id);
		this.movePickedUp(by);
		this.putDown();
	}

	/** A place in words. */
	private describe(place: Place | null, plan = this.plan): string {
		if (!place) return t('say.placeAside');
		const numbers = numberSteps(plan);
		const holder = locateSteps(plan).get(place.holder)?.step;
		const steps = holder?.body ?? plan.chains.find(({ id }) => id === place.holder)?.steps ?? [];
		const before = steps[place.index - 1];
		if (before) return t('say.placeAfter', { number: numbers.get(before.id)! });
		if (holder) return t('say.placeInLoop', { number: numbers.get(holder.id)! });
		return t('say.placeFirst');
	}
}
