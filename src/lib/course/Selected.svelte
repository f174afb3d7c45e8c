<script lang="ts">
	/** The numbers of what is selected, and what can be done with it. */
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import ClipboardCopy from '@lucide/svelte/icons/clipboard-copy';
	import CopyPlus from '@lucide/svelte/icons/copy-plus';
	import FlipHorizontal2 from '@lucide/svelte/icons/flip-horizontal-2';
	import FlipVertical2 from '@lucide/svelte/icons/flip-vertical-2';
	import Lock from '@lucide/svelte/icons/lock';
	import LockOpen from '@lucide/svelte/icons/lock-open';
	import Maximize2 from '@lucide/svelte/icons/maximize-2';
	import Minimize2 from '@lucide/svelte/icons/minimize-2';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import RotateCw from '@lucide/svelte/icons/rotate-cw';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { clearanceBetween, extentOf } from '$core/course/extent';
	import { figures, valueOf, withValue } from '$core/course/editing/figures';
	import { find, keyOf, kindOf } from '$core/course/parts';
	import { mirror, resize, turnAbout } from '$core/course/motions';
	import { t } from '$lib/i18n';
	import { showNumber } from '$lib/words/format';
	import Corners from './Corners.svelte';
	import type { CourseBench } from './course-bench.svelte';
	import { partWord } from './describe';
	import Figures from './Figures.svelte';
	import RailPieces from './RailPieces.svelte';
	import type { Part } from '$core/course/course';

	let { bench }: { bench: CourseBench } = $props();

	const course = $derived(bench.course);
	const ref = $derived(bench.only);
	const value = $derived(ref && find(course, ref));
	const hasPoints = $derived(ref && value && kindOf(ref.part).points(value).length > 1);
	const isLocked = $derived(bench.selection.every((one) => bench.isLocked(one)));
	const step = 15;
	const growth = 1.1;

	const hands = $derived([
		{ icon: ClipboardCopy, key: 'copy', act: () => bench.copyByButton() },
		...(isLocked
			? []
			: [
					{ icon: CopyPlus, key: 'duplicate', act: () => bench.duplicate() },
					{
						icon: RotateCcw,
						key: 'turnLeft',
						act: () => bench.moveAbout((at) => turnAbout(at, -step), t('course.say.turned'))
					},
					{
						icon: RotateCw,
						key: 'turnRight',
						act: () => bench.moveAbout((at) => turnAbout(at, step), t('course.say.turned'))
					},
					{
						icon: FlipHorizontal2,
						key: 'mirrorX',
						act: () => bench.moveAbout((at) => mirror(at, 'x'), t('course.say.mirrored'))
					},
					{
						icon: FlipVertical2,
						key: 'mirrorY',
						act: () => bench.moveAbout((at) => mirror(at, 'y'), t('course.say.mirrored'))
					},
					{
						icon: Maximize2,
						key: 'larger',
						act: () => bench.moveAbout((at) => resize(at, growth), t('course.say.resized'))
					},
					{
						icon: Minimize2,
						key: 'smaller',
						act: () => bench.moveAbout((at) => resize(at, 1 / growth), t('course.say.resized'))
					},
					...(ref && ref.part !== 'finish' && ref.part !== 'table'
						? [
								{ icon: ArrowUp, key: 'earlier', act: () => bench.reorder(-1) },
								{ icon: ArrowDown, key: 'later', act: () => bench.reorder(1) }
							]
						: [])
				]),
		{
			icon: isLocked ? LockOpen : Lock,
			key: isLocked ? 'unlock' : 'lock',
			act: () => bench.setLocked(!isLocked)
		},
		...(isLocked ? [] : [{ icon: Trash2, key: 'remove', act: () => bench.remove() }])
	]);
	const sides = ['west', 'centre', 'east', 'north', 'middle', 'south'] as const;
	const between = $derived.by(() => {
		const [one, other] = bench.selection;
		if (bench.selection.length !== 2) return null;
		return clearanceBetween(extentOf(course, one!)!, extentOf(course, other!)!);
	});
	const change = (next: Part) => ref && bench.change(ref, next);
</script>

<h2 class="heading">
	{ref ? partWord(ref.part) : t('course.selected', { count: bench.selection.length })}
	{#if isLocked}<span class="locked">{t('course.locked')}</span>{/if}
</h2>
{#if ref && value && !isLocked}
	{#key keyOf(ref)}
		<Figures
			part={ref.part}
			list={figures[ref.part]}
			valueOf={(figure) => valueOf(value, ref.part, figure)}
			onset={(figure, to) => bench.setFigure(ref, figure, to, withValue(value, figure, to))}
		/>
		{#if hasPoints}<Corners part={ref.part} {value} onchange={change} />{/if}
		{#if ref.part === 'rails'}<RailPieces rail={value as Part<'rails'>} onchange={change} />{/if}
	{/key}
{/if}
{#if between !== null}
	<p>{t('course.clearance', { length: showNumber('length', between) })}</p>
{/if}
<div class="hands">
	{#each hands as { icon: Icon, key, act } (key)}
		<button
			class="button button-line button-icon"
			aria-label={t(`course.${key}`)}
			title={t(`course.${key}`)}
			onclick={act}><Icon size={18} /></button
		>
	{/each}
</div>
{#if bench.selection.length > 1}
	<label>
		{t('course.align')}
		<select
			class="field"
			value=""
			onchange={(event) => {
				const { value: side } = event.currentTarget;
				if (side === 'x' || side === 'y') bench.spread(side);
				else if (side) bench.align(side as (typeof sides)[number]);
				event.currentTarget.value = '';
			}}
		>
			<option value=""></option>
			{#each sides as side (side)}<option value={side}>{t(`course.align.${side}`)}</option>{/each}
			{#if bench.selection.length > 2}
				<option value="x">{t('course.spreadX')}</option>
				<option value="y">{t('course.spreadY')}</option>
			{/if}
		</select>
	</label>
{/if}

<style>
	h2 {
		font-size: 1.05rem;
	}
	h2::first-letter {
		text-transform: uppercase;
	}
	.locked {
		margin-left: 0.5rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
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
