<script lang="ts">
	/** One row of the trail as an item of its tree: where it lies, and what a screen reader says. */
	import type { Snippet } from 'svelte';
	import { t } from '$lib/i18n';
	import { leftOf, type Row } from './rows';
	import { budWords, wordsOf } from '$lib/words/step-words';

	let {
		row,
		number,
		top,
		width,
		zoom,
		isCurrent,
		isSelected,
		isFound,
		isLifted,
		onkeydown,
		onclick,
		children
	}: {
		row: Row;
		/** Of a step; 0 for all else. */
		number: number;
		/** Pixels. */
		top: number;
		/** Pixels at zoom 1. */
		width: number;
		zoom: number;
		/** It is the one that the keyboard reaches. */
		isCurrent: boolean;
		isSelected: boolean;
		/** The search has found it. */
		isFound: boolean;
		/** It is being dragged. */
		isLifted: boolean;
		onkeydown: (event: KeyboardEvent) => void;
		onclick: (event: MouseEvent) => void;
		children: Snippet;
	} = $props();

	const label = $derived.by(() => {
		if (row.type === 'step') {
			const off = row.step.off ? `, ${t('trail.off')}` : '';
			const words = wordsOf(row.step) + off;
			return number ? `${t('trail.number', { number })}: ${words}` : words;
		}
		if (row.type === 'head') return row.trigger ? wordsOf(row.trigger) : t('check.unlit');
		return budWords(row.owner);
	});
</script>

<div
	id="row-{row.key}"
	class="row {row.type}"
	class:found={isFound}
	class:lifted={isLifted}
	role="treeitem"
	tabindex={isCurrent ? 0 : -1}
	aria-level={row.level}
	aria-posinset={row.type === 'step' ? row.index + 1 : undefined}
	aria-setsize={row.type === 'step' ? row.size : undefined}
	aria-selected={isCurrent || isSelected}
	aria-expanded={row.type === 'step' && row.step.body ? row.folded === 0 : undefined}
	aria-label={label}
	aria-describedby={row.type !== 'bud' && row.problem
		? `problem-${row.key}`
		: row.type === 'step'
			? 'trail-shortcuts'
			: undefined}
	style:zoom
	style:transform="translateY({top / zoom}px)"
	style:width="{width}px"
	style:height="{row.height / zoom}px"
	style:padding-left="{leftOf(row.depth)}px"
	{onkeydown}
	{onclick}
>
	{@render children()}
</div>

<style>
	.row {
		position: absolute;
		contain: layout style;
		inset: 0 auto auto 0;
		display: flex;
		flex-direction: column;
		justify-content: center;
		padding-right: 0.5rem;
	}
	.row:focus-visible {
		outline: none;
	}
	.row:focus-visible :global(.tag),
	.row:focus-visible :global(.bud-mark),
	.found :global(.tag) {
		outline: 2px solid var(--verdigris);
		outline-offset: 2px;
	}
	.bud {
		cursor: pointer;
	}
	.lifted {
		opacity: 0.35;
	}
</style>
