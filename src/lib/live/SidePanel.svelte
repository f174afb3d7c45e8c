<script lang="ts">
	/** A panel beside the floor: the floor stays free, and nothing else is locked. */
	import { X } from '@lucide/svelte';
	import type { Snippet } from 'svelte';
	import { t } from '$lib/i18n';

	let { title, onclose, children }: { title: string; onclose: () => void; children: Snippet } =
		$props();

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
	onkeydown={(event) => event.key === 'Escape' && onclose()}
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
		position: fixed;
		top: 4.2rem;
		right: 0.9rem;
		z-index: 30;
		display: grid;
		gap: 0.6rem;
		width: min(25rem, calc(100vw - 1.8rem));
		max-height: calc(100dvh - 5rem);
		overflow-y: auto;
		padding: 0.8rem 1rem 1rem;
	}
	.side:focus {
		outline: none;
	}
	.title {
		display: flex;
		align-items: center;
		justify-content: space-between;
	}
	h2 {
		font-size: 1.15rem;
	}
	@media (max-width: 900px) {
		.side {
			top: 7rem;
			max-height: calc(100dvh - 8rem);
		}
	}
	/* A phone: under the floor, where the thumbs are. */
	@media (max-width: 560px) {
		.side {
			top: auto;
			right: 0.4rem;
			bottom: 4rem;
			left: 0.4rem;
			width: auto;
			max-height: 58dvh;
		}
	}
</style>
