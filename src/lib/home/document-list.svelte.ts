/**
 * One list of the home page: the newest come with the page; the others, and what is sought, are
 * fetched from the server, a page at a time.
 */
import { fetchPage } from '$lib/lists/lists';
import { mostRows, type DocumentKind } from '$lib/saving/kinds';
import type { Page, Person } from '$lib/saving/answers';
import { shownAtFirst, shownMore } from './lists';

/** Whose documents are shown: everybody's, those that come with the app, or one person's. */
export type Whose = 'all' | 'samples' | Person;

export interface Sought {
	readonly text: string;
	readonly whose: Whose;
}

export class DocumentList {
	/** What was fetched; null while what came with the page is all that is shown. */
	private fetched = $state.raw<Page | null>(null);
	/** Counts what was asked for: of two answers the later question's is shown. */
	private asked = 0;
	/** Those that are on their way. */
	private more: Promise<void> | undefined;

	private readonly now = $derived.by(() => this.fetched ?? this.page());
	readonly shown = $derived(this.now.rows);
	/** Those that fit and are not drawn. */
	readonly left = $derived(this.now.total - this.now.rows.length);
	/** There is nothing of this kind at all. */
	readonly isEmpty = $derived.by(() => this.page().total === 0);

	/** @param page what came with the page */
	constructor(
		readonly kind: DocumentKind,
		private readonly page: () => Page,
		private readonly sought: () => Sought
	) {}

	/** Something else is sought now. */
	async seek(): Promise<void> {
		const { text, whose } = this.sought();
		if (text.trim() !== '' || whose !== 'all') return this.fetch(shownAtFirst + shownMore);
		this.asked += 1;
		this.fetched = null;
	}

	/** Fetches anew what is shown, after a change. */
	async follow(): Promise<void> {
		if (this.fetched) await this.fetch(Math.max(shownAtFirst, this.shown.length));
	}

	/** Who presses again before they are here waits for the same ones. */
	showMore(): Promise<void> {
		this.more ??= this.fetchMore().finally(() => (this.more = undefined));
		return this.more;
	}

	private async fetchMore(): Promise<void> {
		const before = this.now;
		this.asked += 1;
		const { asked } = this;
		const more = await this.pageOf(before.rows.length, shownMore);
		if (asked !== this.asked) return;
		const isKnown = (id: string) => before.rows.some((row) => row.id === id);
		// Somebody saved or deleted meanwhile: newer ones stand before those that are shown.
		if (more.total !== before.total || more.rows.some(({ id }) => isKnown(id)))
			return this.fetch(before.rows.length + shownMore);
		this.fetched = { rows: [...before.rows, ...more.rows], total: more.total };
	}

	private async fetch(count: number): Promise<void> {
		this.asked += 1;
		const { asked } = this;
		const page = await this.pageOf(0, Math.min(mostRows, count));
		if (asked === this.asked) this.fetched = page;
	}

	private pageOf(skip: number, limit: number): Promise<Page> {
		const { text, whose } = this.sought();
		const owner = typeof whose === 'object' ? whose.id : whose === 'samples' ? whose : undefined;
		return fetchPage({ kind: this.kind, find: text.trim(), whose: owner, skip, limit });
	}
}
