/** Which steps are selected: a run of them in one list. */
import { locateSteps, stepsIn } from '$core/plan/places';
import type { Step } from '$core/plan/plan';
import { t } from '$lib/i18n';
import type { Workbench } from './workbench.svelte';

/** Steps that hang one after the other. */
export interface Run {
	readonly holder: string;
	readonly index: number;
	readonly steps: readonly Step[];
}

export class Selection {
	private ends = $state.raw<{ from: string; to: string } | null>(null);

	/** The selected steps. */
	readonly steps: readonly Step[] = $derived.by(() => {
		const run = this.ends && this.runBetween(this.ends.from, this.ends.to);
		return run?.steps ?? [];
	});

	has(id: string): boolean {
		return this.steps.some((step) => step.id === id);
	}

	constructor(private readonly bench: Workbench) {}

	private get plan() {
		return this.bench.plan;
	}

	/** From one step to another in the same list; across lists it stays as it is. */
	select(from: string, to: string): void {
		if (!this.runBetween(from, to)) return;
		this.ends = { from, to };
		this.bench.voice.announce(t('say.selected', { count: this.steps.length }));
	}

	/** Takes the next or the one before into the selection. */
	extend(id: string, by: -1 | 1): void {
		const { from, to } = this.ends ?? { from: id, to: id };
		const located = locateSteps(this.plan).get(to);
		if (!located) return;
		const list = stepsIn(this.plan, located.place.holder);
		const next = list.ok ? list.value[located.place.index + by] : undefined;
		if (!next) return;
		this.select(from, next.id);
		this.bench.voice.focusOn(next.id);
	}

	/** As `extend` downwards, from any step of the selection: for fingers, which have no Shift. */
	selectNext(id: string): void {
		const last = this.has(id) ? this.steps.at(-1)!.id : id;
		const first = this.has(id) ? this.steps[0]!.id : id;
		const { place } = locateSteps(this.plan).get(last)!;
		const list = stepsIn(this.plan, place.holder);
		const next = list.ok ? list.value[place.index + 1] : undefined;
		if (next) this.select(first, next.id);
	}

	clear(): void {
		this.ends = null;
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
	runOf(id: string): Run | undefined {
		const { ends } = this;
		if (ends && this.has(id)) return this.runBetween(ends.from, ends.to);
		return this.runBetween(id, id);
	}
}
