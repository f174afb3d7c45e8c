<script lang="ts">
	/** What is missing before the plan can run; each line goes by itself once it is there. */
	import HardDriveDownload from '@lucide/svelte/icons/hard-drive-download';
	import Radio from '@lucide/svelte/icons/radio';
	import { t } from '$lib/i18n';
	import { robots } from '$lib/robots/robots.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import type { Need } from './needs';
	import SidePanel from './SidePanel.svelte';

	let { live }: { live: LiveDesk } = $props();

	/** Robots that nobody has chosen for another part. */
	const free = $derived(
		robots.paired.filter(({ id }) => live.roles.every(({ robot }) => robot?.id !== id))
	);

	const remedies = {
		pair: () => live.choose(),
		choose: () => live.choose(),
		makeFor: ({ part }: Need) => live.makeFor(part),
		placed: ({ part }: Need) => live.setPlaced(part.robot!.id),
		without: ({ part }: Need) => live.letLack(part.robot!.id),
		lineUp: ({ part }: Need) => live.lineUp(part.robot!),
		clear: () => (live.isRoomClear = true)
	};
</script>

<SidePanel
	title={t(live.needs.length > 0 ? 'live.ready' : 'live.allThere')}
	onclose={() => (live.isAsked = false)}
>
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
				{#if need.remedy === 'placed' && need.part.robot?.devices.includes('turning')}
					<button class="button button-plain" onclick={() => live.lineUp(need.part.robot!)}
						>{t('live.need.otherFront')}</button
					>
				{/if}
				{#if need.remedy}
					<button class="button button-line" onclick={() => remedies[need.remedy!](need)}
						>{need.button}</button
					>
				{/if}
			</li>
		{/each}
	</ul>
	<label class="by-leg"
		><input type="checkbox" class="checkbox" bind:checked={live.isByLeg} />{t('live.byLeg')}</label
	>
	<div class="ends">
		<button
			class="button button-main go"
			disabled={live.needs.length > 0}
			onclick={() => live.runAsked()}><Radio size={18} />{t('live.run')}</button
		>
		{#if live.roles.length === 1 && live.roles[0]?.robot}
			<button class="button button-line" onclick={() => live.openStore()}
				><HardDriveDownload size={18} />{t('live.store')}</button
			>
		{/if}
	</div>
</SidePanel>

<style>
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
	.by-leg {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 2.2rem;
		color: var(--ink-soft);
		font-size: 0.9rem;
	}
	.ends {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
	.go {
		flex: 1;
	}
	li p {
		flex: 1 1 12rem;
	}
</style>
