<script lang="ts">
	/** The pane that shows the chains: cords with lamps and tags. Only the rows in view are drawn. */
	import { onDestroy, tick, untrack } from 'svelte';
	import { locateSteps } from '$core/plan/places';
	import { numberSteps } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { Adding, type TrailPane } from './adding.svelte';
	import { clipboardOf } from './copying';
	import DragGhost from './DragGhost.svelte';
	import { Dragged } from './dragged.svelte';
	import { handsOf } from './hands';
	import { onRowKey } from './keys';
	import { rowListOf, type RowList } from './row-list';
	import { firstProblems, leftOf, placeAfter, type Row } from './rows';
	import type { Opening } from './Sheet.svelte';
	import { TagSheet } from './tag-sheet.svelte';
	import { rowWidth, TagRuler } from './tag-ruler.svelte';
	import NewChain from './NewChain.svelte';
	import TrailBar from './TrailBar.svelte';
	import TrailRow from './TrailRow.svelte';
	import TreeItem from './TreeItem.svelte';
	import { elementOf, isTag, TrailFocus } from './trail-focus.svelte';
	import { VisibleRows } from './visible-rows.svelte';

	let { bench, onshortcuts }: { bench: Workbench; onshortcuts: () => void } = $props();

	const editing = $derived(bench.editing);
	let scroller: HTMLDivElement;
	let isSearching = $state(false);
	let zoom = $state(1);
	/** Pixels. */
	let paneWidth = $state(0);

	const problems = $derived(firstProblems(bench.checking.problems));
	const folded = $derived(new Set(editing.folded));
	const isFirst = $derived(preferences.level === 'first');

	// What is said here of rows is asked for only once they are there.
	const visible = new VisibleRows(() => scroller ?? null);
	const focus = new TrailFocus({
		get rows() {
			return rows;
		},
		get indexOf() {
			return indexOf;
		},
		visible,
		usualKey,
		unfoldAround: (key) => editing.unfoldAround(key)
	});
	const sheet = new TagSheet(
		focus,
		untrack(() => bench.voice)
	);
	const pane: TrailPane = {
		get bench() {
			return bench;
		},
		get rows() {
			return rows;
		},
		get isFirst() {
			return isFirst;
		},
		get width() {
			return paneWidth / zoom;
		},
		focus,
		sheet
	};
	const adding = new Adding(pane);

	const ruler = new TagRuler();
	let before: RowList | undefined;
	const list = $derived.by(() => {
		const tagHeight = isFirst ? undefined : ruler.heights(bench.plan, paneWidth / zoom);
		const open = adding.bud.drawing;
		before = rowListOf(bench.plan, { problems, folded, isFirst, open, zoom, tagHeight }, before);
		return before;
	});
	const rows = $derived(list.rows);
	const indexOf = $derived(list.indexOf);
	const numbers = $derived(numberSteps(bench.plan));
	const deepest = $derived(rows.reduce((most, { depth }) => Math.max(most, depth), 0));
	const widest = $derived(zoom * rowWidth(deepest, paneWidth / zoom));

	/** Where the shelf beside the trail adds while nothing is chosen: at the end of the first chain. */
	function usualKey(): string {
		const end = bench.plan.chains[0] && `${bench.plan.chains[0].id}-bud`;
		return (preferences.isShelfPinned || isFirst) && end ? end : (rows[0]?.key ?? '');
	}

	// --- drawing only what shows ---

	focus.mount();
	$effect(() => untrack(() => visible.mount()));
	$effect(() => untrack(() => void ruler.mount(scroller)));
	$effect.pre(() => {
		const shown = rows;
		untrack(() => {
			const focused = document.activeElement;
			if (isTag(focused) && !indexOf.has(focused.id.slice('row-'.length))) focus.handOn();
			visible.show(shown);
		});
	});

	/** Items in view, and the one being dragged or under the keyboard, so that it never goes away. */
	const shown = $derived.by(() => {
		const extra = [drag?.key ?? '', focus.current].flatMap((key) => indexOf.get(key) ?? []);
		return visible.with(extra).filter(({ index }) => index < rows.length);
	});

	function fit() {
		const space = scroller.clientHeight - 70;
		const height = visible.total / zoom;
		zoom = Math.max(0.5, Math.min(1, space / height, paneWidth / rowWidth(deepest, 0)));
		scroller.scrollTop = 0;
	}
	const zoomBy = (factor: number) => (zoom = Math.max(0.5, Math.min(1.5, zoom * factor)));

	// --- keyboard ---

	$effect(() => {
		const wanted = bench.voice.focus;
		if (wanted) untrack(() => void focus.focus(wanted.key));
	});

	const hands = handsOf(pane, adding, { search: () => (isSearching = true), zoomBy, fit });

	function onkeydown(event: KeyboardEvent, row: Row, index: number) {
		if (isTag(event.target)) onRowKey(event, row, index, hands);
	}

	// --- the sheet that opens at a tag, and the shelf beside the trail ---

	const dockPlace = $derived(focus.row ? placeAfter(focus.row) : null);

	$effect(() => untrack(() => sheet.mount()));
	const show = (next: Opening) => void sheet.show(next);

	// --- dragging ---

	let asideZone = $state<HTMLElement>();

	const dragged = new Dragged({
		get bench() {
			return bench;
		},
		get rows() {
			return rows;
		},
		visible,
		get scroller() {
			return scroller;
		},
		get asideZone() {
			return asideZone;
		},
		began: (key) => {
			sheet.opening = null;
			if (key) focus.chosen = key;
		},
		added: (id) => void adding.fromDock(id),
		moved: (key) => void tick().then(() => focus.focus(key))
	});
	onDestroy(() => dragged.destroy());
	const drag = $derived(dragged.now);

	/** @param row none when it went away by what was clicked on it */
	function onclick(event: MouseEvent, row: Row | undefined) {
		if (!row) return;
		if (row.type === 'step' && event.shiftKey && locateSteps(bench.plan).has(focus.current)) {
			editing.selection.select(focus.current, row.step.id);
			return;
		}
		editing.selection.clear();
		if (row.type === 'bud') adding.openAfter(row);
		else if ((event.target as Element).closest('button')) return;
		else if (isFirst) adding.openAfter(row);
		else focus.chosen = row.key;
	}
