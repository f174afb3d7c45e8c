/**
 * What a person does with plans and courses on the home page: each on the server, then the lists are
 * as they are now. What makes and reads documents is loaded when it is asked for.
 */
import './words';
import type { Plan } from '$core/plan/plan';
import { say, t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import { fetchPage } from '$lib/lists/lists';
import type { DocumentKind } from '$lib/saving/kinds';
import type { Listed, Page, Use, Version } from '$lib/saving/answers';
import { newId } from '$lib/saving/id';
import type { Sent } from '$lib/saving/orphans';
import type { Bench, Content } from '$lib/saving/protocol';
import { Refused, request, Unable } from '$lib/saving/send';
import { DocumentList, type Whose } from './document-list.svelte';

/** Leads away from the home page, and brings it up to date. */
interface Around {
	goTo(path: string): Promise<void>;
	reload(): Promise<void>;
}

interface News {
	readonly text: string;
	readonly undo?: () => void;
}

export class Documents {
	/** What is sought: a text, and whose. */
	text = $state('');
	whose = $state.raw<Whose>('all');
	/** What was done last, or why not. */
	news = $state.raw<News | null>(null);
	readonly lists: readonly DocumentList[];
	/** What was deleted here: whoever changes it meanwhile brings it back. */
	private gone: readonly Listed[] = [];

	/** @param pages what came with the page */
	constructor(
		private readonly pages: Readonly<Record<DocumentKind, () => Page>>,
		private readonly around: Around
	) {
		const sought = () => ({ text: this.text, whose: this.whose });
		this.lists = (['plan', 'course'] as const).map(
			(kind) => new DocumentList(kind, pages[kind], sought)
		);
	}

	async refresh(): Promise<void> {
		await Promise.all([this.around.reload(), ...this.lists.map((list) => list.follow())]);
		this.tellWhatCameBack();
	}

	/** A list that cannot be fetched stays as it is. */
	async search(): Promise<void> {
		await this.orFailed(Promise.all(this.lists.map((list) => list.seek())));
	}

	async showOf(whose: Whose): Promise<void> {
		this.whose = whose;
		await this.search();
	}

	async showMore(list: DocumentList): Promise<void> {
		await this.orFailed(list.showMore());
	}

	private async orFailed(work: Promise<unknown>): Promise<void> {
		await work.catch(() => (this.news = { text: t('home.failed') }));
	}

	/** Drafts of tabs that are gone have gone out. */
	async tellSent({ sent, refusals: [reason] }: Sent): Promise<void> {
		if (reason) this.news = { text: t('save.refused', { reason }) };
		if (sent === 0) return;
		await this.refresh();
		this.news ??= { text: t('home.sentOrphans', { count: sent }) };
	}

	/** Does something on the server, then shows the list as it is now. */
	private async act<T>(action: () => Promise<T>): Promise<T | undefined> {
		try {
			const done = await action();
			await this.refresh();
			return done;
		} catch (error) {
			const isAnswer = error instanceof Refused || error instanceof Unable;
			this.news = { text: isAnswer ? error.message : t('home.failed') };
			return undefined;
		}
	}

	private async create(work: Content, courseId: string | null = null): Promise<string | undefined> {
		const id = newId();
		const bench: Bench = { courseId, variation: 'classroom', attempts: [] };
		const save = { work, bench, baseRevision: 0, saveId: newId(), unanswered: [] };
		const sent = await this.act(async () => {
			const { sendSave } = await import('$lib/saving/send-save');
			return sendSave(id, save);
		});
		return sent && id;
	}

	/** Begins a plan on this course. @param kind of robot; the usual one, if left out */
	async beginPlan(courseId: string | null, kind?: string): Promise<void> {
		const { newPlan } = await import('$lib/desk/new-documents');
		const id = await this.create(
			{ kind: 'plan', content: newPlan(t('home.newPlanName'), kind) },
			courseId
		);
		if (id) await this.around.goTo(`/plans/${id}`);
	}

	/**
	 * Begins one on the course last used on this device, or the open quay, while it is there; else on the
	 * newest. What goes on a rail begins on a course that has one.
	 */
	async beginPlanFor(kind: string): Promise<void> {
		const { needsRail } = await import('$lib/desk/new-documents');
		const suits = needsRail(kind) ? kind : undefined;
		const first = preferences.lastCourse ?? 'open-quay';
		const page = await this.act(() => fetchPage({ kind: 'course', suits, first, limit: 1 }));
		await this.beginPlan(page?.rows[0]?.id ?? null, kind);
	}

	async beginCourse(): Promise<void> {
		const { newCourse } = await import('$lib/desk/new-documents');
		const id = await this.create({ kind: 'course', content: newCourse(t('home.newCourseName')) });
		if (id) await this.around.goTo(`/courses/${id}`);
	}

	async openFile(file: File): Promise<void> {
		const { readAnyFile } = await import('$lib/files/files');
		const read = await readAnyFile(file);
		if (!read.ok) {
			const reason = say(read.failure);
			this.news = { text: t('home.fileRefused', { file: file.name, reason }) };
			return;
		}
		const content = read.value;
		const kind = content.format === 'lantern-step/plan' ? 'plan' : 'course';
		const newest = this.pages.course().rows[0]?.id ?? null;
		if (await this.create({ kind, content } as Content, newest))
			this.news = { text: t('home.fileOpened', { name: content.name }) };
	}

	async saveFile(kind: DocumentKind, { id, name }: Listed): Promise<void> {
		const content = await this.act(() => request('GET', `/api/documents/${id}`));
		if (!content) return;
		const text = JSON.stringify(content, null, '\t');
		const { idsIn } = await import('$core/sounds/clip');
		if (kind === 'plan' && idsIn(text).length > 0) {
			const { downloadPlan } = await import('$lib/files/plans');
			await downloadPlan(content as Plan);
			return;
		}
		const { downloadText } = await import('$lib/files/downloads');
		downloadText(name, kind, text);
	}

	async rename(id: string, name: string): Promise<unknown> {
		return this.act(() => request('PATCH', `/api/documents/${id}`, { name }));
	}

	async duplicate({ id }: Listed): Promise<void> {
		await this.act(() => request('POST', `/api/documents/${id}/copies`));
	}

	/** @returns undefined when it was not done */
	async setDeleted(listed: Listed, deleted: boolean): Promise<unknown> {
		return this.act(async () => {
			const done = await request('PATCH', `/api/documents/${listed.id}`, { deleted });
			this.gone = this.gone.filter((one) => one.id !== listed.id);
			if (deleted) this.gone = [...this.gone, listed];
			return done;
		});
	}

	/** Of deleting and saving the later one wins, and the other is told. */
	private tellWhatCameBack(): void {
		const shown = this.lists.flatMap((list) => list.shown.map(({ id }) => id));
		const back = this.gone.find(({ id }) => shown.includes(id));
		if (!back) return;
		this.gone = this.gone.filter(({ id }) => id !== back.id);
		this.news = { text: t('home.cameBack', { name: back.name }) };
	}

	async remove(kind: DocumentKind, document: Listed): Promise<void> {
		const { id, name } = document;
		const uses =
			kind === 'course' ? await this.act(() => request('GET', `/api/documents/${id}/uses`)) : [];
		if (!(await this.setDeleted(document, true))) return;
		const count = (uses as Use[] | undefined)?.length ?? 0;
		const kept = count > 0 ? ` ${t('home.stillUsed', { count })}` : '';
		this.news = {
			text: t('home.deleted', { name }) + kept,
			undo: () => {
				this.news = null;
				void this.setDeleted(document, false);
			}
		};
	}

	/** What was deleted goes for good. */
	async emptyDeleted(): Promise<unknown> {
		return this.act(() => request('DELETE', '/api/documents'));
	}

	async goBack({ id, name }: Listed, version: Version): Promise<void> {
		const done = await this.act(() =>
			request('POST', `/api/documents/${id}/versions/${version.id}`)
		);
		if (done) this.news = { text: t('versions.gone', { name }) };
	}
}
