<script lang="ts">
	/** What a row of the trail shows: its cords, and a chain's head, a step or a bud on the last of them. */
	import MessageSquare from '@lucide/svelte/icons/message-square';
	import Plus from '@lucide/svelte/icons/plus';
	import { isExpression } from '$core/steps/definition';
	import { definitionOf } from '$core/steps/catalogue';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import { showValue } from '$lib/words/values';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import ChainHead from './ChainHead.svelte';
	import type { TagDragging } from '$lib/ui/drag';
	import ProblemLine from './ProblemLine.svelte';
	import type { Offer } from '$lib/words/typed';
	import OpenBud from './OpenBud.svelte';
	import { indent, leftOf, type Row } from './rows';
	import type { Opening } from './Sheet.svelte';
	import StepTag from './StepTag.svelte';
	import { budWords, shownValues } from '$lib/words/step-words';

	let {
		bench,
		row,
		number,
		isCurrent,
		canTieToLit,
		dragging,
		onopen,
		onbud,
		onadd
	}: {
		bench: Workbench;
		row: Row;
		/** Of a step; 0 for all else. */
		number: number;
		isCurrent: boolean;
		canTieToLit: boolean;
		dragging: TagDragging;
		onopen: (opening: Opening) => void;
		/** The shelf is wanted after this row. */
		onbud: (anchor: HTMLElement) => void;
		/** A step is taken from an open bud. */
		onadd: (offer: Offer) => void;
	} = $props();

	const editing = $derived(bench.editing);
	const progress = $derived(bench.player.progress);
	const tabindex = $derived(isCurrent ? 0 : -1);
	/** Of the cord of a depth. */
	const left = (depth: number) => `calc(${leftOf(depth)}px + 0.8rem)`;
	const comment = $derived(
		row.type === 'step' ? row.step.comment : row.type === 'head' ? row.trigger?.comment : undefined
	);
	const problem = $derived(row.type === 'bud' ? undefined : row.problem);

	/** Behind the branches of a choice its cord goes on. */
	const isChoiceBud = $derived(
		row.type === 'bud' && row.owner !== null && definitionOf(row.owner.kind).branches !== undefined
	);
	/** One of the steps on a chain's own cord is in progress. */
	const isChainRunning = $derived(
		row.type === 'head' &&
			bench.plan.chains
				.find(({ id }) => id === row.chain)
				?.steps.some(({ id }) => progress.active.has(id)) === true
	);

	const openValue = (step: string) => (name: string, anchor: HTMLElement) =>
		onopen({ type: 'value', step, name, anchor });

	/** What closes a loop: how often, or until when. */
	function knot(): string {
		if (row.type !== 'bud' || !row.owner) return '';
		const { kind, values } = row.owner;
		if (kind === 'forever') return '∞';
		if (kind === 'repeat') {
			const { times } = values;
			const definition = definitionOf(kind).values.times!;
			if (isExpression(times)) return `× ${showValue(kind, 'times', definition, times)}`;
			return t('trail.knot', { times: Number(times) });
		}
		return kind === 'until' ? t('trail.knotUntil') : '';
	}
</script>

