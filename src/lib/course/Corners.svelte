<script lang="ts">
	/** The corners of a line or an outline by numbers: places, lengths between them, and turns. */
	import Minus from '@lucide/svelte/icons/minus';
	import Plus from '@lucide/svelte/icons/plus';
	import { tidyPoint } from '$core/course/motions';
	import { kindOf } from '$core/course/parts';
	import { bearingTo, lengthTo, placeBeside, turnAt, type Point } from '$core/course/measure';
	import { t } from '$lib/i18n';
	import NumberField from './NumberField.svelte';
	import type { Part, PartName } from '$core/course/course';

	let { part, value, onchange }: { part: PartName; value: Part; onchange: (value: Part) => void } =
		$props();

	const kind = $derived(kindOf(part));
	const points = $derived(kind.points(value));
	const fewest = $derived(kind.fewest ?? 2);
	/** An outline goes on from its last corner to its first. */
	const isClosed = $derived(
		part === 'table' || 'corners' in value || ('isClosed' in value && value.isClosed)
	);
	const place = { quantity: 'length', minimum: -50, maximum: 50 } as const;
	const length = { quantity: 'length', minimum: 0.001, maximum: 50 } as const;
	const angle = { quantity: 'angle', minimum: -360, maximum: 360 } as const;

	const put = (next: readonly Point[]) => onchange(kind.withPoints(value, next));
	const setAt = (index: number, at: Point) => put(points.with(index, tidyPoint(at)));

	/** All that comes after goes along, so that the shape beyond stays what it is. */
	function lead(index: number, bearing: number, far: number) {
		const from = points[index]!;
		const to = placeBeside(from, bearing, far, 0);
		const [dx, dy] = [to[0] - points[index + 1]![0], to[1] - points[index + 1]![1]];
		put(points.map((each, i) => (i > index ? tidyPoint([each[0] + dx, each[1] + dy]) : each)));
	}

	function turnTo(index: number, turned: number) {
		const [before, at, after] = [points[index - 1]!, points[index]!, points[index + 1]!];
		lead(index, bearingTo(before, at) + turned, lengthTo(at, after));
	}
	function add(index: number) {
		const [one, other] = [points[index]!, points[(index + 1) % points.length]!];
		const between = tidyPoint([(one[0] + other[0]) / 2, (one[1] + other[1]) / 2]);
		put(points.toSpliced(index + 1, 0, between));
	}
</script>

<details open={points.length <= 4}>
	<summary>{t('course.corners')} ({points.length})</summary>
	<ol>
		{#each points as [x, y], index (index)}
			<li>
				<fieldset>
					<legend>{t('course.corner', { number: index + 1 })}</legend>
					<NumberField
						label={t('course.figure.x')}
						figure={place}
						value={x}
						onset={(next) => setAt(index, [next, y])}
					/>
					<NumberField
						label={t('course.figure.y')}
						figure={place}
						value={y}
						onset={(next) => setAt(index, [x, next])}
					/>
					{#if index + 1 < points.length}
						{@const next = points[index + 1]!}
						<NumberField
							label={t('course.figure.length')}
							figure={length}
							value={lengthTo([x, y], next)}
							onset={(far) => lead(index, bearingTo([x, y], next), far)}
						/>
						{#if index === 0}
							<NumberField
								label={t('course.figure.bearing')}
								figure={angle}
								value={bearingTo([x, y], next)}
								onset={(bearing) => lead(index, bearing, lengthTo([x, y], next))}
							/>
						{:else}
							<NumberField
								label={t('course.turn')}
								figure={angle}
								value={turnAt(points, index)}
								onset={(turned) => turnTo(index, turned)}
							/>
						{/if}
					{/if}
					{#if kind.hasCorners}
						<div class="hands">
							{#if isClosed || index + 1 < points.length}
								<button
									class="button button-plain button-icon"
									aria-label={t('course.cornerIn', { number: index + 1 })}
									title={t('course.cornerIn', { number: index + 1 })}
									onclick={() => add(index)}><Plus size={16} /></button
								>
							{/if}
							{#if points.length > fewest}
								<button
									class="button button-plain button-icon"
									aria-label={t('course.cornerOut', { number: index + 1 })}
									title={t('course.cornerOut', { number: index + 1 })}
									onclick={() => put(points.toSpliced(index, 1))}><Minus size={16} /></button
								>
							{/if}
						</div>
					{/if}
				</fieldset>
			</li>
		{/each}
	</ol>
</details>

<style>
	summary {
		min-height: 2.2rem;
		font-weight: 600;
		cursor: pointer;
	}
	ol {
		display: grid;
		gap: 0.5rem;
	}
	fieldset {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.3rem 0.7rem;
		padding: 0.3rem 0 0.3rem 0.6rem;
		border-left: 3px solid var(--line);
	}
	legend {
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.hands {
		grid-column: 1 / -1;
		display: flex;
	}
</style>