</script>

<section class="trail" aria-label={t('trail.label')}>
	<TrailBar
		problemCount={bench.checking.problems.length}
		onproblems={(anchor) => show({ type: 'problems', anchor })}
		onsearch={() => (isSearching = !isSearching)}
		onzoom={zoomBy}
		onfit={fit}
		{onshortcuts}
	/>
	{#if isSearching}
		{#await import('./SearchBar.svelte') then { default: SearchBar }}
			<SearchBar
				plan={bench.plan}
				onfind={(key) => {
					editing.unfoldAround(key);
					void focus.show(key);
				}}
				onclose={() => {
					isSearching = false;
					void focus.focus(focus.current);
				}}
			/>
		{/await}
	{/if}
	<div
		class="scroller"
		bind:this={scroller}
		bind:clientWidth={paneWidth}
		onfocusin={(event) => focus.entered(event)}
		onfocusout={(event) => focus.left(event)}
		{...clipboardOf(() => bench, focus)}
	>
		{#if rows.length > 0}
			<div
				class="list"
				role="tree"
				aria-multiselectable="true"
				aria-label={t('trail.label')}
				style:height="{visible.total}px"
				style:min-width="{widest}px"
			>
				{#each shown as item (item.key)}
					{@const row = rows[item.index]!}
					{@const isCurrent = row.key === focus.current}
					{@const number = numbers.get(row.key) ?? 0}
					<TreeItem
						{row}
						{number}
						{isCurrent}
						{zoom}
						top={item.start}
						width={rowWidth(row.depth, paneWidth / zoom)}
						isSelected={row.type === 'step' && editing.selection.has(row.key)}
						isFound={isSearching && isCurrent}
						isLifted={drag?.key === row.key}
						onkeydown={(event) => onkeydown(event, row, item.index)}
						onclick={(event) => onclick(event, row)}
					>
						<TrailRow
							{bench}
							{row}
							{number}
							{isCurrent}
							canTieToLit={adding.hasLit}
							dragging={dragged.tags}
							onopen={show}
							onbud={(anchor) => adding.openAfter(row, false, anchor)}
							onadd={(offer) => void adding.atBud(row, offer)}
						/>
					</TreeItem>
				{/each}
				{#if drag?.line}
					<div
						class="landing"
						style:top="{drag.line.y}px"
						style:left="{leftOf(drag.line.depth) * zoom}px"
					></div>
				{/if}
			</div>
		{/if}
		{#if !drag}<NewChain {adding} isEmpty={rows.length === 0} />{/if}
	</div>
	{#if drag && !drag.values}
		<div class="aside-zone" class:over={drag.target === 'aside'} bind:this={asideZone}>
			{t('trail.dropAside')}
		</div>
	{/if}
	{#if !isFirst && preferences.isShelfPinned && dockPlace}
		{#await import('./DockedShelf.svelte') then { default: DockedShelf }}
			<DockedShelf
				{bench}
				place={dockPlace!}
				dragging={dragged.tags}
				onadded={(id) => void adding.fromDock(id)}
				onhelp={(kind) => {
					const anchor = elementOf(focus.current);
					if (anchor) show({ type: 'help', kind, anchor });
				}}
			/>
		{/await}
	{/if}
	<p id="trail-shortcuts" class="sr-only-live">{t('trail.shortcuts')}</p>
</section>

{#if drag}<DragGhost {drag} />{/if}

{#if sheet.Panel}
	<sheet.Panel
		{bench}
		opening={sheet.opening}
		onclose={(key) => void sheet.close(key)}
		onopen={(next) => (sheet.opening = next)}
		onadded={(id) => void adding.fromSheet(id)}
	/>
{/if}

<style>
	.trail {
		position: relative;
		display: flex;
		flex-direction: column;
		height: 100%;
		min-height: 0;
		background: var(--paper);
	}
	.scroller {
		flex: 1;
		min-height: 0;
		overflow: auto;
		overscroll-behavior: contain;
		contain: strict;
		/* What is opaque scrolls as one layer, without being drawn anew. */
		background: var(--paper);
	}
	.list {
		position: relative;
	}
	.landing {
		position: absolute;
		right: 1rem;
		height: 5px;
		border-radius: 3px;
		background: var(--verdigris);
		pointer-events: none;
	}
	.aside-zone {
		margin: 0.5rem;
		padding: 0.9rem;
		border: 2px dashed var(--mist);
		border-radius: 0.7rem;
		color: var(--ink-soft);
		text-align: center;
	}
	.aside-zone.over {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
	}
</style>
