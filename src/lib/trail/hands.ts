/** What the trail does for its keys: it opens, rehearses and goes elsewhere. */
import { findStep, locateSteps } from '$core/plan/places';
import type { Adding, TrailPane } from './adding.svelte';
import type { TrailHands } from './keys';
import { stepOf, type Row } from './rows';
import type { Opening } from './Sheet.svelte';
import { elementOf } from './trail-focus.svelte';

/** What the pane itself does. */
interface View {
	search(): void;
	zoomBy(factor: number): void;
	fit(): void;
}

export function handsOf(pane: TrailPane, adding: Adding, view: View): TrailHands {
	const { focus, sheet } = pane;
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
		...view,
		runAlone: (chain) => void pane.bench.runs.rehearse(chain),
		chainOf(row) {
			if (row.type === 'head') return row.chain;
			return locateSteps(pane.bench.plan).get(row.holder)?.chain.id ?? row.holder;
		}
	};
}
