<script lang="ts">
	/** All plans and courses, newest first. */
	import { FileUp, Plus, Radio, Search } from '@lucide/svelte';
	import { onMount } from 'svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { planFormat } from '$core/plan/plan';
	import { say, t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import { newId } from '$lib/saving/id';
	import type {
		Bench,
		Content,
		DocumentKind,
		Listed,
		Page,
		Person,
		Use,
		Version
	} from '$lib/saving/protocol';
	import { fetchPage } from '$lib/lists/lists';
	import { sendOrphans } from '$lib/saving/orphans';
	import { Refused, request, sendSave, Unable } from '$lib/saving/send';
	import ThemeChoice from '$lib/ui/ThemeChoice.svelte';
	import { downloadText, readAnyFile } from '$lib/files/files';
	import DeletedList from './DeletedList.svelte';
	import { DocumentList, type Whose } from './document-list.svelte';
	import DocumentCard from './DocumentCard.svelte';
	import RenameDialog from './RenameDialog.svelte';
	import NewPlan from './NewPlan.svelte';
	import { newCourse, newPlan } from '$lib/desk/new-documents';
	import type { RobotKind } from '$core/robots/robot';
	import UsesDialog from './UsesDialog.svelte';
	import VersionsDialog from './VersionsDialog.svelte';
	import WhoIsHere from '$lib/people/WhoIsHere.svelte';
	import WhoseChoice from './WhoseChoice.svelte';

	let {
		person,
		people,
		plans,
		courses
	}: { person: Person | null; people: Person[]; plans: Page; courses: Page } = $props();

	let isChoosing = $state(false);
	let text = $state('');
	let news = $state<{ text: string; undo?: () => void } | null>(null);
	let renaming = $state<Listed | null>(null);
	let comparing = $state<Listed | null>(null);
	let using = $state<Listed | null>(null);
	let picker: HTMLInputElement;

	let whose = $state.raw<Whose>('all');
	const sought = () => ({ text, whose });
	const lists = [
		new DocumentList('plan', () => plans, sought),
		new DocumentList('course', () => courses, sought)
	];

	/** Why a list is empty that is not. */
	const nothing = $derived.by(() => {
		if (text.trim()) return t('home.findNothing', { text });
		return typeof whose === 'object' ? t('home.noneOf', { name: whose.name }) : t('home.noSamples');
	});

	function showOf(next: Whose) {
		whose = next;
		preferences.choose({ showsMine: typeof next === 'object' && next.id === person?.id });
		void search();
	}

	onMount(() => {
		if (preferences.showsMine && person) showOf(person);
	});
	onMount(() =>
		sendOrphans(async ({ sent, refusals }) => {
			if (refusals[0]) news = { text: t('save.refused', { reason: refusals[0] }) };
			if (sent === 0) return;
			await refresh();
			news ??= { text: t('home.sentOrphans', { count: sent }) };
		})
	);

	async function refresh() {
		await Promise.all([invalidateAll(), ...lists.map((list) => list.follow())]);
		tellWhatCameBack();
	}

	/** A list that cannot be fetched stays as it is. */
	async function search() {
		try {
			await Promise.all(lists.map((list) => list.seek()));
		} catch {
			news = { text: t('home.failed') };
		}
	}

	/** Does something on the server, then shows the list as it is now. */
	async function act<T>(action: () => Promise<T>): Promise<T | undefined> {
		try {
			const done = await action();
			await refresh();
			return done;
		} catch (error) {
			const isAnswer = error instanceof Refused || error instanceof Unable;
			news = { text: isAnswer ? error.message : t('home.failed') };
			return undefined;
		}
	}

	async function create(
		work: Content,
		courseId: string | null = null
	): Promise<string | undefined> {
		const id = newId();
		const bench: Bench = { courseId, variation: 'classroom', attempts: [] };
		const save = { work, bench, baseRevision: 0, saveId: newId(), unanswered: [] };
		return (await act(() => sendSave(id, save))) && id;
	}

	/**
	 * The one last used on this device, or the open quay, while it is there; else the newest. What goes on
	 * a rail begins on a course that has one.
	 */
	async function usualCourse(kind: RobotKind): Promise<string | null> {
		const suits = kind.isOnRail ? kind.kind : undefined;
		const first = preferences.lastCourse ?? 'open-quay';
		const page = await act(() => fetchPage({ kind: 'course', suits, first, limit: 1 }));
		return page?.rows[0]?.id ?? null;
	}

	async function createPlan(courseId: string | null, kind?: RobotKind) {
		const content = newPlan(t('home.newPlanName'), kind);
		const id = await create({ kind: 'plan', content }, courseId);
		if (id) await goto(`/plans/${id}`);
	}

	async function createCourse() {
		const id = await create({ kind: 'course', content: newCourse(t('home.newCourseName')) });
		if (id) await goto(`/courses/${id}`);
	}

	/** What was deleted here: whoever changes it meanwhile brings it back. */
	let gone: readonly Listed[] = [];

	function setDeleted(listed: Listed, deleted: boolean) {
		return act(async () => {
			const done = await request('PATCH', `/api/documents/${listed.id}`, { deleted });
			gone = gone.filter((one) => one.id !== listed.id);
			if (deleted) gone = [...gone, listed];
			return done;
		});
	}

	/** Of deleting and saving the later one wins, and the other is told. */
	function tellWhatCameBack() {
		const shown = lists.flatMap((list) => list.shown.map(({ id }) => id));
		const back = gone.find(({ id }) => shown.includes(id));
		if (!back) return;
		gone = gone.filter(({ id }) => id !== back.id);
		news = { text: t('home.cameBack', { name: back.name }) };
	}

	/** Somebody comes back to this page: others may have changed what it lists. */
	async function look() {
		if (document.visibilityState !== 'visible') return;
		// A list that cannot be fetched stays as it is.
		await refresh().catch(() => {});
	}

	async function remove(kind: DocumentKind, document: Listed) {
		const { id, name } = document;
		const uses =
			kind === 'course' ? await act(() => request('GET', `/api/documents/${id}/uses`)) : [];
		if (!(await setDeleted(document, true))) return;
		const count = (uses as Use[] | undefined)?.length ?? 0;
		const kept = count > 0 ? ` ${t('home.stillUsed', { count })}` : '';
		news = {
			text: t('home.deleted', { name }) + kept,
			undo: () => {
				news = null;
				void setDeleted(document, false);
			}
		};
	}

	async function saveFile(kind: DocumentKind, { id, name }: Listed) {
		const text = await act(() => request('GET', `/api/documents/${id}`));
		if (text) downloadText(name, kind, JSON.stringify(text, null, '\t'));
	}

	function doAction(action: string, kind: DocumentKind, document: Listed) {
		if (action === 'planHere') void createPlan(document.id);
		else if (action === 'rename') renaming = document;
		else if (action === 'versions') comparing = document;
		else if (action === 'duplicate')
			void act(() => request('POST', `/api/documents/${document.id}/copies`));
		else if (action === 'saveFile') void saveFile(kind, document);
		else if (action === 'uses') using = document;
		else void remove(kind, document);
	}

	async function goBack({ id, name }: Listed, version: Version) {
		const done = await act(() => request('POST', `/api/documents/${id}/versions/${version.id}`));
		if (done) news = { text: t('versions.gone', { name }) };
	}

	async function openFile(event: Event & { currentTarget: HTMLInputElement }) {
		const [file] = event.currentTarget.files ?? [];
		event.currentTarget.value = '';
		if (!file) return;
		const read = await readAnyFile(file);
		if (!read.ok) {
			news = { text: t('home.fileRefused', { file: file.name, reason: say(read.failure) }) };
			return;
		}
		const content = read.value;
		const work = (
			content.format === planFormat.name ? { kind: 'plan', content } : { kind: 'course', content }
		) as Content;
		if (await create(work, courses.rows[0]?.id ?? null))
			news = { text: t('home.fileOpened', { name: content.name }) };
	}
</script>

<svelte:document onvisibilitychange={() => void look()} />
<svelte:head><title>{t('app.name')}</title></svelte:head>

<!-- Drawn once for all cards: a list of many is a third lighter without its own in each. -->
<svg class="drawn-once" aria-hidden="true">
	<symbol id="dots" viewBox="0 0 24 24">
		{#each [5, 12, 19] as cy (cy)}<circle cx="12" {cy} r="2" fill="currentColor" />{/each}
	</symbol>
</svg>
<div class="home">
	<header>
		<svg class="lantern" viewBox="0 0 40 40" width="40" height="40" aria-hidden="true">
			<path d="M3 30c6 0 6-6 12-6s7 6 12 6 5-4 10-4" />
			<circle cx="15" cy="14" r="10" class="halo" /><circle cx="15" cy="14" r="6" class="flame" />
		</svg>
		<div class="words">
			<p class="heading brand">{t('app.name')}</p>
			<p class="tagline">{t('app.tagline')}</p>
		</div>
		<ThemeChoice />
		{#if person}
			<button
				class="button button-line"
				title={t('person.change')}
				onclick={() => (isChoosing = !isChoosing)}>{t('person.here', { name: person.name })}</button
			>
		{/if}
	</header>
	<main>
		<h1 class="sr-only-live">{t('home.title')}</h1>
		{#if !person || isChoosing}
			<WhoIsHere {people} ondone={() => (isChoosing = false)} />
		{/if}
		<div class="tools">
			<NewPlan onnew={async (kind) => createPlan(await usualCourse(kind), kind)} />
			<button class="button button-line" onclick={createCourse}
				><Plus size={18} />{t('home.newCourse')}</button
			>
			<button class="button button-line" onclick={() => picker.click()}
				><FileUp size={18} />{t('home.openFile')}</button
			>
			<a class="button button-line" href="/robots"><Radio size={18} />{t('home.robots')}</a>
			<input
				bind:this={picker}
				type="file"
				accept=".json,.svg,application/json,image/svg+xml"
				hidden
				data-testid="any-file"
				onchange={openFile}
			/>
			<WhoseChoice {person} {whose} onchoose={showOf} />
			<label class="find">
				<Search size={18} aria-hidden="true" />
				<span class="sr-only-live">{t('home.find')}</span>
				<input
					class="field"
					type="search"
					bind:value={text}
					placeholder={t('home.find')}
					oninput={search}
				/>
			</label>
		</div>
		{#if news}
			<div class="news panel" role="status">
				<span>{news.text}</span>
				{#if news.undo}<button class="button button-line" onclick={news.undo}
						>{t('home.undo')}</button
					>{/if}
			</div>
		{/if}
		<div class="lists">
			{#each lists as list (list.kind)}
				{@const isPlan = list.kind === 'plan'}
				<section aria-labelledby="list-{list.kind}">
					<h2 class="heading" id="list-{list.kind}">
						{t(isPlan ? 'home.plans' : 'home.courses')}
					</h2>
					{#if list.isEmpty}
						<p class="empty">{t(isPlan ? 'home.noPlans' : 'home.noCourses')}</p>
					{:else if list.shown.length === 0}
						<p class="empty">
							{nothing}
						</p>
					{/if}
					<ul>
						{#each list.shown as document (document.id)}
							<li>
								<DocumentCard
									{document}
									hasPicture={!isPlan}
									isMine={document.owner?.id === person?.id}
									href={`/${list.kind}s/${document.id}`}
									onowner={showOf}
									onaction={(action) => doAction(action, list.kind, document)}
								/>
							</li>
						{/each}
					</ul>
					{#if list.left > 0}
						<button
							class="button button-line more"
							onclick={() => list.showMore().catch(() => (news = { text: t('home.failed') }))}
							>{t('home.showMore', { count: list.left })}</button
						>
					{/if}
				</section>
			{/each}
		</div>
		<DeletedList
			onbringback={(document) => setDeleted(document, false)}
			onempty={() => act(() => request('DELETE', '/api/documents'))}
		/>
	</main>
</div>

{#if renaming}
	<RenameDialog
		document={renaming}
		onclose={() => (renaming = null)}
		onrename={(id, name) => act(() => request('PATCH', `/api/documents/${id}`, { name }))}
	/>
{/if}

{#if using}<UsesDialog document={using} onclose={() => (using = null)} />{/if}

{#if comparing}
	{@const document = comparing}
	<VersionsDialog
		{document}
		onclose={() => (comparing = null)}
		ongoback={(version) => goBack(document, version)}
	/>
{/if}

<style>
	.home {
		max-width: 76rem;
		margin: 0 auto;
		padding: 1rem 1.25rem 3rem;
	}
	header {
		display: flex;
		align-items: center;
		gap: 0.75rem;
	}
	.words {
		flex: 1;
	}
	.brand {
		font-size: 1.6rem;
		line-height: 1.15;
	}
	.tagline {
		color: var(--ink-soft);
		font-size: 0.92rem;
	}
	.drawn-once {
		position: absolute;
		width: 0;
		height: 0;
	}
	.lantern path {
		fill: none;
		stroke: var(--verdigris);
		stroke-width: 2.5;
		stroke-linecap: round;
	}
	.halo {
		fill: color-mix(in oklch, var(--lamp) 30%, transparent);
	}
	.flame {
		fill: var(--lamp);
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem;
		margin: 1.25rem 0;
	}
	.find {
		position: relative;
		display: flex;
		align-items: center;
		flex: 1 1 14rem;
		max-width: 22rem;
		margin-left: auto;
		color: var(--ink-soft);
	}
	.find :global(svg) {
		position: absolute;
		left: 0.75rem;
		pointer-events: none;
	}
	.find .field {
		padding-left: 2.4rem;
	}
	.news {
		display: flex;
		align-items: center;
		gap: 1rem;
		margin-bottom: 1rem;
		padding: 0.5rem 1rem;
	}
	.lists {
		display: grid;
		grid-template-columns: 3fr 2fr;
		gap: 1.5rem;
		align-items: start;
	}
	h2 {
		margin-bottom: 0.6rem;
		font-size: 1.3rem;
	}
	ul {
		display: grid;
		gap: 0.6rem;
	}
	.more {
		margin-top: 0.75rem;
	}
	.empty {
		padding: 0.5rem 0 1rem;
		color: var(--ink-soft);
	}
	@media (max-width: 820px) {
		.lists {
			grid-template-columns: minmax(0, 1fr);
		}
		.tagline {
			display: none;
		}
	}
</style>
