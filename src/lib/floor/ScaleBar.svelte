<script lang="ts">
	/** How long a length is as the floor is seen now, and what else is said of it. */
	import type { Snippet } from 'svelte';
	import { showNumber } from '$lib/words/format';
	import type { FloorWindow } from './floor-window.svelte';

	let { view, children }: { view: FloorWindow; children?: Snippet } = $props();
</script>

<div class="scale-bar" aria-hidden="true">
	<span class="bar" style:width="{view.bar * view.scale}px"></span>
	{showNumber('length', view.bar)}
	{@render children?.()}
</div>

<style>
	.scale-bar {
		position: absolute;
		left: 1rem;
		bottom: 0.8rem;
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		max-width: calc(100% - 14.5rem);
		gap: 0 0.5rem;
		line-height: 1.3;
		padding: 0.15rem 0.5rem;
		border-radius: 0.4rem;
		background: color-mix(in oklch, var(--paper-deep) 82%, transparent);
		color: var(--ink-soft);
		font-size: 0.8rem;
		font-variant-numeric: tabular-nums;
		pointer-events: none;
	}
	.bar {
		height: 7px;
		border: 1.5px solid currentColor;
		border-top: 0;
	}
</style>
