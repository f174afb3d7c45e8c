<script lang="ts">
	/** One setting of a robot, as its kind declares it. */
	import { isExpression, type Value, type ValueDefinition } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import { shownRange, toShown, toStored, unitOf } from '$lib/words/format';

	let {
		label,
		definition,
		value,
		optionWord = (option) => option,
		onset
	}: {
		label: string;
		definition: ValueDefinition;
		value: Value;
		/** How an option of a choice is called. */
		optionWord?: (option: string) => string;
		onset: (value: Value) => void;
	} = $props();

	const text = $derived(isExpression(value) ? value.expression : String(value));
	const range = $derived(definition.type === 'number' ? shownRange(definition) : null);

	/** A number out of range is brought back into it. */
	function setNumber(field: HTMLInputElement) {
		if (definition.type !== 'number') return;
		const { minimum, maximum, quantity } = definition;
		const stored = toStored(quantity, field.valueAsNumber);
		if (!Number.isNaN(stored)) onset(Math.max(minimum, Math.min(maximum, stored)));
		field.value = String(toShown(quantity, Number(value)));
	}
</script>

<label>
	{label}
	{#if definition.type === 'choice'}
		<select class="field" value={text} onchange={(event) => onset(event.currentTarget.value)}>
			{#each definition.options as option (option)}<option value={option}
					>{optionWord(option)}</option
				>{/each}
		</select>
	{:else if definition.type === 'number' && range}
		<span class="number">
			<input
				class="field"
				type="number"
				min={range.minimum}
				max={range.maximum}
				step="any"
				value={toShown(definition.quantity, Number(value))}
				onchange={(event) => setNumber(event.currentTarget)}
			/>{unitOf(definition.quantity)}
		</span>
		<span class="range">{t('value.range', { ...range, unit: unitOf(definition.quantity) })}</span>
	{:else if definition.type === 'colour'}
		<input
			class="field"
			type="color"
			value={text}
			onchange={(event) => onset(event.currentTarget.value)}
		/>
	{:else}
		<input class="field" value={text} onchange={(event) => onset(event.currentTarget.value)} />
	{/if}
</label>

<style>
	label {
		display: block;
	}
	.field {
		width: 100%;
		margin-top: 0.2rem;
	}
	.number {
		display: flex;
		align-items: center;
		gap: 0.4rem;
	}
	.range {
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
</style>
