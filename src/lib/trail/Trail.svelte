<script lang="ts">
	/** The pane that shows the chains: cords with lamps and tags. Only the rows in view are drawn. */
	import { Plus } from '@lucide/svelte';
	import { onDestroy, tick, untrack } from 'svelte';
	import { findStep, locateSteps, type Place } from '$core/plan/places';
	import { isLit } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import Shelf from '$lib/shelf/Shelf.svelte';
	import { shelfPlace, type Offer } from '$lib/words/typed';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { copyStep, pasteAt } from './copying';
	import DragGhost from './DragGhost.svelte';
	import { Dragged } from './dragged.svelte';
	import { onRowKey, type TrailHands } from './keys';
	import { OpenedBud } from './opened-bud.svelte';
	import { firstProblems, idOf, keyAfter, leftOf, placeAfter, rowsOf, type Row } from './rows';
	import type { Opening } from './Sheet.svelte';
	import { TagSheet } from './tag-sheet.svelte';
	import { rowWidth, TagRuler } from './tag-ruler.svelte';
	import TrailBar from './TrailBar.svelte';
	import TrailRow from './TrailRow.svelte';
	import TreeItem from './TreeItem.svelte';
	import { elementOf, isTag, letGoOfFocus, TrailFocus } from './trail-focus.svelte';
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

	const bud = new OpenedBud({
		get plan() {
			return bench.plan;
		},
		get isFirst() {
			return isFirst;
		},
		get width() {
			return paneWidth / zoom;
		}
	});

	const ruler = new TagRuler();
	let before: ReadonlyMap<string, Row> = new Map();
	const rows = $derived.by(() => {
		const tagHeight = isFirst ? undefined : ruler.heights(bench.plan, paneWidth / zoom);
		const open = bud.drawing;
		const made = rowsOf(bench.plan, before, { problems, folded, isFirst, open, zoom, tagHeight });
		before = new Map(made.map((row) => [row.key, row]));
		return made;
	});
	const indexOf = $derived(new Map(rows.map((row, index) => [row.key, index])));
	const hasLit = $derived(bench.plan.chains.some(isLit));
	const deepest = $derived(rows.reduce((most, { depth }) => Math.max(most, depth), 0));
	const widest = $derived(zoom * rowWidth(deepest, paneWidth / zoom));

	/** Where the shelf beside the trail adds while nothing is chosen: at the end of the first chain. */
	function usualKey(): string {
		const end = bench.plan.chains[0] && `${bench.plan.chains[0].id}-bud`;
		return (preferences.isShelfPinned || isFirst) && end ? end : (rows[0]?.key ?? '');
	}

	// --- drawing only what shows ---

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
	focus.mount();
	$effect(() => untrack(() => visible.mount()));
	$effect(() => untrack(() => void ruler.mount(scroller)));
	$effect.pre(() => {
		const shown = rows;
		untrack(() => {
			const focused = document.activeElement;
			if (isTag(focused) && !indexOf.has(focused.id.slice('row-'.length))) letGoOfFocus();
			visible.show(shown);
		});
	});

	/** Items in view, and the one being dragged or under the keyboard, so that it never goes away. */
	const shown = $derived.by(() => {
		const inView = visible.items.filter((item) => item.index < rows.length);
		const drawn = new Set(inView.map((item) => item.index));
		const extra = [drag?.key ?? '', focus.current].flatMap((key) => indexOf.get(key) ?? []);
		const missing = [...new Set(extra)].filter((index) => !drawn.has(index));
		return [...inView, ...missing.map((index) => visible.itemAt(index))];
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

	const openAt = (row: Row, make: (anchor: HTMLElement) => Opening | null) => {
		const anchor = elementOf(row.key);
		const next = anchor && make(anchor);
		if (next) show(next);
	};
	const hands: TrailHands = {
		get editing() {
			return editing;
		},
		get rows() {
			return rows;
		},
		focusRow: (key) => void focus.focus(key),
		openShelf: (row) =>
			isFirst
				? void openBud(placeAfter(row), true)
				: openAt(row, (anchor) => ({ type: 'shelf', place: placeAfter(row), anchor })),
		openValue: (row) => elementOf(row.key)?.querySelector<HTMLElement>('[data-chip]')?.click(),
		openMenu: (row) =>
			openAt(row, (anchor) => (row.type === 'bud' ? null : { type: 'actions', row, anchor })),
		openComment: (row) =>
			openAt(row, (anchor) => {
				const step = idOf(row);
				return step ? { type: 'comment', step, anchor } : null;
			}),
		openHelp: (row) =>
			openAt(row, (anchor) => {
				const step = findStep(bench.plan, idOf(row) ?? '');
				return step ? { type: 'help', kind: step.kind, anchor } : null;
			}),
		openTriggers: (chain) => {
			if (focus.row) openAt(focus.row, (anchor) => ({ type: 'triggers', chain, anchor }));
		},
		search: () => (isSearching = true),
		zoomBy,
		fit,
		runAlone: (chain) => void bench.runs.rehearse(chain),
		chainOf
	};

	function chainOf(row: Row): string {
		if (row.type === 'head') return row.chain;
		return locateSteps(bench.plan).get(row.holder)?.chain.id ?? row.holder;
	}

	function onkeydown(event: KeyboardEvent, row: Row, index: number) {
		if (isTag(event.target)) onRowKey(event, row, index, hands);
	}

	// --- copying by the keys of the device ---

	function oncopy(event: ClipboardEvent, isCut = false) {
		if (isTag(event.target) && focus.row?.type === 'step')
			copyStep(event, editing, focus.row.step.id, isCut);
	}

	function onpaste(event: ClipboardEvent) {
		if (!isTag(event.target) || !focus.row) return;
		const place = placeAfter(focus.row);
		const last = pasteAt(
			event,
			bench,
			place,
			shelfPlace(bench.plan, preferences.level, place.holder)
		);
		if (last) void focus.focus(last);
	}

	// --- the sheet that opens at a tag, and the shelf beside the trail ---

	const dockPlace = $derived(focus.row ? placeAfter(focus.row) : null);

	const sheet = new TagSheet(
		focus,
		untrack(() => bench.voice)
	);
	$effect(() => untrack(() => sheet.mount()));
	const show = (next: Opening) => void sheet.show(next);

	/** What was added shows first; the sheet that it came from goes with the next frame. */
	async function added(id: string) {
		sheet.leave();
		letGoOfFocus();
		await focus.focus(keyAfter(bench.plan, id));
	}

	async function docked(id: string | null) {
		if (id) await focus.show(keyAfter(bench.plan, id));
	}

	/** Opens the bud there. @param isForKeys the keyboard goes on in it */
	async function openBud(place: Place, isForKeys = false) {
		bud.openAt(place);
		await tick();
		const row = rows.find((row) => row.type === 'bud' && row.isOpen);
		if (!row || !(await focus.show(row.key)) || !isForKeys) return;
		await tick();
		elementOf(row.key)?.querySelector<HTMLElement>('[data-first-tile]')?.focus();
	}

	/** The bud moves on to where the next step will be wanted. */
	async function addAtBud(row: Row, { definition, values }: Offer) {
		const isByKeys = document.activeElement?.role === 'option';
		const id = editing.addStep(placeAfter(row), definition.kind, values);
		if (!id) return;
		const next = keyAfter(bench.plan, id);
		const behind = rows.find(({ key }) => key === next);
		if (behind) await openBud(placeAfter(behind), isByKeys);
	}

	function startChain(anchor: HTMLElement) {
		if (!isFirst && hasLit) {
			show({ type: 'triggers', chain: null, anchor });
			return;
		}
		const id = editing.addChain(hasLit ? null : 'whenRunPressed');
		if (isFirst) void openBud({ holder: id, index: 0 });
		else void tick().then(() => focus.focus(`${id}-bud`));
	}

	function addAside() {
		const id = editing.addChain(null);
		void tick().then(() => focus.focus(`${id}-bud`));
	}

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
		added: (id) => void docked(id),
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
		if (row.type === 'bud' && isFirst) void openBud(placeAfter(row));
		else if (row.type === 'bud') hands.openShelf(row);
		else if ((event.target as Element).closest('button')) return;
		else if (isFirst) void openBud(placeAfter(row));
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
		onfocusin={() => focus.entered()}
		onfocusout={(event) => focus.left(event)}
		oncopy={(event) => oncopy(event)}
		oncut={(event) => oncopy(event, true)}
		{onpaste}
	>
		{#if rows.length === 0}
			<div class="empty">
				<p>{t('trail.empty')}</p>
				<button class="button button-main" onclick={(event) => startChain(event.currentTarget)}
					><Plus size={18} />{t('trail.addChain')}</button
				>
			</div>
		{:else}
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
					<TreeItem
						{row}
						{isCurrent}
						{zoom}
						top={item.start}
						width={rowWidth(row.depth, paneWidth / zoom)}
						isSelected={row.type === 'step' && editing.selection.has(row.key)}
						isFound={isSearching && isCurrent}
						isLifted={drag?.key === row.key}
						onfocus={() => (focus.chosen = row.key)}
						onkeydown={(event) => onkeydown(event, row, item.index)}
						onclick={(event) => onclick(event, row)}
					>
						<TrailRow
							{bench}
							{row}
							{isCurrent}
							canTieToLit={hasLit}
							dragging={dragged.tags}
							onopen={show}
							onbud={(anchor) =>
								isFirst
									? void openBud(placeAfter(row))
									: show({ type: 'shelf', place: placeAfter(row), anchor })}
							onadd={(offer) => void addAtBud(row, offer)}
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
			{#if !drag}
				<div class="new-chain">
					<button class="button button-plain" onclick={(event) => startChain(event.currentTarget)}>
						<Plus size={16} />{t(hasLit && !isFirst ? 'trail.newChain' : 'trail.addChain')}
					</button>
					{#if hasLit && !isFirst}
						<button class="button button-plain" onclick={addAside}>{t('trail.newAside')}</button>
					{/if}
				</div>
			{/if}
		{/if}
	</div>
	{#if drag && !drag.values}
		<div class="aside-zone" class:over={drag.target === 'aside'} bind:this={asideZone}>
			{t('trail.dropAside')}
		</div>
	{/if}
	{#if !isFirst && preferences.isShelfPinned && dockPlace}
		{@const place = dockPlace}
		<div class="dock">
			<Shelf
				place={shelfPlace(bench.plan, preferences.level, place.holder)}
				dragging={dragged.tags}
				isDocked
				onchoose={({ definition, values }) =>
					docked(editing.addStep(place, definition.kind, values))}
				onseveral={(steps) => docked(editing.addSteps(place, steps))}
				onhelp={({ definition }) => {
					const anchor = elementOf(focus.current);
					if (anchor) show({ type: 'help', kind: definition.kind, anchor });
				}}
			/>
		</div>
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
		onadded={(id) => void added(id)}
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
	}
	.list {
		position: relative;
	}
	.empty {
		padding: 2rem 1.5rem;
		color: var(--ink-soft);
	}
	.empty p {
		margin-bottom: 1rem;
	}
	.new-chain {
		display: flex;
		align-items: center;
		margin: 0 0 1.5rem 0.5rem;
		color: var(--ink-soft);
	}
	.new-chain .button {
		font-weight: 450;
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
	.dock {
		border-top: 1px solid var(--line);
		background: var(--paper-deep);
	}
</style>
