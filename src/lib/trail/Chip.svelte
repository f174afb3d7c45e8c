<script lang="ts">
	/** One value of a step, on its tag. Opens the fitting editor. */
	import type { Step } from '$core/plan/plan';
	import { isExpression } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import { showRealSpeed } from '$lib/words/format';
	import { reader } from '$lib/words/reader.svelte';
	import Lamps from '$lib/ui/Lamps.svelte';
	import { showValue, valueName } from '$lib/words/values';
	import { seeking } from '$lib/workbench/seeking.svelte';
	import TryScale from './TryScale.svelte';
	import { slotOfKind } from '$lib/words/step-words';

	let {
		step,
		name,
		tabindex,
		isWrong = false,
		isBig = false,
		onopen
	}: {
		step: Step;
		name: string;
		tabindex: number;
		/** What stands here makes no sense. */
		isWrong?: boolean;
		isBig?: boolean;
		onopen: (name: string, anchor: HTMLElement) => void;
	} = $props();

	const definition = $derived(slotOfKind(step.kind, name));
	const value = $derived(step.values[name] ?? definition.initial);
	const shown = $derived(showValue(step.kind, name, definition, value));
	/** What a power comes to, where that was measured. */
	const measured = $derived(
		definition.type === 'number' &&
			definition.quantity === 'power' &&
			typeof value === 'number' &&
			reader.line()
			? showRealSpeed(value)
			: undefined
	);
	/** Somebody looks for it by trying. */
	const tries = $derived(typeof value === 'number' ? seeking.triesOf(step.id, name) : undefined);
	const label = $derived(t('value.change', { name: valueName(step.kind, name), value: shown }));
</script>

<button
	class="value-chip"
	class:expression={isExpression(value)}
	class:wrong={isWrong}
	class:big={isBig}
	class:sought={tries !== undefined}
	{tabindex}
	aria-label={label}
	title={measured}
	data-chip={name}
	onclick={(event) => onopen(name, event.currentTarget)}
>
	{#if definition.type === 'colour'}
		<span class="swatch" style:background={String(value)}></span>
	{:else if ['picture', 'film', 'face'].includes(definition.type)}
		<!-- Of a moving picture its first cloth. -->
		<svg class="swatch lamps" viewBox="0 0 8 8" aria-hidden="true"
			><Lamps picture={String(value).split(' ', 1)[0]!} /></svg
		>
	{/if}
	{#if !(isBig && definition.type === 'colour')}{shown}{/if}
	{#if tries && tries.length > 0}<TryScale {tries} value={Number(value)} />{/if}
</button>

<style>
	.value-chip {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		max-width: 100%;
		min-height: 2rem;
		margin-block: 2px;
		padding: 0.125rem 0.4rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		background: var(--paper-deep);
		color: inherit;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
		line-height: 1.25rem;
		text-align: left;
		white-space: normal;
		vertical-align: middle;
		cursor: pointer;
	}
	@media (pointer: coarse) {
		.value-chip {
			min-height: 2.5rem;
		}
	}
	.sought {
		position: relative;
		border-style: dashed;
		border-color: var(--lamp-text);
	}
	.value-chip:hover {
		border-color: var(--verdigris);
	}
	.expression {
		border-style: dotted;
		border-color: var(--mist);
		font-weight: 500;
	}
	.wrong {
		border: 1.5px solid var(--signal);
		background: var(--signal-soft);
	}
	.big {
		min-height: 3.2rem;
		padding: 0 0.9rem;
		font-size: 1.35rem;
	}
	.swatch {
		flex: none;
		width: 0.9rem;
		height: 0.9rem;
		border-radius: 50%;
		border: 1px solid var(--mist);
	}
	.lamps {
		border-radius: 0.15rem;
		background: oklch(0.2 0.03 258);
		scale: 1.35;
	}
	.big .swatch {
		width: 2rem;
		height: 2rem;
	}
</style>
