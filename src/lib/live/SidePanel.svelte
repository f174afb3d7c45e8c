<script lang="ts">
	/** A panel for a moment, docked under the floor: floor and trail stay free, and nothing is locked. */
	import X from '@lucide/svelte/icons/x';
	import type { Snippet } from 'svelte';
	import { t } from '$lib/i18n';

	let {
		title,
		onclose,
		onkeydown,
		children
	}: {
		title: string;
		onclose: () => void;
		onkeydown?: (event: KeyboardEvent) => void;
		children: Snippet;
	} = $props();

	const id = $props.id();
	let panel = $state<HTMLElement>();
	$effect(() => panel?.focus());
</script>

<div
	bind:this={panel}
	class="panel side"
	role="dialog"
	aria-labelledby={id}
	tabindex="-1"
	onkeydown={(event) => (event.key === 'Escape' ? onclose() : onkeydown?.(event))}
>
	<div class="title">
		<h2 class="heading" {id}>{title}</h2>
		<button class="button button-plain button-icon" aria-label={t('live.close')} onclick={onclose}
			><X size={18} /></button
		>
	</div>
	{@render children()}
</div>

<style>
	.side {
		display: grid;
		gap: 0.6rem;
		padding: 0.5rem 1rem 0.9rem;
		border-width: 1px 0 0;
		border-radius: 0;
	}
	.side > :global(p) {
		max-width: 46rem;
	}
	.side:focus {
		outline: none;
	}
	.title {
		position: sticky;
		top: 0;
		z-index: 1;
		display: flex;
		align-items: center;
		justify-content: space-between;
		background: inherit;
	}
	h2 {
		font-size: 1.15rem;
	}
</style>
