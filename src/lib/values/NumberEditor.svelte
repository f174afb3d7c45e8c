<script lang="ts">
	/** A number: typed, stepped or slid; for an angle, a dial as well. */
	import { untrack } from 'svelte';
	import { Slider } from '@skeletonlabs/skeleton-svelte';
	import Diff from '@lucide/svelte/icons/diff';
	import Minus from '@lucide/svelte/icons/minus';
	import Plus from '@lucide/svelte/icons/plus';
	import type { NumberDefinition } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import AngleDial from './AngleDial.svelte';
	import { onLeave } from '$lib/ui/leaving';
	import { readFor, shownRange, toShown, toStored, unitOf } from '$lib/words/format';

	let {
		definition,
		value,
		onset,
		onexpression,
		onclose
	}: {
		definition: NumberDefinition;
		value: number;
		onset: (value: number) => void;
		/** The person typed what is no number. Missing where only numbers can stand. */
		onexpression?: ((text: string) => void) | undefined;
		onclose: () => void;
	} = $props();

	// An editor is opened anew for each value, and may take one while it goes away.
	const { quantity, minimum, maximum } = untrack(() => definition);
	const range = shownRange(untrack(() => definition));
	const unit = unitOf(quantity);
	const canBeNegative = minimum < 0;
	const shown = $derived(toShown(quantity, value));
	/** What is being typed, until it is taken. */
	let typed = $state<string | null>(null);
	/** While the slider is held. */
	let held = $state<number | null>(null);

	/** The slider covers what is used most; more can be typed. */
	const usual = {
		length: 200,
		ratio: 100,
		power: 100,
		angle: 360,
		duration: 10,
		count: 20,
		number: 10,
		frequency: 2000
	};
	const sliderTop = $derived(Math.min(range.maximum, Math.max(usual[quantity], Math.abs(shown))));
	const sliderBottom = $derived(Math.max(range.minimum, -sliderTop));

	/** Something that could be an expression: it has letters, or signs between numbers. */
	const looksLikeExpression = (text: string) => /[\p{L}(*/×÷]|\d\s*[+-]/u.test(text);

	function isRefused(text: string): boolean {
		const number = readFor(quantity, text);
		if (Number.isNaN(number)) return !onexpression || !looksLikeExpression(text);
		const fits = number >= range.minimum && number <= range.maximum;
		return !fits || (quantity === 'count' && !Number.isInteger(number));
	}
	const refusal = $derived.by(() => {
		if (typed === null || !isRefused(typed)) return '';
		const number = readFor(quantity, typed);
		return Number.isNaN(number)
			? t('value.notANumber', { example: shown })
			: t('value.outOfRange', { ...range, value: number, unit });
	});

	function take(number: number) {
		const bounded = Math.max(range.minimum, Math.min(range.maximum, number));
		typed = null;
		onset(Math.max(minimum, Math.min(maximum, toStored(quantity, bounded))));
	}

	/** @returns whether the editor can be closed */
	function takeTyped(): boolean {
		if (typed === null) return true;
		if (isRefused(typed)) return false;
		const number = readFor(quantity, typed);
		if (Number.isNaN(number)) {
			onexpression?.(typed);
			return false;
		}
		take(number);
		return true;
	}

	const isEscaped = onLeave(takeTyped);

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Escape') return;
		if (event.key === 'ArrowUp') take(shown + range.increment);
		else if (event.key === 'ArrowDown') take(shown - range.increment);
		else if (event.key === 'Enter') {
			if (takeTyped()) onclose();
		} else return;
		event.preventDefault();
	}
</script>

<div class="line">
	<button
		class="button button-line button-icon"
		aria-label={t('value.less')}
		onclick={() => take(shown - range.increment)}><Minus size={18} /></button
	>
	<input
		class="field number"
		data-first-focus
		type="text"
		inputmode="decimal"
		aria-labelledby="value-label"
		aria-describedby="value-range"
		aria-invalid={refusal !== ''}
		value={typed ?? held ?? shown}
		oninput={(event) => (typed = event.currentTarget.value)}
		onfocus={(event) => event.currentTarget.select()}
		onblur={() => isEscaped() || takeTyped()}
		{onkeydown}
	/>
	<span class="unit">{unit}</span>
	{#if canBeNegative}
		<button
			class="button button-line button-icon"
			aria-label={t('value.sign')}
			title={t('value.sign')}
			onclick={() => take(-shown)}><Diff size={18} /></button
		>
	{/if}
	<button
		class="button button-line button-icon"
		aria-label={t('value.more')}
		onclick={() => take(shown + range.increment)}><Plus size={18} /></button
	>
</div>

{#if quantity === 'angle'}
	<!-- A turn begins with more than nothing, a bearing with north. -->
	<AngleDial angle={shown} isTurn={definition.initial !== 0} onset={take} />
{:else}
	<div class="slider">
		<Slider
			min={sliderBottom}
			max={sliderTop}
			step={range.increment}
			value={[Math.max(sliderBottom, Math.min(held ?? shown, sliderTop))]}
			onValueChange={({ value: [next] }) => (held = next ?? null)}
			onValueChangeEnd={({ value: [next] }) => {
				held = null;
				if (next !== undefined) take(next);
			}}
			aria-label={[unit || t('value.plain')]}
		>
			<Slider.Control>
				<Slider.Track><Slider.Range /></Slider.Track>
				<Slider.Thumb index={0}><Slider.HiddenInput /></Slider.Thumb>
			</Slider.Control>
		</Slider>
	</div>
{/if}

<p
	id="value-range"
	class="range"
	class:refusal={refusal !== ''}
	role={refusal ? 'alert' : undefined}
>
	{refusal || t('value.range', { ...range, unit })}
	{#if quantity === 'frequency'}{t('value.orNote')}{/if}
</p>

<style>
	.line {
		display: flex;
		align-items: center;
		gap: 0.4rem;
	}
	.number {
		flex: 1;
		min-width: 0;
		text-align: right;
		font-size: 1.15rem;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
	.unit {
		min-width: 1.6rem;
		color: var(--ink-soft);
	}
	.slider {
		padding: 1rem 0.6rem 0.4rem;
	}
	.range {
		margin-top: 0.3rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.refusal {
		color: var(--signal);
		font-weight: 600;
	}
</style>
