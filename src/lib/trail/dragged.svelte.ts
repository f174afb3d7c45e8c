/** What is being dragged over the trail: a tag, the selection, or a new step from the shelf. */
import { findStep, type Place } from '$core/plan/places';
import type { Values } from '$core/steps/definition';
import { t } from '$lib/i18n';
import { newStepOf } from '$lib/shelf/new-step';
import type { Workbench } from '$lib/workbench/workbench.svelte';
import { TagDragging } from '$lib/ui/drag';
import { contains, landingAt, nowhere, type Landing } from './landing';
import type { Row } from './rows';
import type { VisibleRows } from './visible-rows.svelte';
import { phrase, wordsOf } from '$lib/words/step-words';

/** The pane that it is dragged over. */
export interface DragPane {
	readonly bench: Workbench;
	readonly rows: readonly Row[];
	readonly visible: VisibleRows;
	readonly scroller: HTMLElement;
	/** Where a tag is dropped to be put aside; there only while one is dragged. */
	readonly asideZone: HTMLElement | undefined;
	/** A drag begins. @param key of the tag's row; null for a new step */
	began(key: string | null): void;
	/** A new step was dropped and has this id. */
	added(id: string | null): void;
	moved(key: string): void;
}

export interface Drag extends Landing {
	readonly key: string;
	readonly kind: string;
	readonly words: string;
	/** Of a new step from the shelf. */
	readonly values: Values | undefined;
	readonly x: number;
	readonly y: number;
}

/** Pixels from the edge of the pane within which it scrolls, and how far each time. */
const edge = 40;
const scrollStep = 14;

export class Dragged {
	now = $state.raw<Drag | null>(null);
	readonly tags: TagDragging;

	constructor(private readonly pane: DragPane) {
		this.tags = new TagDragging({
			began: (key) => {
				const dragged = this.read(key);
				pane.began(dragged.values ? null : key);
				this.now = { key, ...dragged, x: 0, y: 0, ...nowhere };
			},
			moved: (x, y) => {
				if (this.now) this.now = { ...this.now, x, y, ...this.landingUnder(x, y, this.now) };
				this.scrollNearEdge(y);
			},
			ended: (isCancelled) => {
				const dropped = this.now;
				this.now = null;
				if (dropped && !isCancelled) this.drop(dropped);
			}
		});
	}

	destroy(): void {
		this.tags.destroy();
	}

	private read(key: string): Pick<Drag, 'kind' | 'words' | 'values'> {
		const offered = newStepOf(key);
		if (offered) return { ...offered, words: phrase(offered.kind, offered.values) };
		const { plan, editing } = this.pane.bench;
		const step = findStep(plan, key)!;
		const count = editing.selection.has(key) ? editing.selection.steps.length : 1;
		const words = count > 1 ? t('say.steps', { count }) : wordsOf(step);
		return { kind: step.kind, words, values: undefined };
	}

	private drop({ key, kind, values, target }: Drag): void {
		const { editing } = this.pane.bench;
		if (values) {
			if (isPlace(target)) this.pane.added(editing.addStep(target, kind, values));
		} else if (target === 'remove') editing.remove(key);
		else if (target) {
			editing.moving.moveTo(key, target === 'aside' ? null : target);
			this.pane.moved(key);
		}
	}

	private landingUnder(x: number, y: number, { key, kind, values }: Drag): Landing {
		const { asideZone, scroller, rows, visible, bench } = this.pane;
		if (contains(asideZone?.getBoundingClientRect(), x, y)) return { target: 'aside', line: null };
		const box = scroller.getBoundingClientRect();
		if (!contains(box, x, y)) return values ? nowhere : { target: 'remove', line: null };
		return landingAt(y - box.top + scroller.scrollTop, rows, visible, bench.plan, key, kind);
	}

	private scrollNearEdge(y: number): void {
		const { scroller } = this.pane;
		const box = scroller.getBoundingClientRect();
		if (y < box.top + edge) scroller.scrollTop -= scrollStep;
		else if (y > box.bottom - edge) scroller.scrollTop += scrollStep;
	}
}

const isPlace = (target: Landing['target']): target is Place =>
	target !== null && target !== 'aside' && target !== 'remove';
