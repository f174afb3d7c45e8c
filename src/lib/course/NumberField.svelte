<script lang="ts">
	/** A number with its unit, as the person reads it; what does not fit stays, and it is said why. */
	import type { NumberFigure } from '$core/course/editing/figures';
	import { t } from '$lib/i18n';
	import { readNumber, toShown, toStored, unitOf } from '$lib/words/format';

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
	const shownOf = (stored: number) =>
		figure.quantity === 'mass' ? stored : toShown(figure.quantity, stored);
	const shown = $derived(shownOf(Number(value.toFixed(6))));
	const storedOf = (number: number) =>
		figure.quantity === 'mass' ? number : toStored(figure.quantity, number);

	let fault = $state('');
	$effect(() => {
		// Whatever was typed is about what was shown then.
		if (shown !== undefined) fault = '';
	});

	function take(field: HTMLInputElement) {
		const number = readNumber(field.value);
		// The same figure typed again does not round what lies there.
		if (number === shown) return back(field);
		const { minimum, maximum } = figure;
		// A bearing goes round.
		const isRound = figure.quantity === 'angle' && minimum === 0;
		const whole = isRound ? ((number % 360) + 360) % 360 : storedOf(number);
		const stored = Number(whole.toFixed(5));
		if (!(stored >= minimum && stored <= maximum)) {
			const range = { least: shownOf(minimum), most: shownOf(maximum), unit };
			fault = t('course.expected', range);
			return;
		}
		onset(stored);
		back(field);
	}
	function back(field: HTMLInputElement) {
		field.value = String(shown);
		fault = '';
	}
	function onkeydown(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
		if (event.key === 'Enter') take(event.currentTarget);
		if (event.key !== 'Escape' || event.currentTarget.value === String(shown)) return;
		back(event.currentTarget);
		event.preventDefault();
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
			{onkeydown}
			aria-invalid={fault !== ''}
			aria-describedby={fault ? `${id}-fault` : undefined}
		/><span class="unit">{unit}</span>
	</span>
	{#if fault}<p class="fault" id="{id}-fault" role="alert">{fault}</p>{/if}
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
	.fault {
		color: var(--signal);
	}
	.unit {
		color: var(--ink-soft);
	}
</style>
