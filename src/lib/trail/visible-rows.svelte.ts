/** Which rows of a long trail are drawn, and where each row stands. Heights follow from the rows. */
import {
	elementScroll,
	observeElementOffset,
	observeElementRect,
	Virtualizer,
	type VirtualItem
} from '@tanstack/virtual-core';
import type { Row } from './rows';

/** Rows drawn beyond either edge. */
const overscan = 3;
/** Pixels free above the first row and below the last. */
const paddingStart = 12;
const paddingEnd = 24;

export class VisibleRows {
	/** Those in view, from top to bottom. */
	items = $state.raw<readonly VirtualItem[]>([]);
	/** Height of all rows together, pixels. */
	total = $state(0);
	private rows: readonly Row[] = [];
	private readonly virtualizer: Virtualizer<HTMLElement, HTMLElement>;

	constructor(private readonly scroller: () => HTMLElement | null) {
		this.virtualizer = new Virtualizer(this.options());
	}

	private options() {
		return {
			count: this.rows.length,
			getScrollElement: this.scroller,
			estimateSize: (index: number) => this.rows[index]!.height,
			getItemKey: (index: number) => this.rows[index]!.key,
			overscan,
			paddingStart,
			paddingEnd,
			observeElementRect,
			observeElementOffset,
			scrollToFn: elementScroll,
			onChange: () => this.draw()
		};
	}

	/** Begins to watch the scroller. @returns what ends it */
	mount(): () => void {
		const unmount = this.virtualizer._didMount();
		this.virtualizer._willUpdate();
		this.draw();
		return unmount;
	}

	/** Takes another list of rows. */
	show(rows: readonly Row[]): void {
		this.rows = rows;
		this.virtualizer.setOptions(this.options());
		this.virtualizer.measure();
		this.virtualizer._willUpdate();
		this.draw();
	}

	private draw(): void {
		this.items = this.virtualizer.getVirtualItems();
		this.total = this.virtualizer.getTotalSize();
	}

	/** Those in view, and these others wherever they are. */
	with(indexes: readonly number[]): readonly VirtualItem[] {
		const isDrawn = (index: number) => this.items.some((item) => item.index === index);
		const missing = indexes.filter((each, at) => !isDrawn(each) && indexes.indexOf(each) === at);
		return [...this.items, ...missing.map((index) => this.itemAt(index))];
	}

	/** Where a row stands, in view or not. */
	itemAt(index: number): VirtualItem {
		return this.virtualizer.measurementsCache[index]!;
	}

	/** Scrolls a row into view, if it is not. Goes by the numbers, without a layout of the page. */
	reveal(index: number): void {
		const { start, end } = this.itemAt(index);
		const top = this.virtualizer.scrollOffset ?? 0;
		const bottom = top + (this.virtualizer.scrollRect?.height ?? 0);
		if (start < top || end > bottom) this.virtualizer.scrollToIndex(index, { align: 'auto' });
	}

	/** Index of the first row whose middle is below this height, or -1. */
	rowBelow(y: number): number {
		return this.rows.findIndex((_, index) => {
			const { start, size } = this.itemAt(index);
			return y < start + size / 2;
		});
	}
}
