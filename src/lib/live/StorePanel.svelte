<script lang="ts">
	/** The plans that a robot holds itself, in numbered places. */
	import Play from '@lucide/svelte/icons/play';
	import { storePlaces, type Greeting } from '$core/link/frames';
	import { t } from '$lib/i18n';
	import { robots } from '$lib/robots/robots.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import SidePanel from './SidePanel.svelte';

	let { live, robot }: { live: LiveDesk; robot: Greeting } = $props();

	const numbers = Array.from({ length: storePlaces }, (_, index) => index + 1);
	const held = $derived(robots.links[robot.id]?.stored);
	const placeOf = (number: number) => held?.find(({ place }) => place === number);
	/** The place whose plan somebody is about to replace. */
	let replacing = $state<number | null>(null);
	/** The place that a plan was sent to: it is there once the robot says so. */
	let sentTo = $state<number | null>(null);
	const plan = $derived(live.bench.plan);
	const news = $derived(
		sentTo !== null && placeOf(sentTo)?.name === plan.name
			? t('store.news', { plan: plan.name, place: sentTo })
			: ''
	);
	const isForMore = $derived(plan.robots.length > 1);

	function put(number: number) {
		if (placeOf(number) && replacing !== number) {
			replacing = number;
			return;
		}
		replacing = null;
		void live.store(robot.id, number);
		sentTo = number;
	}
</script>

<SidePanel title={t('store.title', { name: robot.name })} onclose={() => (live.panel = null)}>
	<p>{t(isForMore ? 'store.forMore' : 'store.how', { count: plan.robots.length })}</p>
	<p class="news" role="status">{held ? news : t('store.asking')}</p>
	<ul>
		{#each numbers as number (number)}
			{@const inIt = placeOf(number)}
			<li>
				<p>
					<strong>{t('store.place', { place: number })}</strong>
					{inIt ? t('store.held', inIt) : t('store.empty')}
				</p>
				{#if inIt && replacing === number}
					<p class="sure">{t('store.sure', inIt)}</p>
				{/if}
				<div class="hands">
					<button
						class="button button-line"
						disabled={!held || isForMore}
						onclick={() => put(number)}>{t(inIt ? 'store.replace' : 'store.put')}</button
					>
					{#if inIt}
						<button
							class="button button-line"
							onclick={() => robots.send(robot.id, { type: 'runStored', place: number })}
							><Play size={16} />{t('store.run')}</button
						>
						<button
							class="button button-plain"
							onclick={() => robots.send(robot.id, { type: 'erase', place: number })}
							>{t('store.erase')}</button
						>
					{/if}
				</div>
			</li>
		{/each}
	</ul>
</SidePanel>

<style>
	.news {
		min-height: 1.5em;
		color: var(--verdigris);
	}
	ul {
		display: grid;
		gap: 0.6rem;
	}
	li {
		padding-top: 0.5rem;
		border-top: 1px solid var(--line);
	}
	.sure {
		color: var(--signal);
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin-top: 0.3rem;
	}
</style>
