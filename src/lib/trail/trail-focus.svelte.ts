/** Which row of the trail is the current one, and has the keyboard; rows come, go and are drawn late. */
import { tick, untrack } from 'svelte';
import type { Row } from './rows';
import type { VisibleRows } from './visible-rows.svelte';

interface Surroundings {
	readonly rows: readonly Row[];
	/** By the keys of the rows. */
	readonly indexOf: ReadonlyMap<string, number>;
	readonly visible: VisibleRows;
	/** The row that is the current one while none was chosen. */
	usualKey(): string;
	/** Opens what the row is folded away in. */
	unfoldAround(key: string): void;
}

export const elementOf = (key: string) => document.getElementById(`row-${key}`);

export function isTag(target: EventTarget | null): target is HTMLElement {
	return target instanceof HTMLElement && target.role === 'treeitem';
}

/**
 * Before what has the focus goes away and another row takes it. The browser would look for a place
 * for it at once, and for that lay out a page that is still changing.
 */
export function letGoOfFocus(): void {
	if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}

export class TrailFocus {
	/** The row that was chosen last, whether it is still there or not. */
	chosen = $state('');
	readonly current = $derived.by(() =>
		this.around.indexOf.has(this.chosen) ? this.chosen : this.around.usualKey()
	);
	readonly row = $derived.by(() => this.around.rows[this.around.indexOf.get(this.current) ?? -1]);
	private hasFocus = false;
	private lastIndex = 0;

	constructor(private readonly around: Surroundings) {}

	/** To be called while the trail is made. */
	mount(): void {
		// When the row under the keyboard goes away, such as by undo, the one in its place takes over.
		$effect(() => {
			const index = this.around.indexOf.get(this.chosen);
			if (index !== undefined) this.lastIndex = index;
			else if (this.hasFocus && this.next) untrack(() => void this.focus(this.next));
		});
	}

	/** The row that was chosen; if that is not there, the one in its place. */
	private get next(): string {
		const { rows, indexOf } = this.around;
		if (indexOf.has(this.chosen)) return this.chosen;
		return rows[Math.min(this.lastIndex, rows.length - 1)]?.key ?? '';
	}

	/** Makes it the current row, in view, with the keyboard. */
	async focus(key: string): Promise<void> {
		this.around.unfoldAround(key);
		if (!(await this.show(key))) return;
		await tick();
		elementOf(key)?.focus({ preventScroll: true });
	}

	/** Makes it the current row, in view. @returns whether it is there */
	async show(key: string): Promise<boolean> {
		this.chosen = key;
		await tick();
		const index = this.around.indexOf.get(key);
		if (index !== undefined) this.around.visible.reveal(index);
		return index !== undefined;
	}

	/**
	 * Before the row under the keyboard goes away: the one that takes over has it at once, while the
	 * page still is as it was laid out.
	 */
	handOn(): void {
		const next = elementOf(this.next);
		if (next) next.focus({ preventScroll: true });
		else letGoOfFocus();
	}

	/** A row has the keyboard, or something on it: so it is the current one. */
	entered({ target }: FocusEvent): void {
		this.hasFocus = true;
		const row = (target as Element).closest('[role=treeitem]');
		if (row) this.chosen = row.id.slice('row-'.length);
	}

	/** A row that goes away blurs without a new target; that is not the person leaving. */
	left(event: FocusEvent): void {
		const row = event.target as HTMLElement;
		if (row.isConnected && event.relatedTarget) this.hasFocus = false;
	}
}
