<script lang="ts">
	/** A number with its unit, as the person reads it; what does not fit is brought into its range. */
	import type { NumberFigure } from '$core/course/figures';
	import { t } from '$lib/i18n';
	import { readNumber, toShown, toStored, unitOf } from '$lib/values/format';

	let {
		label,
		figure,
		value,
		onset
	}: {
		label: string;
		figure: Omit<NumberFigure, 'name' | 'type'>;
		/** Metres, degrees, kilograms. */
		value: number;
		onset: (value: number) => void;
	} = $props();

	const id = $props.id();
	const unit = $derived(
		figure.quantity === 'mass' ? t('course.unit.mass') : unitOf(figure.quantity)
	);
	const shown = $derived(
		figure.quantity === 'mass' ? value : toShown(figure.quantity, Number(value.toFixed(6)))
	);
	const storedOf = (number: number) =>
		figure.quantity === 'mass' ? number : toStored(figure.quantity, number);

	function take(field: HTMLInputElement) {
		const number = readNumber(field.value);
		const stored = Math.max(figure.minimum, Math.min(figure.maximum, storedOf(number)));
		// The same figure typed again does not round what lies there.
		if (!Number.isNaN(number) && number !== shown) onset(Number(stored.toFixed(5)));
		field.value = String(shown);
	}
</script>

<div class="number">
	<label for={id}>{label}</label>
	<span class="entry">
		<input
			{id}
			class="field"
			type="text"
			inputmode="decimal"
			value={shown}
			onchange={(event) => take(event.currentTarget)}
			onkeydown={(event) => event.key === 'Enter' && take(event.currentTarget)}
		/><span class="unit">{unit}</span>
	</span>
</div>

<style>
	.number {
		display: grid;
		align-content: start;
		min-width: 0;
		font-size: 0.85rem;
	}
	.entry {
		display: flex;
		align-items: center;
		gap: 0.25rem;
	}
	.field {
		width: 100%;
		min-width: 0;
		min-height: 2.5rem;
		padding: 0 0.5rem;
		font-variant-numeric: tabular-nums;
	}
	.unit {
		color: var(--ink-soft);
	}
</style>
