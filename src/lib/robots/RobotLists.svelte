<script lang="ts">
	/** The robots that are mine, and those that are near. */
	import './words';
	import { t } from '$lib/i18n';
	import RobotCard from './RobotCard.svelte';
	import { robots } from './robots.svelte';

	let { canPair }: { canPair: boolean } = $props();

	const doubled = $derived(
		robots.doubled.map((id) => robots.near[id]?.advert.name ?? id).join(', ')
	);
</script>

{#if robots.own.length > 0}
	<section aria-labelledby="mine">
		<h2 class="heading" id="mine">{t('robots.mine')}</h2>
		<ul>
			{#each robots.own as mine (mine.id)}
				<li><RobotCard id={mine.id} name={mine.name} kind={mine.kind} {mine} {canPair} /></li>
			{/each}
		</ul>
	</section>
{/if}
<section aria-labelledby="near">
	<h2 class="heading" id="near">{t('robots.near')}</h2>
	{#if robots.isRadioOn === false}
		<p class="empty" role="status">{t('robots.radioOff')}</p>
	{:else if robots.isRadioOn === undefined}
		<p class="empty" role="status">{t('robots.listening')}</p>
	{:else if robots.others.length === 0}
		<p class="empty" role="status">
			{t(robots.own.length > 0 ? 'robots.noOthers' : 'robots.none')}
		</p>
	{/if}
	{#if robots.doubled.length > 0}
		<p class="doubled" role="status">{t('robots.doubled', { names: doubled })}</p>
	{/if}
	<ul>
		{#each robots.others as { id, name, kind } (id)}
			<li><RobotCard {id} {name} {kind} {canPair} /></li>
		{/each}
	</ul>
</section>

<style>
	h2 {
		margin: 1.2rem 0 0.6rem;
		font-size: 1.2rem;
	}
	ul {
		display: grid;
		gap: 0.6rem;
	}
	.doubled {
		max-width: 40rem;
		margin-bottom: 0.8rem;
		padding-left: 0.7rem;
		border-left: 4px solid var(--signal);
	}
	.empty {
		max-width: 40rem;
		margin-bottom: 0.8rem;
		color: var(--ink-soft);
	}
</style>
