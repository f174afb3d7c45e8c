<script lang="ts">
	/** A step as a paper tag on the cord: its lamp with its number, its sentence, its seconds. */
	import { EllipsisVertical, TriangleAlert } from '@lucide/svelte';
	import type { Sentence } from '$core/sentence';
	import { definitionOf } from '$core/steps/catalogue';
	import { say, t } from '$lib/i18n';
	import Chip from './Chip.svelte';
	import type { StepRow } from './rows';
	import { sentenceParts } from './words';

	let {
		row,
		isCurrent,
		isRunning,
		passed,
		problem,
		isPickedUp,
		onvalue,
		onmenu,
		onbud
	}: {
		row: StepRow;
		isCurrent: boolean;
		isRunning: boolean;
		passed: { seconds: number; times: number } | undefined;
		problem: Sentence | undefined;
		isPickedUp: boolean;
		onvalue: (name: string, anchor: HTMLElement) => void;
		onmenu: (anchor: HTMLElement) => void;
		onbud: (anchor: HTMLElement) => void;
	} = $props();

	// Taken out of the row, so that a row with a new number does not redraw its values.
	const step = $derived(row.step);
	const definition = $derived(definitionOf(step.kind));
	const tabindex = $derived(isCurrent ? 0 : -1);
	const took = $derived.by(() => {
		if (!passed || isRunning || (!definition.takesTime && !definition.hasBody)) return '';
		return passed.times > 1 ? t('trail.tookTimes', { ...passed }) : t('trail.took', { ...passed });
	});
</script>

<span
	class="lamp"
	class:running={isRunning}
	class:passed={passed && !isRunning}
	class:unlit={!row.isLit}
	aria-hidden="true">{row.number}</span
>
<div class="tag" class:running={isRunning} class:unlit={!row.isLit} class:picked={isPickedUp}>
	<svg class="glyph" viewBox="0 0 24 24" width="20" height="20" aria-hidden="true"
		><path d={definition.glyph} /></svg
	>
	<span class="sentence">
		{#each sentenceParts(step.kind) as part, index (index)}
			{#if 'slot' in part}
				<Chip {step} name={part.slot} {tabindex} onopen={onvalue} />
			{:else}<span>{part.text}</span>{/if}
		{/each}
	</span>
	{#if isRunning}<span class="sr-only-live">{t('trail.running')}</span>{/if}
	{#if took}<span class="took">{took}</span>{/if}
	{#if problem}
		<span class="problem" title={say(problem)}>
			<TriangleAlert size={16} aria-hidden="true" /><span class="sr-only-live">{say(problem)}</span>
		</span>
	{/if}
	<button
		class="more"
		{tabindex}
		aria-label={t('trail.stepMenu', { number: row.number })}
		onclick={(event) => onmenu(event.currentTarget)}><EllipsisVertical size={18} /></button
	>
</div>
<button
	class="bud-between"
	tabindex="-1"
	aria-label={t('trail.addAfter', { number: row.number })}
	title={t('trail.addAfter', { number: row.number })}
	onclick={(event) => onbud(event.currentTarget)}>+</button
>

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
	.tag.picked {
		outline: 3px solid var(--verdigris);
		transform: rotate(-0.6deg);
	}
	.glyph {
		flex: none;
		fill: none;
		stroke: var(--ink-soft);
		stroke-width: 1.9;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.sentence {
		display: inline-flex;
		align-items: center;
		white-space: pre;
	}
	.took {
		margin-left: 0.4rem;
		color: var(--lamp-text);
		font-size: 0.82rem;
		font-variant-numeric: tabular-nums;
		white-space: nowrap;
	}
	.problem {
		color: var(--signal);
	}
	.more {
		display: grid;
		place-items: center;
		width: 2.1rem;
		height: 44px;
		color: var(--ink-soft);
		cursor: pointer;
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
	:global(.row:hover) > .bud-between,
	:global(.row:focus-within) > .bud-between,
	.bud-between:hover {
		opacity: 1;
	}
	@media (max-width: 560px) {
		.glyph {
			display: none;
		}
	}
	@media (pointer: coarse) {
		.bud-between {
			display: none;
		}
	}
</style>
