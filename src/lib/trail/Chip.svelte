<script lang="ts">
	/** One value of a step, on its tag. Opens the fitting editor. */
	import type { Step } from '$core/plan/plan';
	import { definitionOf } from '$core/steps/catalogue';
	import { t } from '$lib/i18n';
	import { showValue } from '$lib/values/format';

	let {
		step,
		name,
		tabindex,
		onopen
	}: {
		step: Step;
		name: string;
		tabindex: number;
		onopen: (name: string, anchor: HTMLElement) => void;
	} = $props();

	const definition = $derived(definitionOf(step.kind).values[name]!);
	const value = $derived(showValue(step.kind, name, definition, step.values[name]!));
	const label = $derived(t('value.change', { name: t(`step.${step.kind}.${name}`), value }));
</script>

<button
	class="value-chip"
	{tabindex}
	aria-label={label}
	data-chip={name}
	onclick={(event) => onopen(name, event.currentTarget)}
>
	{#if definition.type === 'colour'}
		<span class="swatch" style:background={String(step.values[name])}></span>
	{/if}
	{value}
</button>

<style>
	.value-chip {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		min-height: 2rem;
		padding: 0 0.5rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		background: var(--paper-deep);
		color: inherit;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
		white-space: nowrap;
		cursor: pointer;
	}
	@media (pointer: coarse) {
		.value-chip {
			min-height: 2.5rem;
		}
	}
	.value-chip:hover {
		border-color: var(--verdigris);
	}
	.swatch {
		width: 0.9rem;
		height: 0.9rem;
		border-radius: 50%;
		border: 1px solid var(--mist);
	}
</style>
