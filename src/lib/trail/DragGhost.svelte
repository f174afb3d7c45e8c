<script lang="ts">
	/** What is dragged, under the pointer. */
	import { t } from '$lib/i18n';
	import type { Drag } from './dragged.svelte';

	let { drag }: { drag: Drag } = $props();
</script>

<div
	class="ghost"
	class:removing={drag.target === 'remove'}
	style:transform="translate({drag.x + 10}px, {drag.y + 6}px)"
>
	{drag.target === 'remove' ? t('trail.dropRemove') : drag.words}
</div>

<style>
	.ghost {
		position: fixed;
		top: 0;
		left: 0;
		z-index: 50;
		padding: 0.5rem 0.8rem;
		border: 1px solid var(--verdigris);
		border-radius: 0.3rem 0.7rem 0.7rem 0.3rem;
		background: var(--tag);
		box-shadow: 0 6px 20px oklch(0.2 0.04 258 / 0.25);
		pointer-events: none;
	}
	.ghost.removing {
		border-color: var(--signal);
		background: var(--signal-soft);
		color: var(--signal);
	}
</style>
