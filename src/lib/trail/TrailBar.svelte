<script lang="ts">
	/** What the trail as a whole can do: how much the shelf offers, problems, search, zoom. */
	import Keyboard from '@lucide/svelte/icons/keyboard';
	import Maximize2 from '@lucide/svelte/icons/maximize-2';
	import Pin from '@lucide/svelte/icons/pin';
	import PinOff from '@lucide/svelte/icons/pin-off';
	import Search from '@lucide/svelte/icons/search';
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import ZoomIn from '@lucide/svelte/icons/zoom-in';
	import ZoomOut from '@lucide/svelte/icons/zoom-out';
	import { levels, type Level } from '$core/levels';
	import { deskKeys } from '$lib/desk/keys';
	import { t } from '$lib/i18n';
	import { shownKeys } from '$lib/ui/keys';
	import { preferences } from '$lib/preferences.svelte';
	import UnitsMenu from './UnitsMenu.svelte';

	let {
		problemCount,
		onproblems,
		onsearch,
		onzoom,
		onfit,
		onshortcuts
	}: {
		problemCount: number;
		onproblems: (anchor: HTMLElement) => void;
		onsearch: () => void;
		onzoom: (factor: number) => void;
		onfit: () => void;
		onshortcuts: () => void;
	} = $props();

	const isFirst = $derived(preferences.level === 'first');
	const lamps: Record<Level, number> = { first: 1, further: 2, full: 3 };
</script>

<div class="bar">
	<div class="levels" role="radiogroup" aria-label={t('level.label')}>
		{#each levels as level (level)}
			<button
				class="level"
				role="radio"
				aria-checked={preferences.level === level}
				tabindex={preferences.level === level ? 0 : -1}
				title={t(`level.${level}.explain`)}
				onclick={() => preferences.choose({ level })}
				onkeydown={(event) => {
					const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
					if (!by) return;
					event.preventDefault();
					const next = levels[(levels.indexOf(level) + by + levels.length) % levels.length]!;
					preferences.choose({ level: next });
					const row = event.currentTarget.parentElement;
					(row?.children[levels.indexOf(next)] as HTMLElement).focus();
				}}
			>
				<span class="lamps" aria-hidden="true"
					>{#each { length: lamps[level] }, index (index)}<i></i>{/each}</span
				><span class="word">{t(`level.${level}`)}</span>
			</button>
		{/each}
	</div>
	<span class="space"></span>
	{#if problemCount > 0}
		<button
			class="button button-plain problems"
			aria-label={t('problems.open', { count: problemCount })}
			title={t('problems.open', { count: problemCount })}
			onclick={(event) => onproblems(event.currentTarget)}
			><TriangleAlert size={17} />{problemCount}</button
		>
	{/if}
	{#if !isFirst}
		<button
			class="button button-plain tool"
			aria-label={t('search.open')}
			title="{t('search.open')} (/)"
			onclick={onsearch}><Search size={17} /></button
		>
		<UnitsMenu />
		<button
			class="button button-plain tool"
			aria-pressed={preferences.isShelfPinned}
			aria-label={t('shelf.pin')}
			title={t('shelf.pin')}
			onclick={() => preferences.choose({ isShelfPinned: !preferences.isShelfPinned })}
		>
			{#if preferences.isShelfPinned}<PinOff size={17} />{:else}<Pin size={17} />{/if}
		</button>
	{/if}
	<button
		class="button button-plain tool wide"
		aria-label={t('zoom.out')}
		title="{t('zoom.out')} (−)"
		onclick={() => onzoom(1 / 1.15)}><ZoomOut size={17} /></button
	>
	<button
		class="button button-plain tool wide"
		aria-label={t('zoom.in')}
		title="{t('zoom.in')} (+)"
		onclick={() => onzoom(1.15)}><ZoomIn size={17} /></button
	>
	<button
		class="button button-plain tool wide"
		aria-label={t('zoom.fit')}
		title="{t('zoom.fit')} (0)"
		onclick={onfit}><Maximize2 size={16} /></button
	>
	{#if !isFirst}
		<button
			class="button button-plain tool wide keys"
			aria-label={t('shortcuts.open')}
			title="{t('shortcuts.open')} ({shownKeys(deskKeys.keys)})"
			onclick={onshortcuts}><Keyboard size={18} /></button
		>
	{/if}
</div>

<style>
	.bar {
		display: flex;
		align-items: center;
		gap: 0.1rem;
		padding: 0.15rem 0.4rem;
		border-bottom: 1px solid var(--line);
	}
	.levels {
		display: flex;
		flex: none;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		overflow: hidden;
	}
	.level {
		display: flex;
		align-items: center;
		gap: 0.3rem;
		min-height: 2.1rem;
		padding: 0 0.5rem;
		color: var(--ink-soft);
		font-size: 0.86rem;
		cursor: pointer;
	}
	.level[aria-checked='true'] {
		background: var(--verdigris-soft);
		color: var(--ink);
		font-weight: 600;
	}
	.level:focus-visible {
		outline-offset: -3px;
	}
	.lamps {
		display: inline-flex;
		gap: 2px;
	}
	.lamps i {
		width: 4px;
		height: 4px;
		border: 1px solid var(--lamp-text);
		border-radius: 50%;
		background: var(--lamp);
	}
	.space {
		flex: 1;
	}
	.problems {
		gap: 0.3rem;
		min-height: 2.2rem;
		padding: 0 0.35rem;
		color: var(--signal);
	}
	.tool {
		min-width: 1.85rem;
		min-height: 2.2rem;
		padding: 0;
	}
	/* The trail stands beside the floor and is narrow. */
	@media (min-width: 821px) and (max-width: 1180px) {
		.level[aria-checked='false'] .word {
			position: absolute;
			width: 1px;
			height: 1px;
			clip-path: inset(50%);
		}
	}
	@media (pointer: coarse) {
		.keys {
			display: none;
		}
		.level,
		.problems,
		.tool {
			min-height: 2.75rem;
		}
		.tool {
			min-width: 2.5rem;
		}
	}
	@media (max-width: 560px) {
		.wide {
			display: none;
		}
		.lamps {
			display: none;
		}
	}
</style>
