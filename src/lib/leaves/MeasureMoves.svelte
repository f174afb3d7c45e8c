<script lang="ts">
	/** Moves measured by themselves, and how fast the robot is by power. */
	import Play from '@lucide/svelte/icons/play';
	import Radio from '@lucide/svelte/icons/radio';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { isOfTurn, measuredMoves, type Measure, type MeasuredKind } from '$core/fitting/line';
	import { t } from '$lib/i18n';
	import { showNumber, toShown, toStored, unitOf } from '$lib/words/format';
	import type { Quantity } from '$core/steps/definition';
	import type { Measuring } from '$lib/workbench/measuring.svelte';
	import SpeedLine from './SpeedLine.svelte';

	let { measuring }: { measuring: Measuring } = $props();

	const amount = $derived<Quantity>(measuredMoves[measuring.kind].quantity);
	const measured = $derived<Quantity>(measuring.isOfTurn ? 'angle' : 'length');
	const percent = (part: number) => Math.round(part * 100);
	const round = (value: number) => Math.round(value * 1000) / 1000;
	const words = ({ kind, speed, amount: told, value }: Measure): string =>
		t(speed === null ? 'measure.one' : 'measure.oneAt', {
			move: t(`measure.kind.${kind}`),
			told: showNumber(measuredMoves[kind].quantity, told),
			percent: percent(speed ?? 0),
			value: showNumber(isOfTurn({ kind }) ? 'angle' : 'length', value)
		});
</script>

<details>
	<summary>{t('measure.title')}</summary>
	<p class="about">{t('measure.about')}</p>
	<div class="fields">
		<select
			class="field"
			aria-label={t('measure.move')}
			value={measuring.kind}
			onchange={({ currentTarget: { value } }) => measuring.choose(value as MeasuredKind)}
		>
			{#each measuring.kinds as kind (kind)}<option value={kind}>{t(`measure.kind.${kind}`)}</option
				>{/each}
		</select>
		<label
			><input
				class="field"
				type="number"
				min="0"
				step="any"
				aria-label={t('measure.told')}
				value={toShown(amount, measuring.amount)}
				onchange={({ currentTarget: { valueAsNumber } }) =>
					measuring.tell(toStored(amount, valueAsNumber))}
			/>
			{unitOf(amount)}</label
		>
		{#if measuring.hasSpeed}
			<label
				>{t('measure.at')}<input
					class="field"
					type="number"
					min="1"
					max="100"
					aria-label={t('measure.power')}
					value={percent(measuring.speed)}
					onchange={({ currentTarget: { valueAsNumber } }) => {
						if (valueAsNumber >= 1 && valueAsNumber <= 100) measuring.speed = valueAsNumber / 100;
					}}
				/>
				%</label
			>
		{/if}
		<button class="button button-line" onclick={() => void measuring.foresee()}
			><Play size={16} />{t('measure.rehearse')}</button
		>
		<button class="button button-line" onclick={() => void measuring.run()}
			><Radio size={16} />{t('measure.run')}</button
		>
	</div>
	<p class="about" role="status">
		{#if measuring.rehearsed !== null}
			{t('measure.rehearsed', { value: showNumber(measured, round(measuring.rehearsed)) })}
		{/if}
	</p>
	<div class="fields">
		<label
			>{t(`measure.says.${measuredMoves[measuring.kind].tells}`)}<input
				class="field"
				type="number"
				min="0"
				step="any"
				value={measuring.value === null ? null : toShown(measured, measuring.value)}
				oninput={({ currentTarget: { valueAsNumber } }) =>
					(measuring.value = Number.isFinite(valueAsNumber)
						? toStored(measured, valueAsNumber)
						: null)}
			/>
			{unitOf(measured)}</label
		>
		<button
			class="button button-line"
			disabled={measuring.value === null}
			onclick={() => measuring.note()}>{t('measure.note')}</button
		>
	</div>
	{#if measuring.measures.length > 0}
		<ul aria-label={t('measure.noted')}>
			{#each measuring.measures as measure (measure.at)}
				<li data-measure>
					<span>{words(measure)}</span>
					<button
						class="button button-plain button-icon"
						aria-label={t('measure.remove')}
						title={t('measure.remove')}
						onclick={() => measuring.remove(measure)}><Trash2 size={16} /></button
					>
				</li>
			{/each}
		</ul>
	{/if}
	{#each measuring.lines as { ofTurn, line } (ofTurn)}<SpeedLine {line} {ofTurn} />{/each}
</details>

<style>
	details {
		padding: 0 1rem 0.5rem;
	}
	summary {
		padding: 0.3rem 0;
		font-weight: 600;
		cursor: pointer;
	}
	.about {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.4rem 0.8rem;
		padding: 0.3rem 0;
	}
	.fields select {
		width: auto;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
		font-size: 0.9rem;
	}
	.field[type='number'] {
		width: 5rem;
		font-variant-numeric: tabular-nums;
	}
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem;
	}
	li {
		display: flex;
		align-items: center;
		padding-left: 0.7rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		font-size: 0.88rem;
	}
</style>
