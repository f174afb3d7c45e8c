<script lang="ts">
	/** All plans and courses, newest first. */
	import './words';
	import FileUp from '@lucide/svelte/icons/file-up';
	import Plus from '@lucide/svelte/icons/plus';
	import Radio from '@lucide/svelte/icons/radio';
	import Search from '@lucide/svelte/icons/search';
	import { onMount, untrack } from 'svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import type { DocumentKind } from '$lib/saving/kinds';
	import type { Listed, Page, Person } from '$lib/saving/answers';
	import { sendOrphans } from '$lib/saving/orphans';
	import WhoIsHere from '$lib/people/WhoIsHere.svelte';
	import ThemeChoice from '$lib/ui/ThemeChoice.svelte';
	import DeletedList from './DeletedList.svelte';
	import type { Whose } from './document-list.svelte';
	import DocumentCard from './DocumentCard.svelte';
	import { Documents } from './documents.svelte';
	import NewPlan from './NewPlan.svelte';
	import WhoseChoice from './WhoseChoice.svelte';

	let {
		person,
		people,
		plans,
		courses
	}: { person: Person | null; people: Person[]; plans: Page; courses: Page } = $props();

	const documents = untrack(
		() =>
			new Documents(
				{ plan: () => plans, course: () => courses },
				{ goTo: (path) => goto(path), reload: invalidateAll }
			)
	);
	const { lists } = documents;
	const news = $derived(documents.news);
	let isChoosing = $state(false);
	/** What a dialog is about: loaded when it is asked for. */
	let asked = $state<{ dialog: 'rename' | 'versions' | 'uses'; document: Listed } | null>(null);
	const close = () => (asked = null);
	let picker: HTMLInputElement;

	/** Why a list is empty that is not. */
	const nothing = $derived.by(() => {
		const { text, whose } = documents;
		if (text.trim()) return t('home.findNothing', { text });
		return typeof whose === 'object' ? t('home.noneOf', { name: whose.name }) : t('home.noSamples');
	});

	function showOf(whose: Whose) {
		preferences.choose({ showsMine: typeof whose === 'object' && whose.id === person?.id });
		void documents.showOf(whose);
	}

	onMount(() => {
		if (preferences.showsMine && person) showOf(person);
	});
	onMount(() => sendOrphans((sent) => documents.tellSent(sent)));

	/** Somebody comes back to this page: others may have changed what it lists. */
	function look() {
		// A list that cannot be fetched stays as it is.
		if (document.visibilityState === 'visible') void documents.refresh().catch(() => {});
	}

	function doAction(action: string, kind: DocumentKind, document: Listed) {
		if (action === 'rename' || action === 'versions' || action === 'uses')
			asked = { dialog: action, document };
		else if (action === 'planHere') void documents.beginPlan(document.id);
		else if (action === 'duplicate') void documents.duplicate(document);
		else if (action === 'saveFile') void documents.saveFile(kind, document);
		else void documents.remove(kind, document);
	}

	function openFile(event: Event & { currentTarget: HTMLInputElement }) {
		const [file] = event.currentTarget.files ?? [];
		event.currentTarget.value = '';
		if (file) void documents.openFile(file);
	}
</script>

<svelte:document onvisibilitychange={look} />
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
			<NewPlan onnew={(kind) => documents.beginPlanFor(kind)} />
			<button class="button button-line" onclick={() => documents.beginCourse()}
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
			<WhoseChoice {person} whose={documents.whose} onchoose={showOf} />
			<label class="find">
				<Search size={18} aria-hidden="true" />
				<span class="sr-only-live">{t('home.find')}</span>
				<input
					class="field"
					type="search"
					bind:value={documents.text}
					placeholder={t('home.find')}
					oninput={() => documents.search()}
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
						<button class="button button-line more" onclick={() => documents.showMore(list)}
							>{t('home.showMore', { count: list.left })}</button
						>
					{/if}
				</section>
			{/each}
		</div>
		<DeletedList
			onbringback={(document) => documents.setDeleted(document, false)}
			onempty={() => documents.emptyDeleted()}
		/>
	</main>
</div>

{#if asked}
	{@const { document } = asked}
	{#if asked.dialog === 'rename'}
		{#await import('./RenameDialog.svelte') then { default: RenameDialog }}
			<RenameDialog
				{document}
				onclose={close}
				onrename={(id, name) => documents.rename(id, name)}
			/>
		{/await}
	{:else if asked.dialog === 'uses'}
		{#await import('./UsesDialog.svelte') then { default: UsesDialog }}
			<UsesDialog {document} onclose={close} />
		{/await}
	{:else}
		{#await import('./VersionsDialog.svelte') then { default: VersionsDialog }}
			<VersionsDialog
				{document}
				onclose={close}
				ongoback={(version) => documents.goBack(document, version)}
			/>
		{/await}
	{/if}
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
