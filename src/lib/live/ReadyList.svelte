<script lang="ts">
	/** What is missing before the plan can run; each line goes by itself once it is there. */
	import { Radio, X } from '@lucide/svelte';
	import { t } from '$lib/i18n';
	import { robots } from '$lib/robots/robots.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import type { Need } from './needs';

	let { live }: { live: LiveDesk } = $props();

	let panel = $state<HTMLElement>();
	/** Robots that nobody has chosen for another part. */
	const free = $derived(
		robots.paired.filter(({ id }) => live.parts.every(({ robot }) => robot?.id !== id))
	);

	const remedies = {
		pair: () => live.choose(),
		choose: () => live.choose(),
		makeFor: ({ part }: Need) => live.makeFor(part),
		placed: ({ part }: Need) => live.setPlaced(part.robot!.id),
		lineUp: ({ part }: Need) => (live.lining = part.robot!),
		clear: () => (live.isRoomClear = true)
	};

	$effect(() => panel?.focus());
</script>

<div
	bind:this={panel}
	class="panel ready"
	role="dialog"
	aria-labelledby="ready-title"
	tabindex="-1"
	onkeydown={(event) => event.key === 'Escape' && (live.isAsked = false)}
>
	<div class="title">
		<h2 class="heading" id="ready-title">
			{t(live.needs.length > 0 ? 'live.ready' : 'live.allThere')}
		</h2>
		<button
			class="button button-plain button-icon"
			aria-label={t('live.close')}
			onclick={() => (live.isAsked = false)}><X size={18} /></button
		>
	</div>
	<ul aria-live="polite">
		{#each live.needs as need (need.key)}
			<li>
				<p>{need.text}</p>
				{#if need.remedy === 'choose' && free.length > 0}
					{#each free as robot (robot.id)}
						<button class="button button-line" onclick={() => live.take(need.part.wanted, robot.id)}
							>{robot.name}</button
						>
					{/each}
				{/if}
				{#if need.remedy}
					<button class="button button-line" onclick={() => remedies[need.remedy!](need)}
						>{need.button}</button
					>
				{/if}
			</li>
		{/each}
	</ul>
	<button class="button button-main go" disabled={live.needs.length > 0} onclick={() => live.run()}
		><Radio size={18} />{t('live.run')}</button
	>
</div>

<style>
	.ready {
		position: fixed;
		top: 4.2rem;
		right: 0.9rem;
		z-index: 30;
		display: grid;
		gap: 0.6rem;
		width: min(25rem, calc(100vw - 1.8rem));
		padding: 0.8rem 1rem 1rem;
	}
	.title {
		display: flex;
		align-items: center;
		justify-content: space-between;
	}
	h2 {
		font-size: 1.15rem;
	}
	ul {
		display: grid;
		gap: 0.6rem;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
		padding: 0.5rem 0.7rem;
		border-left: 4px solid var(--lamp);
		border-radius: 0.4rem;
		background: var(--lamp-soft);
	}
	li p {
		flex: 1 1 12rem;
	}
	@media (max-width: 900px) {
		.ready {
			top: 7rem;
		}
	}
</style>
