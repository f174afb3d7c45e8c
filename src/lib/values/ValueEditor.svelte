<script lang="ts">
	/** Changes one value of a step. Each change is an edit of its own, seen at once on the tag. */
	import type { Step } from '$core/plan/plan';
	import { robotKindOf } from '$core/robots/kinds';
	import { definitionOf } from '$core/steps/catalogue';
	import type { Value } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import ChoiceEditor from './ChoiceEditor.svelte';
	import ColourEditor from './ColourEditor.svelte';
	import NumberEditor from './NumberEditor.svelte';
	import { showValue } from './format';

	let {
		bench,
		step,
		name,
		onclose
	}: { bench: Workbench; step: Step; name: string; onclose: () => void } = $props();

	const definition = $derived(definitionOf(step.kind).values[name]!);
	/** cm/s with a full battery, of the robot the plan is for. */
	const realSpeed = $derived(
		Number(step.values[name]) * robotKindOf(bench.plan.robots[0]!.kind).topSpeed * 100
	);
	const label = $derived(t(`step.${step.kind}.${name}`));

	function set(value: Value) {
		if (value === step.values[name]) return;
		const shown = showValue(step.kind, name, definition, value);
		bench.edit(
			{ type: 'setValue', step: step.id, name, value },
			t('say.value', { name: label, value: shown })
		);
	}
</script>

<div class="editor">
	<p class="value-name" id="value-label">{label}</p>
	{#if definition.type === 'number'}
		<NumberEditor {definition} value={Number(step.values[name])} onset={set} {onclose} />
		{#if definition.quantity === 'ratio' && name === 'speed'}
			<p class="hint">{t('value.realSpeed', { speed: realSpeed })}</p>
		{/if}
	{:else if definition.type === 'choice'}
		<ChoiceEditor
			{definition}
			kind={step.kind}
			{name}
			value={String(step.values[name])}
			onset={(value) => {
				set(value);
				onclose();
			}}
		/>
	{:else}
		<ColourEditor
			value={String(step.values[name])}
			onset={set}
			ondone={(value) => {
				set(value);
				onclose();
			}}
		/>
	{/if}
</div>

<style>
	.editor {
		width: min(18rem, calc(100vw - 2rem));
		padding: 0.8rem;
	}
	.value-name {
		margin-bottom: 0.5rem;
		font-weight: 600;
	}
	.hint {
		margin-top: 0.4rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
</style>
