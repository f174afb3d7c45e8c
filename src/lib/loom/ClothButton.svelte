<script lang="ts">
	/** A cloth, small, as a button with a word below it. */
	import type { HTMLButtonAttributes } from 'svelte/elements';
	import Lamps from '$lib/ui/Lamps.svelte';

	let {
		picture,
		caption,
		...rest
	}: { picture: string; caption: string | number } & HTMLButtonAttributes = $props();
</script>

<button {...rest}>
	<svg viewBox="0 0 8 8" aria-hidden="true"><Lamps {picture} /></svg>
	<span aria-hidden="true">{caption}</span>
</button>

<style>
	button {
		display: grid;
		width: 100%;
		padding: 0.2rem;
		border: 1.5px solid var(--line);
		border-radius: 0.5rem;
		background: var(--paper);
		color: var(--ink-soft);
		font-size: 0.8rem;
		cursor: pointer;
	}
	button[aria-checked='true'] {
		outline: 2.5px solid var(--verdigris);
		outline-offset: 1px;
		color: var(--ink);
		font-weight: 700;
	}
	svg {
		border-radius: 0.35rem;
		background: oklch(0.2 0.03 258);
	}
	span {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
</style>
