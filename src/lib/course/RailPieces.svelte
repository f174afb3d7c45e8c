<script lang="ts">
	/** The pieces of a rail one after the other, and the colour marks along it. */
	import Minus from '@lucide/svelte/icons/minus';
	import Plus from '@lucide/svelte/icons/plus';
	import { floorColours, type FloorColour } from '$core/colours';
	import { RailPath } from '$core/course/rails';
	import { t } from '$lib/i18n';
	import { showNumber } from '$lib/words/format';
	import NumberField from './NumberField.svelte';
	import type { Part } from '$core/course/course';

	let { rail, onchange }: { rail: Part<'rails'>; onchange: (rail: Part<'rails'>) => void } =
		$props();

	const length = { quantity: 'length', minimum: 0.01, maximum: 20 } as const;
	const radius = { quantity: 'length', minimum: 0.1, maximum: 5 } as const;
	const angle = { quantity: 'angle', minimum: -360, maximum: 360 } as const;
	const colours = Object.keys(floorColours) as FloorColour[];
	const whole = $derived(new RailPath(rail).length);
	type Piece = Part<'rails'>['pieces'][number];
	const put = (index: number, piece: Piece) =>
		onchange({ ...rail, pieces: rail.pieces.with(index, piece) });
	const mark = (index: number, changes: object) =>
		onchange({ ...rail, marks: rail.marks.with(index, { ...rail.marks[index]!, ...changes }) });
	/** A rail that is taken apart is closed no more. */
	const takeOff = () => onchange({ ...rail, isClosed: false, pieces: rail.pieces.slice(0, -1) });
</script>

<details open={rail.pieces.length <= 4}>
	<summary
		>{t('course.pieces')} ({rail.pieces.length}, {t('course.total', {
			length: showNumber('length', whole)
		})})</summary
	>
	<ol>
		{#each rail.pieces as piece, index (index)}
			<li class="row">
				{#if 'length' in piece}
					<NumberField
						label={t('course.straight')}
						figure={length}
						value={piece.length}
						onset={(to) => put(index, { length: to })}
					/>
				{:else}
					<NumberField
						label={t('course.curve')}
						figure={radius}
						value={piece.radius}
						onset={(to) => put(index, { ...piece, radius: to })}
					/>
					<NumberField
						label={t('course.angle')}
						figure={angle}
						value={piece.angle}
						onset={(to) => put(index, { ...piece, angle: to })}
					/>
				{/if}
			</li>
		{/each}
	</ol>
	{#if rail.pieces.length > 1}
		<button class="button button-plain" onclick={takeOff}
			><Minus size={16} />{t('course.pieceOut')}</button
		>
	{/if}
</details>
<details open={rail.marks.length > 0}>
	<summary>{t('course.marks')} ({rail.marks.length})</summary>
	<ol>
		{#each rail.marks as { at, colour }, index (index)}
			<li class="row">
				<NumberField
					label={t('course.along')}
					figure={{ ...length, minimum: 0 }}
					value={at}
					onset={(to) => mark(index, { at: to })}
				/>
				<label>
					{t('course.figure.colour')}
					<select
						class="field"
						value={colour}
						onchange={(event) => mark(index, { colour: event.currentTarget.value })}
					>
						{#each colours as option (option)}
							<option value={option}>{t(`course.option.${option}`)}</option>
						{/each}
					</select>
				</label>
				<button
					class="button button-plain button-icon"
					aria-label={t('course.markOut', { number: index + 1 })}
					title={t('course.markOut', { number: index + 1 })}
					onclick={() => onchange({ ...rail, marks: rail.marks.toSpliced(index, 1) })}
					><Minus size={16} /></button
				>
			</li>
		{/each}
	</ol>
	<button
		class="button button-plain"
		onclick={() =>
			onchange({
				...rail,
				marks: [...rail.marks, { at: Number((whole / 2).toFixed(3)), colour: 'red' }]
			})}><Plus size={16} />{t('course.addMark')}</button
	>
</details>

<style>
	summary {
		min-height: 2.2rem;
		font-weight: 600;
		cursor: pointer;
	}
	ol {
		display: grid;
		gap: 0.4rem;
	}
	.row {
		display: grid;
		grid-template-columns: 1fr 1fr auto;
		align-items: end;
		gap: 0.5rem;
	}
	label {
		display: grid;
		font-size: 0.85rem;
	}
	.field {
		width: 100%;
		min-height: 2.5rem;
	}
</style>
