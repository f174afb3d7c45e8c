/**
 * One list of the home page: the newest come with the page, all of them once somebody searches or
 * wants to see more. Only so many are drawn that a page of a thousand answers at once.
 */
import { wordsOf } from './summary';
import { fetchList } from '$lib/saving/lists';
import type { DocumentKind, Listed, Page, Person } from '$lib/saving/protocol';
import { shownAtFirst, shownMore } from './lists';

/** Whose documents are shown: everybody's, those that come with the app, or one person's. */
export type Whose = 'all' | 'samples' | Person;

export interface Sought {
	readonly text: string;
	readonly whose: Whose;
}

const isOf = ({ owner, isSample }: Listed, whose: Whose): boolean =>
	whose === 'all' || (whose === 'samples' ? isSample : owner?.id === whose.id);

export class DocumentList {
	private whole = $state.raw<readonly Listed[] | null>(null);
	private limit = $state(shownAtFirst);

	readonly all = $derived.by(() => this.whole ?? this.page().rows);
	readonly total = $derived.by(() => this.whole?.length ?? this.page().total);
	readonly found = $derived.by(() => {
		const { text, whose } = this.sought();
		const sought = text.trim().toLowerCase();
		return this.all.filter((listed) => {
			const { name, owner, summary } = listed;
			const words = `${name} ${owner?.name ?? ''} ${wordsOf(summary)}`;
			return isOf(listed, whose) && words.toLowerCase().includes(sought);
		});
	});
	readonly shown = $derived(this.found.slice(0, this.limit));
	/** Those that fit and are not drawn. */
	readonly left = $derived.by(() => {
		const { text, whose } = this.sought();
		const isAll = text.trim() === '' && whose === 'all';
		const fitting = isAll ? this.total : this.found.length;
		return fitting - this.shown.length;
	});

	/** @param page what came with the page */
	constructor(
		readonly kind: DocumentKind,
		private readonly page: () => Page,
		private readonly sought: () => Sought
	) {}

	/** Fetches the whole list, if some of it is not here. */
	private async complete(): Promise<void> {
		if (!this.whole && this.page().total > this.page().rows.length) await this.refresh();
	}

	/** Something else is sought now: of what fits, not more is drawn at once than answers at once. */
	async seek(): Promise<void> {
		this.limit = Math.min(this.limit, shownAtFirst + shownMore);
		await this.complete();
	}

	/** Fetches it anew after a change, if it is here as a whole. */
	async follow(): Promise<void> {
		if (this.whole) await this.refresh();
	}

	async showMore(): Promise<void> {
		this.limit += shownMore;
		await this.complete();
	}

	private async refresh(): Promise<void> {
		this.whole = await fetchList(this.kind);
	}
}
