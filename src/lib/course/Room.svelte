<script lang="ts">
	/** What is true of the whole course: its size, its floor, light and noise, the ceiling. */
	import { surfaceKinds, type SurfaceName } from '$core/course/surfaces';
	import { helpers, switched } from '$core/helpers';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import type { CourseBench } from './course-bench.svelte';
	import NumberField from './NumberField.svelte';

	let { bench }: { bench: CourseBench } = $props();

	const course = $derived(bench.course);
	const size = { quantity: 'length', minimum: 0.5, maximum: 20 } as const;
	const ceiling = { quantity: 'length', minimum: 0.5, maximum: 20 } as const;
	const names = Object.keys(surfaceKinds) as SurfaceName[];
</script>

<h2 class="heading">{t('course.room')}</h2>
<div class="room">
	<NumberField
		label={t('course.roomWidth')}
		figure={size}
		value={course.size.width}
		onset={(width) => bench.set('size', { ...course.size, width })}
	/>
	<NumberField
		label={t('course.roomHeight')}
		figure={size}
		value={course.size.height}
		onset={(height) => bench.set('size', { ...course.size, height })}
	/>
	<NumberField
		label={t('course.ceiling')}
		figure={ceiling}
		value={course.ceiling}
		onset={(value) => bench.set('ceiling', value)}
	/>
	<label>
		{t('course.surface')}
		<select
			class="field"
			value={course.surface}
			onchange={(event) => bench.set('surface', event.currentTarget.value as SurfaceName)}
		>
			{#each names as name (name)}<option value={name}>{t(`course.option.${name}`)}</option>{/each}
		</select>
	</label>
	<label>
		{t('course.lengths')}
		<select
			class="field"
			value={preferences.lengths}
			onchange={(event) =>
				preferences.choose({ lengths: event.currentTarget.value as 'cm' | 'inch' })}
		>
			<option value="cm">{t('unit.length')}</option>
			<option value="inch">{t('unit.inch')}</option>
		</select>
	</label>
	{#each ['light', 'sound'] as const as field (field)}
		<label>
			{t(`course.${field}`, { percent: Math.round(course[field] * 100) })}
			<input
				type="range"
				min="0"
				max="1"
				step="0.05"
				value={course[field]}
				onchange={(event) => bench.set(field, event.currentTarget.valueAsNumber)}
			/>
		</label>
	{/each}
	<label class="whole">
		<input
			type="checkbox"
			checked={course.isInOrder}
			onchange={(event) => bench.set('isInOrder', event.currentTarget.checked)}
		/>
		{t('course.isInOrder')}
	</label>
	<fieldset>
		<legend>{t('course.helpers')}</legend>
		{#each helpers as helper (helper)}
			<label class="whole">
				<input
					type="checkbox"
					checked={!course.helpersOff.includes(helper)}
					onchange={({ currentTarget: { checked } }) =>
						bench.set('helpersOff', switched(course.helpersOff, helper, checked))}
				/>
				{t(`course.helper.${helper}`)}
			</label>
		{/each}
	</fieldset>
</div>

<style>
	h2 {
		font-size: 1.05rem;
	}
	.room {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.5rem 0.7rem;
	}
	label {
		display: grid;
		align-content: start;
		font-size: 0.85rem;
	}
	.whole {
		grid-column: 1 / -1;
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.75rem;
	}
	fieldset {
		grid-column: 1 / -1;
	}
	legend {
		font-size: 0.85rem;
	}
	.field {
		width: 100%;
		min-height: 2.5rem;
	}
	input[type='range'] {
		width: 100%;
		min-height: 2.5rem;
		accent-color: var(--verdigris);
	}
</style>
