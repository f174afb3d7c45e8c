/** What the trail does for its keys: it opens, rehearses and goes elsewhere. */
import { findStep, locateSteps } from '$core/plan/places';
import type { Workbench } from '$lib/workbench/workbench.svelte';
import type { Adding } from './adding.svelte';
import type { TrailHands } from './keys';
import { stepOf, type Row } from './rows';
import type { Opening } from './Sheet.svelte';
import type { TagSheet } from './tag-sheet.svelte';
import { elementOf, type TrailFocus } from './trail-focus.svelte';

interface Pane {
	readonly bench: Workbench;
	readonly rows: readonly Row[];
	readonly focus: TrailFocus;
	readonly sheet: TagSheet;
	readonly adding: Adding;
	search(): void;
	zoomBy(factor: number): void;
	fit(): void;
}

export function handsOf(pane: Pane): TrailHands {
	const { focus, sheet, adding } = pane;
	const open = (row: Row, make: (anchor: HTMLElement) => Opening | null | undefined | false) => {
		const anchor = elementOf(row.key);
		const next = anchor && make(anchor);
		if (next) void sheet.show(next);
	};
	return {
		get editing() {
			return pane.bench.editing;
		},
		get rows() {
			return pane.rows;
		},
		focusRow: (key) => void focus.focus(key),
		openShelf: (row) => adding.openAfter(row, true),
		openValue: (row) => elementOf(row.key)?.querySelector<HTMLElement>('[data-chip]')?.click(),
		openMenu: (row) =>
			open(row, (anchor) => row.type !== 'bud' && { type: 'actions', row, anchor }),
		openComment(row) {
			const step = stepOf(row);
			open(row, (anchor) => step !== undefined && { type: 'comment', step, anchor });
		},
		openHelp(row) {
			const step = findStep(pane.bench.plan, stepOf(row) ?? '');
			open(row, (anchor) => step && { type: 'help', kind: step.kind, anchor });
		},
		openTriggers(chain) {
			if (focus.row) open(focus.row, (anchor) => ({ type: 'triggers', chain, anchor }));
		},
		search: pane.search,
		zoomBy: pane.zoomBy,
		fit: pane.fit,
		runAlone: (chain) => void pane.bench.runs.rehearse(chain),
		chainOf(row) {
			if (row.type === 'head') return row.chain;
			return locateSteps(pane.bench.plan).get(row.holder)?.chain.id ?? row.holder;
		}
	};
}
