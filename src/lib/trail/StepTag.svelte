<script lang="ts">
	/** A step as a paper tag on the cord: its lamp with its number, its sentence, its seconds. */
	import { definitionOf } from '$core/steps/catalogue';
	import { t } from '$lib/i18n';
	import Chevron from '$lib/ui/Chevron.svelte';
	import MoreDots from '$lib/ui/MoreDots.svelte';
	import { preferences } from '$lib/preferences.svelte';
	import type { Values } from '$core/steps/definition';
	import Chip from './Chip.svelte';
	import Glyph from '$lib/words/Glyph.svelte';
	import type { StepRow } from './rows';
	import Sentence from './Sentence.svelte';

	let {
		row,
		number,
		values,
		isCurrent,
		isSelected,
		isRunning,
		passed,
		scatters,
		isPickedUp,
		onvalue,
		onmenu,
		onfold,
		onbud,
		onleg
	}: {
		row: StepRow;
		/** 0 for a branch. */
		number: number;
		/** Those of the step, as they are shown. */
		values: Values;
		isCurrent: boolean;
		isSelected: boolean;
		isRunning: boolean;
		passed: { seconds: number; times: number } | undefined;
		/** Metres that it scatters of its own, while that is looked at. */
		scatters: number | undefined;
		isPickedUp: boolean;
		onvalue: (name: string, anchor: HTMLElement) => void;
		onmenu: (anchor: HTMLElement) => void;
		onfold: () => void;
		onbud: (anchor: HTMLElement) => void;
		/** What it did when it ran is wanted. */
		onleg: () => void;
	} = $props();

	// Taken out of the row, so that a row at a new place does not redraw its values.
	const step = $derived(row.step);
	const definition = $derived(definitionOf(step.kind));
	const tabindex = $derived(isCurrent ? 0 : -1);
	const isFirst = $derived(preferences.level === 'first');
	const isBranch = $derived(definition.isBranch === true);
	const took = $derived.by(() => {
		if (!passed || isRunning || (!definition.takesTime && !definition.hasBody)) return '';
		return passed.times > 1 ? t('trail.tookTimes', { ...passed }) : t('trail.took', { ...passed });
	});
</script>

<span
	class="lamp"
	class:branch={isBranch}
	class:running={isRunning}
	class:passed={passed && !isRunning}
	class:unlit={!row.isLit}
	aria-hidden="true">{isBranch ? '' : number}</span
>
<div
	class="tag"
	class:first={isFirst}
	class:branch={isBranch}
	class:running={isRunning}
	class:unlit={!row.isLit}
	class:off={step.off}
	class:picked={isPickedUp}
	class:selected={isSelected}