{#if row.depth > 0}
	<span class="cord" class:unlit={!row.isLit} style:left={left(0)}></span>
{/if}
{#if row.depth > 1}
	<span
		class="cord between"
		class:unlit={!row.isLit}
		style:left={left(1)}
		style:width="{indent * (row.depth - 2) + 2}px"
		style:--indent="{indent}px"
	></span>
{/if}
<span
	class="cord"
	class:inner={row.depth > 0}
	class:last={row.type === 'bud' && !row.isBetween && !isChoiceBud}
	class:opening={row.type === 'bud' && row.isOpen}
	class:first={row.type === 'head'}
	class:unlit={!row.isLit}
	style:left={left(row.depth)}
></span>
{#if row.type === 'head'}
	<div class="line">
		<ChainHead
			{row}
			{isCurrent}
			isRunning={isChainRunning}
			{canTieToLit}
			robots={bench.plan.robots}
			robot={bench.plan.robots.find(({ id }) => id === row.robot)!}
			onrobot={(robot) => bench.assign(row.chain, robot)}
			ontie={() => (canTieToLit ? editing.tieToLit(row.chain) : editing.tie(row.chain))}
			onvalue={(name, anchor) => row.trigger && openValue(row.trigger.id)(name, anchor)}
			onmenu={(anchor) => onopen({ type: 'actions', row, anchor })}
		/>
	</div>
{:else if row.type === 'step'}
	{#if row.step.body && row.folded === 0 && !definitionOf(row.step.kind).branches}
		<span class="coil" class:unlit={!row.isLit} style:left={left(row.depth)}></span>
	{/if}
	<div class="line holder" use:dragging.tag={row.key}>
		<StepTag
			{row}
			{number}
			values={shownValues(row.step, bench)}
			{isCurrent}
			isSelected={editing.selection.has(row.step.id)}
			isRunning={progress.active.has(row.step.id)}
			passed={progress.passed.get(row.step.id)}
			scatters={bench.leaves.opened.spread?.bySteps[row.step.id]}
			isPickedUp={editing.moving.pickedUp?.step.id === row.step.id}
			onvalue={openValue(row.step.id)}
			onmenu={(anchor) => onopen({ type: 'actions', row, anchor })}
			onfold={() => editing.fold(row.step.id)}
			{onbud}
			onleg={() => void bench.leaves.showLegOf(row.step.id)}
		/>
	</div>
{:else if row.isOpen}
	<OpenBud plan={bench.plan} {row} {dragging} knot={row.isBetween ? '' : knot()} {onadd} />
{:else}
	<div class="line bud-line" class:first={preferences.level === 'first'}>
		<span class="bud-mark" aria-hidden="true"><Plus size={16} /></span>
		{#if preferences.level !== 'first'}<span class="bud-words">{budWords(row.owner)}</span>{/if}
		{#if knot()}<span class="knot" aria-hidden="true">{knot()}</span>{/if}
	</div>
{/if}
{#if comment}
	<p class="comment" title={comment}><MessageSquare size={13} aria-hidden="true" />{comment}</p>
{/if}
{#if problem}
	<div class="problem-line">
		<ProblemLine
			{problem}
			id="problem-{row.key}"
			{tabindex}
			onrepair={(repair) => editing.repair(repair)}
		/>
	</div>
{/if}

<style>
	.line {
		position: relative;
		display: flex;
		flex: 1;
		align-items: center;
		gap: 0.6rem;
		min-height: 0;
	}
	.holder {
		width: fit-content;
		max-width: 100%;
		cursor: grab;
		touch-action: pan-y;
		user-select: none;
	}
	.cord {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 2px;
		background: var(--ink-soft);
		pointer-events: none;
	}
	.cord.inner {
		background: repeating-linear-gradient(var(--ink-soft) 0 7px, transparent 7px 10px);
	}
	/* All inner cords but the last: the same dashes, a tile for each. */
	.cord.between {
		background: conic-gradient(from 90deg at 2px 7px, #0000 50%, var(--ink-soft) 0 75%, #0000 0);
		background-size: var(--indent) 10px;
	}
	/* From the cord to the inner one that a loop's steps hang on. */
	.coil {
		position: absolute;
		bottom: 0;
		width: 28px;
		height: 14px;
		border-bottom: 2px solid var(--ink-soft);
		border-left: 2px solid var(--ink-soft);
		border-bottom-left-radius: 12px;
	}
	.coil.unlit {
		border-style: dashed;
		border-color: var(--mist);
	}
	.cord.first {
		top: 50%;
	}
	.cord.last {
		bottom: 50%;
	}
	.cord.last.opening {
		bottom: calc(100% - 1.9rem);
	}
	.cord.unlit {
		background: repeating-linear-gradient(var(--mist) 0 4px, transparent 4px 9px);
	}
	.cord.between.unlit {
		background: conic-gradient(from 90deg at 2px 4px, #0000 50%, var(--mist) 0 75%, #0000 0);
		background-size: var(--indent) 9px;
	}
	.bud-line {
		cursor: pointer;
		color: var(--ink-soft);
	}
	.bud-line:hover {
		color: var(--verdigris);
	}
	.bud-mark {
		position: relative;
		z-index: 1;
		flex: none;
		display: grid;
		place-items: center;
		width: 1.75rem;
		height: 1.75rem;
		border: 2px dashed var(--verdigris);
		border-radius: 50%;
		background: var(--paper);
		color: var(--verdigris);
	}
	.bud-words {
		white-space: nowrap;
		font-size: 0.95rem;
	}
	.knot {
		padding: 0.05rem 0.55rem;
		border: 1.5px solid var(--ink-soft);
		border-radius: 1rem;
		font-size: 0.82rem;
		font-weight: 650;
		font-variant-numeric: tabular-nums;
		white-space: nowrap;
	}
	.bud-line.first .knot {
		padding: 0.1rem 0.9rem;
		font-size: 1.15rem;
	}
	.comment,
	.problem-line {
		padding-left: 2.5rem;
	}
	.comment {
		display: flex;
		align-items: center;
		gap: 0.35rem;
		height: 22px;
		overflow: hidden;
		color: var(--ink-soft);
		font-size: 0.86rem;
		font-style: italic;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.problem-line {
		height: 34px;
	}
</style>
