<script lang="ts">
	/** A leaf under the floor: its head, and what is on it; up and down go from row to row. */
	import X from '@lucide/svelte/icons/x';
	import type { Snippet } from 'svelte';

	let {
		title,
		closeWord,
		onclose,
		rows,
		isLarge = false,
		onreach,
		head,
		tools,
		children
	}: {
		title: string;
		closeWord: string;
		onclose: () => void;
		/** Selects what the arrow keys go to. */
		rows?: string;
		/** It takes as much room as the floor. */
		isLarge?: boolean;
		/** The keyboard has come to a row. */
		onreach?: (place: number) => void;
		/** Between the title and what folds it away. */
		head: Snippet;
		/** Below the title, and always in sight. */
		tools?: Snippet;
		children: Snippet;
	} = $props();

	let leaf: HTMLElement;

	function onkeydown(event: KeyboardEvent) {
		const way = { ArrowDown: 1, ArrowUp: -1 }[event.key];
		const from = event.target as HTMLElement;
		if (!way || !rows || !from.matches(rows)) return;
		const all = [...leaf.querySelectorAll<HTMLElement>(rows)];
		const place = all.indexOf(from) + way;
		all[place]?.focus();
		if (all[place]) onreach?.(place);
		event.preventDefault();
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<section class="leaf" class:large={isLarge} aria-label={title} bind:this={leaf} {onkeydown}>
	<header>
		<div>
			<h2>{title}</h2>
			{@render head()}
			<button
				class="button button-plain button-icon"
				aria-label={closeWord}
				title={closeWord}
				onclick={onclose}><X size={18} /></button
			>
		</div>
		{@render tools?.()}
	</header>
	{@render children()}
</section>

<style>
	.leaf {
		display: flex;
		flex-direction: column;
		max-height: 18rem;
		border-top: 1px solid var(--line);
		background: var(--paper);
		overflow-y: auto;
	}
	.leaf.large {
		max-height: 62dvh;
	}
	header {
		position: sticky;
		top: 0;
		z-index: 1;
		padding: 0.15rem 0.5rem 0.15rem 1rem;
		background: var(--paper);
	}
	header div {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
	header :global(select) {
		flex: none;
		width: auto;
	}
	h2 {
		flex: 1;
		font-size: 1rem;
	}
	/* The floor stands above the trail: it needs what room there is. */
	@media (min-width: 561px) and (max-width: 900px) and (orientation: portrait) {
		.leaf {
			max-height: 25dvh;
		}
	}
	@media (max-width: 560px) {
		.leaf {
			max-height: 45dvh;
		}
	}
</style>
