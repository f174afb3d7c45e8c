<script lang="ts">
	/** Who is near, and which robots are mine. */
	import './words';
	import ArrowLeft from '@lucide/svelte/icons/arrow-left';
	import Square from '@lucide/svelte/icons/square';
	import { onMount, untrack } from 'svelte';
	import { runKeys } from '$lib/ui/run-keys';
	import { t } from '$lib/i18n';
	import { press, shownKeys } from '$lib/ui/keys';
	import WhoIsHere from '$lib/people/WhoIsHere.svelte';
	import type { Person } from '$lib/saving/answers';
	import { robots } from './robots.svelte';

	let { person, people }: { person: Person | null; people: Person[] } = $props();

	onMount(() => {
		const hurry = () => robots.hurry();
		addEventListener('online', hurry);
		return () => removeEventListener('online', hurry);
	});
	$effect(() => {
		const who = person;
		// What robots say meanwhile opens nothing anew.
		untrack(() => robots.open(who));
	});

	function onkeydown(event: KeyboardEvent) {
		if (press(event, runKeys, { halt: () => robots.halt() })) event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />
<svelte:head><title>{t('robots.title')} · {t('app.name')}</title></svelte:head>

<div class="robots">
	<header>
		<a
			class="button button-plain button-icon"
			href="/"
			aria-label={t('robots.back')}
			title={t('robots.back')}><ArrowLeft size={20} /></a
		>
		<div class="words">
			<h1 class="heading">{t('robots.title')}</h1>
			<p>{t('robots.about')}</p>
		</div>
		{#if robots.paired.length > 0}
			<button
				class="button button-stop"
				title={shownKeys(runKeys.halt)}
				onclick={() => robots.halt()}
				><Square size={17} fill="currentColor" />{t('robots.haltAll')}</button
			>
		{/if}
	</header>
	<main>
		{#if !person}
			<p>{t('robots.whoFirst')}</p>
			<WhoIsHere {people} ondone={() => {}} />
		{/if}
		<!-- Drawings of all kinds, and the dialog, come after the first view: robots are not heard before. -->
		{#await import('./RobotLists.svelte') then { default: RobotLists }}
			<RobotLists canPair={person !== null} />
		{/await}
	</main>
</div>
{#await import('./SignsDialog.svelte') then { default: SignsDialog }}<SignsDialog />{/await}

<style>
	.robots {
		max-width: 62rem;
		margin: 0 auto;
		padding: 1rem 1.25rem 3rem;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem 0.75rem;
	}
	.words {
		flex: 1 1 14rem;
	}
	.words p {
		color: var(--ink-soft);
	}
	h1 {
		font-size: 1.5rem;
	}
</style>
