<script lang="ts">
	/** The border between floor and trail, one above the other: dragged, or moved by arrow keys. */
	import { t } from '$lib/i18n';

	let {
		share,
		onshare
	}: {
		/** Part of the height that the upper pane has. */
		share: number;
		onshare: (share: number) => void;
	} = $props();

	const least = 0.25;
	const most = 0.75;
	const usual = 0.5;
	const set = (next: number) => onshare(Math.max(least, Math.min(most, next)));

	function onpointermove({ currentTarget, pointerId, clientY }: PointerEvent) {
		const edge = currentTarget as HTMLElement;
		if (!edge.hasPointerCapture(pointerId)) return;
		const { top, height } = edge.closest('.panes')!.getBoundingClientRect();
		set((clientY - top) / height);
	}

	const keys: Record<string, () => void> = {
		ArrowUp: () => set(share - 0.05),
		ArrowDown: () => set(share + 0.05),
		Home: () => set(least),
		End: () => set(most)
	};
	function onkeydown(event: KeyboardEvent) {
		const action = keys[event.key];
		if (!action) return;
		event.preventDefault();
		action();
	}
</script>

<!-- A separator that can be moved is a control, by WAI-ARIA. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="edge"
	role="separator"
	tabindex="0"
	aria-orientation="horizontal"
	aria-label={t('bench.border')}
	aria-valuenow={Math.round(share * 100)}
	aria-valuemin={least * 100}
	aria-valuemax={most * 100}
	onpointerdown={({ currentTarget, pointerId }) => currentTarget.setPointerCapture(pointerId)}
	{onpointermove}
	{onkeydown}
	ondblclick={() => set(usual)}
>
	<span class="grip"></span>
</div>

<style>
	.edge {
		display: grid;
		place-items: center;
		height: 1.5rem;
		border-block: 1px solid var(--line);
		background: var(--paper);
		cursor: row-resize;
		touch-action: none;
	}
	.edge:focus-visible {
		outline-offset: -3px;
	}
	.grip {
		width: 3rem;
		height: 4px;
		border-radius: 2px;
		background: var(--mist);
	}
</style>