>
	{#if isFirst}
		<Glyph kind={step.kind} values={step.values} size={isBranch ? 30 : 46} />
		{#if definition.firstValue}
			<Chip {step} name={definition.firstValue} {tabindex} isBig onopen={onvalue} />
		{/if}
	{:else}
		<span class="glyph"><Glyph kind={step.kind} values={step.values} /></span>
		<Sentence {step} {values} {tabindex} wrongValue={row.problem?.value} {onvalue} />
	{/if}
	{#if step.body}
		<button
			class="fold"
			{tabindex}
			aria-expanded={row.folded === 0}
			aria-label={t(row.folded ? 'trail.unfold' : 'trail.fold')}
			title={t(row.folded ? 'trail.unfold' : 'trail.fold')}
			onclick={onfold}
		>
			<Chevron isOpen={row.folded === 0} />
			{#if row.folded}{t('trail.inside', { count: row.folded })}{/if}
		</button>
	{/if}
	{#if step.off}<span class="off-word">{t('trail.off')}</span>{/if}
	{#if isRunning}<span class="sr-only-live">{t('trail.running')}</span>{/if}
	{#if scatters !== undefined}
		<span class="took" title={t('trail.scattersHelp')}
			>{t('trail.scatters', { centimetres: scatters * 100 })}</span
		>
	{:else if took && isFirst}<span class="took">{took}</span>
	{:else if took}
		<button class="took" {tabindex} title={t('trail.leg')} onclick={onleg}>{took}</button>
	{/if}
	<button
		class="more"
		{tabindex}
		aria-label={number ? t('trail.stepMenu', { number }) : t('trail.branchMenu')}
		onclick={(event) => onmenu(event.currentTarget)}><MoreDots /></button
	>
</div>
{#if number}
	<button
		class="bud-between"
		tabindex="-1"
		aria-label={t('trail.addAfter', { number })}
		title={t('trail.addAfter', { number })}
		onclick={(event) => onbud(event.currentTarget)}>+</button
	>
{/if}

<style>
	.lamp {
		position: relative;
		z-index: 1;
		flex: none;
		display: grid;
		place-items: center;
		width: 1.75rem;
		height: 1.75rem;
		border: 2px solid var(--ink-soft);
		border-radius: 50%;
		background: var(--paper);
		color: var(--ink-soft);
		font-size: 0.75rem;
		font-weight: 700;
		font-variant-numeric: tabular-nums;
	}
	/* A fork of the cord: a square on its corner. */
	.lamp.branch {
		width: 1.05rem;
		height: 1.05rem;
		margin-inline: 0.35rem;
		border-radius: 0.15rem;
		transform: rotate(45deg);
	}
	.lamp.passed {
		border-color: var(--lamp-text);
		background: var(--lamp-soft);
		color: var(--lamp-text);
	}
	.lamp.running {
		border-color: var(--lamp-text);
		background: var(--lamp);
		color: oklch(0.25 0.05 60);
		box-shadow:
			0 0 0 4px color-mix(in oklch, var(--lamp) 35%, transparent),
			0 0 18px 4px color-mix(in oklch, var(--lamp) 60%, transparent);
	}
	.lamp.unlit {
		border-style: dashed;
		border-color: var(--mist);
		color: var(--mist);
	}
	.tag {
		position: relative;
		min-width: 0;
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 46px;
		padding: 0 0.1rem 0 0.6rem;
		border: 1px solid var(--line);
		border-radius: 0.3rem 0.7rem 0.7rem 0.3rem;
		background: var(--tag);
		box-shadow: var(--shadow);
	}
	.tag.first {
		min-height: 72px;
		gap: 0.8rem;
		padding-left: 0.9rem;
	}
	.tag.branch {
		min-height: 40px;
		border-style: solid none solid solid;
		border-radius: 1.2rem 0 0 1.2rem;
		background: var(--paper-deep);
		box-shadow: none;
		font-weight: 500;
	}
	.tag.running {
		border-color: var(--lamp-text);
		background: var(--lamp-soft);
	}
	.tag.unlit {
		border-style: dashed;
		border-color: var(--mist);
		background: transparent;
		box-shadow: none;
		color: var(--ink-soft);
	}
	.tag.off :global(.sentence),
	.tag.off .glyph {
		text-decoration: line-through;
		opacity: 0.75;
	}
	.tag.selected {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
		box-shadow: 0 0 0 1.5px var(--verdigris);
	}
	.tag.picked {
		outline: 3px solid var(--verdigris);
		transform: rotate(-0.6deg);
	}
	.glyph {
		display: contents;
		color: var(--ink-soft);
	}
	/* Stamped on the corner, so that a tag keeps its size when its step has run. */
	.took {
		position: absolute;
		top: -0.5rem;
		right: 0.35rem;
		padding: 0 0.35rem;
		border: 1px solid var(--lamp-text);
		border-radius: 0.5rem;
		background: var(--lamp-soft);
		color: var(--lamp-text);
		font-size: 0.75rem;
		line-height: 0.95rem;
		font-variant-numeric: tabular-nums;
		white-space: nowrap;
	}
	button.took {
		cursor: pointer;
	}
	/* As large as a finger needs. */
	button.took::after {
		position: absolute;
		inset: -0.45rem -0.3rem;
		content: '';
	}
	.off-word {
		margin-left: 0.4rem;
		color: var(--ink-soft);
		font-size: 0.82rem;
		white-space: nowrap;
	}
	.fold {
		flex: none;
		display: inline-flex;
		align-items: center;
		gap: 0.2rem;
		min-width: 1.9rem;
		min-height: 2.2rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
		white-space: nowrap;
		cursor: pointer;
	}
	.more {
		flex: none;
		display: grid;
		place-items: center;
		width: 2.1rem;
		height: 44px;
		color: var(--ink-soft);
		cursor: pointer;
	}
	.tag.branch .more {
		height: 38px;
	}
	.bud-between {
		position: absolute;
		left: calc(0.875rem - 11px);
		bottom: -13px;
		z-index: 2;
		width: 22px;
		height: 22px;
		border: 1.5px solid var(--verdigris);
		border-radius: 50%;
		background: var(--tag);
		color: var(--verdigris);
		font-weight: 700;
		line-height: 1;
		opacity: 0;
		cursor: pointer;
	}
	:global(.row:hover) .bud-between,
	:global(.row:focus-within) .bud-between,
	.bud-between:hover {
		opacity: 1;
	}
	@media (max-width: 560px) {
		.tag:not(.first) .glyph {
			display: none;
		}
	}
	@media (pointer: coarse) {
		.bud-between {
			display: none;
		}
	}
</style>
