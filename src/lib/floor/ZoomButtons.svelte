<script lang="ts">
	/** Buttons in the corner of a floor: those that zoom, after what else belongs there. */
	import Maximize from '@lucide/svelte/icons/maximize';
	import Minus from '@lucide/svelte/icons/minus';
	import Plus from '@lucide/svelte/icons/plus';
	import type { Snippet } from 'svelte';
	import { t } from '$lib/i18n';
	import type { FloorWindow } from './floor-window.svelte';

	let { view, children }: { view: FloorWindow; children?: Snippet } = $props();

	const factor = 1.4;
</script>

<div class="tools">
	{@render children?.()}
	<button
		class="button button-line button-icon"
		aria-label={t('floor.zoomIn')}
		title={t('floor.zoomIn')}
		onclick={() => view.zoomBy(factor)}><Plus size={20} /></button
	>
	<button
		class="button button-line button-icon"
		aria-label={t('floor.zoomOut')}
		title={t('floor.zoomOut')}
		onclick={() => view.zoomBy(1 / factor)}><Minus size={20} /></button
	>
	<button
		class="button button-line button-icon"
		aria-label={t('floor.fit')}
		title={t('floor.fit')}
		onclick={() => view.fitAll()}><Maximize size={18} /></button
	>
</div>

<style>
	.tools {
		position: absolute;
		right: 0.75rem;
		bottom: 0.75rem;
		display: flex;
		gap: 0.4rem;
	}
</style>
