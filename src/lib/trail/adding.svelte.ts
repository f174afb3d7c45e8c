/** New steps and chains: where they come to lie, and where the trail goes on then. */
import { tick } from 'svelte';
import type { Place } from '$core/plan/places';
import { isLit } from '$core/plan/plan';
import type { Offer } from '$lib/words/typed';
import type { Workbench } from '$lib/workbench/workbench.svelte';
import { OpenedBud } from './opened-bud.svelte';
import { keyAfter, placeAfter, type Row } from './rows';
import type { Opening } from './Sheet.svelte';
import type { TagSheet } from './tag-sheet.svelte';
import { elementOf, letGoOfFocus, type TrailFocus } from './trail-focus.svelte';

/** The trail, as those see it who work on it. */
export interface TrailPane {
	readonly bench: Workbench;
	readonly rows: readonly Row[];
	readonly isFirst: boolean;
	/** Pixels that a row has, at zoom 1. */
	readonly width: number;
	readonly focus: TrailFocus;
	readonly sheet: TagSheet;
}

export class Adding {
	readonly bud: OpenedBud;
	readonly hasLit = $derived.by(() => this.pane.bench.plan.chains.some(isLit));

	constructor(private readonly pane: TrailPane) {
		this.bud = new OpenedBud({
			get plan() {
				return pane.bench.plan;
			},
			get isFirst() {
				return pane.isFirst;
			},
			get width() {
				return pane.width;
			}
		});
	}

	private show(opening: Opening): void {
		void this.pane.sheet.show(opening);
	}

	/** What was added shows first; the sheet that it came from goes with the next frame. */
	async fromSheet(id: string): Promise<void> {
		const { bench, focus, sheet } = this.pane;
		sheet.leave();
		letGoOfFocus();
		await focus.focus(keyAfter(bench.plan, id));
	}

	/** From the shelf beside the trail, or dropped from there. */
	async fromDock(id: string | null): Promise<void> {
		const { bench, focus } = this.pane;
		if (id) await focus.show(keyAfter(bench.plan, id));
	}

	/** Opens the bud there. @param isForKeys the keyboard goes on in it */
	async openBud(place: Place, isForKeys = false): Promise<void> {
		const { focus } = this.pane;
		this.bud.openAt(place);
		await tick();
		const row = this.pane.rows.find((row) => row.type === 'bud' && row.isOpen);
		if (!row || !(await focus.show(row.key)) || !isForKeys) return;
		await tick();
		elementOf(row.key)?.querySelector<HTMLElement>('[data-first-tile]')?.focus();
	}

	/** Opens what adds after a row: the bud, or the shelf. */
	openAfter(row: Row, isForKeys = false, anchor = elementOf(row.key)): void {
		if (this.pane.isFirst) void this.openBud(placeAfter(row), isForKeys);
		else if (anchor) this.show({ type: 'shelf', place: placeAfter(row), anchor });
	}

	/** The bud moves on to where the next step will be wanted. */
	async atBud(row: Row, { definition, values }: Offer): Promise<void> {
		const { bench } = this.pane;
		const isByKeys = document.activeElement?.role === 'option';
		const id = bench.editing.addStep(placeAfter(row), definition.kind, values);
		if (!id) return;
		const next = keyAfter(bench.plan, id);
		const behind = this.pane.rows.find(({ key }) => key === next);
		if (behind) await this.openBud(placeAfter(behind), isByKeys);
	}

	chain(anchor: HTMLElement): void {
		const { bench, isFirst } = this.pane;
		if (!isFirst && this.hasLit) return this.show({ type: 'triggers', chain: null, anchor });
		const id = bench.editing.addChain(this.hasLit ? null : 'whenRunPressed');
		if (isFirst) void this.openBud({ holder: id, index: 0 });
		else this.goOn(id);
	}

	aside(): void {
		this.goOn(this.pane.bench.editing.addChain(null));
	}

	private goOn(chain: string): void {
		void tick().then(() => this.pane.focus.focus(`${chain}-bud`));
	}
}
