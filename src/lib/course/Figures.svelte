<script lang="ts">
	/** Figures and choices of one part, or of how the next one looks. */
	import type { Figure, FigureValue, NumberFigure } from '$core/course/editing/figures';
	import { hasMessage, t } from '$lib/i18n';
	import NumberField from './NumberField.svelte';
	import type { PartName } from '$core/course/course';

	let {
		part,
		list,
		valueOf,
		onset
	}: {
		part: PartName;
		list: readonly Figure[];
		valueOf: (figure: Figure) => FigureValue;
		onset: (figure: Figure, value: FigureValue) => void;
	} = $props();

	const word = ({ name }: { name: string }): string => {
		const own = `course.figure.${part}.${name}`;
		return t(hasMessage(own) ? own : `course.figure.${name}`);
	};
	const numberOf = (figure: NumberFigure) => Number(valueOf(figure));
</script>

<div class="figures">
	{#each list as figure (figure.name)}
		{#if figure.type === 'number'}
			<NumberField
				label={word(figure)}
				{figure}
				value={numberOf(figure)}
				onset={(value) => onset(figure, value)}
			/>
		{:else if figure.type === 'choice'}
			<label>
				{word(figure)}
				<select
					class="field"
					value={valueOf(figure)}
					onchange={(event) => onset(figure, event.currentTarget.value)}
				>
					{#each figure.options as option (option)}
						<option value={option}>{t(`course.option.${option}`)}</option>
					{/each}
				</select>
			</label>
		{:else}
			<label class="truth">
				<input
					type="checkbox"
					checked={valueOf(figure) === true}
					onchange={(event) => onset(figure, event.currentTarget.checked)}
				/>
				{word(figure)}
			</label>
		{/if}
	{/each}
</div>

<style>
	.figures {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(7.5rem, 1fr));
		gap: 0.5rem 0.7rem;
	}
	label {
		display: grid;
		align-content: start;
		font-size: 0.85rem;
	}
	.truth {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.75rem;
	}
	.field {
		width: 100%;
		min-height: 2.5rem;
	}
</style>
