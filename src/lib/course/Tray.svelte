<script lang="ts">
	/** What can be laid, how the next one looks, and the numbers of what is selected. */
	import BoxSelect from '@lucide/svelte/icons/box-select';
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import ListPlus from '@lucide/svelte/icons/list-plus';
	import MousePointer2 from '@lucide/svelte/icons/mouse-pointer-2';
	import Ruler from '@lucide/svelte/icons/ruler';
	import { styleOf } from '$core/course/editing/figures';
	import { kindOf, partNames } from '$core/course/parts';
	import { robotKindOf } from '$core/robots/kinds';
	import { t } from '$lib/i18n';
	import type { CourseHelp } from './course-help.svelte';
	import type { CourseBench, Tool } from './course-bench.svelte';
	import { partWord } from './describe';
	import Figures from './Figures.svelte';
	import PartGlyph from './PartGlyph.svelte';
	import Problems from './Problems.svelte';
	import Room from './Room.svelte';
	import Selected from './Selected.svelte';
	import ShortestWay from './ShortestWay.svelte';
	import type { PartName } from '$core/course/course';

	let { bench, help }: { bench: CourseBench; help: CourseHelp } = $props();

	/** As a course is laid out, mostly; other kinds come behind. */
	const usual: readonly PartName[] = [
		...(['starts', 'finish', 'tapes', 'walls', 'crates', 'lampPosts'] as const),
		...(['patches', 'surfaces', 'table', 'rails', 'gates', 'pads'] as const)
	];
	const tools = [...usual, ...partNames.filter((name) => !usual.includes(name))];
	const { tool, laying } = $derived(bench);
	const part = $derived(tool === 'select' || tool === 'measure' ? null : tool);
	const hint = $derived(
		t(`course.hint.${tool === 'select' || tool === 'measure' ? tool : kindOf(tool).laying}`)
	);
	const style = $derived(part ? styleOf(part) : []);
	const canEnd = $derived(laying.growing !== null || laying.measured.length > 0);
</script>

{#snippet choice(name: Tool, word: string)}
	<button
		class="tool"
		class:chosen={tool === name}
		aria-pressed={tool === name}
		onclick={() => bench.choose(name)}
	>
		{#if name === 'select'}<MousePointer2 size={24} strokeWidth={1.6} />
		{:else if name === 'measure'}<Ruler size={24} strokeWidth={1.6} />
		{:else}<PartGlyph part={name} />{/if}
		<span>{word}</span>
	</button>
{/snippet}

<aside class="tray">
	<div class="tools" role="toolbar" aria-label={t('course.tools')}>
		{@render choice('select', t('course.tool.select'))}
		{@render choice('measure', t('course.tool.measure'))}
		{#each tools as name (name)}{@render choice(name, partWord(name))}{/each}
	</div>
	<p class="hint">{hint}</p>
	{#if tool === 'select'}
		<div class="picking">
			<button
				class="button button-line"
				aria-pressed={bench.isSeveral}
				title={t('course.several.explain')}
				onclick={() => (bench.isSeveral = !bench.isSeveral)}
				><ListPlus size={17} />{t('course.several')}</button
			>
			<button
				class="button button-line"
				title={t('course.selectAll')}
				onclick={() => bench.selectAll()}><BoxSelect size={17} />{t('course.all')}</button
			>
			{#if bench.canPaste}
				<button
					class="button button-line"
					title={t('course.paste.explain')}
					onclick={() => bench.paste()}><ClipboardPaste size={17} />{t('course.paste')}</button
				>
			{/if}
		</div>
	{/if}
	{#if canEnd}
		<button class="button button-line" onclick={() => bench.leave()}>{t('course.end')}</button>
	{/if}
	{#if laying.corners.length > 2}
		<button class="button button-line" onclick={() => laying.finishArea()}
			>{t('course.finishArea')}</button
		>
	{/if}
	{#if part && style.length > 0 && bench.selection.length === 0}
		<h2 class="heading">{t('course.style')}</h2>
		<Figures
			{part}
			list={style}
			valueOf={(figure) => laying.styleValue(part, figure)}
			onset={(figure, value) => laying.setStyle(part, figure, value)}
		/>
	{/if}
	{#if bench.selection.length > 0}<Selected {bench} />{/if}
	<Problems {bench} {help} />
	{#if !robotKindOf(help.kind).isOnRail}<ShortestWay {bench} {help} />{/if}
	{#if bench.selection.length === 0 && tool === 'select'}<Room {bench} />{/if}
</aside>

<style>
	.tray {
		display: grid;
		align-content: start;
		gap: 0.7rem;
		height: 100%;
		overflow-y: auto;
		padding: 0.7rem 0.9rem 1rem;
	}
	.tools {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(4.4rem, 1fr));
		gap: 0.35rem;
	}
	.tool {
		display: grid;
		justify-items: center;
		align-content: center;
		gap: 0.1rem;
		min-height: 3.6rem;
		padding: 0.25rem;
		border: 1.5px solid var(--line);
		border-radius: 0.35rem 0.8rem 0.8rem 0.35rem;
		background: var(--tag);
		font-size: 0.8rem;
		line-height: 1.1;
		cursor: pointer;
	}
	.tool span::first-letter {
		text-transform: uppercase;
	}
	.tool span {
		display: block;
		text-align: center;
	}
	.tool:hover {
		border-color: var(--mist);
	}
	.tool.chosen {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
		font-weight: 600;
	}
	.hint {
		min-height: 3.9em;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.picking {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
	}
	.picking .button {
		padding: 0 0.6rem;
		font-size: 0.9rem;
	}
	h2 {
		font-size: 1.05rem;
	}
</style>
