<script lang="ts">
	/** The pane that shows the chains: cords with lamps and tags. Only the rows in view are drawn. */
	import { Plus } from '@lucide/svelte';
	import { onDestroy, tick, untrack } from 'svelte';
	import { locateSteps, type Place } from '$core/plan/places';
	import { t } from '$lib/i18n';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import ChainHead from './ChainHead.svelte';
	import { TagDragging } from './drag';
	import { contains, landingAt, nowhere, type Landing } from './landing';
	import { indent, rowsOf, type Row } from './rows';
	import Sheet, { type Opening } from './Sheet.svelte';
	import StepTag from './StepTag.svelte';
	import { VisibleRows } from './visible-rows.svelte';
	import { wordsOf } from './words';

	let { bench }: { bench: Workbench } = $props();

	let scroller: HTMLDivElement;
	let opening = $state.raw<Opening | null>(null);
	let currentKey = $state('');

	let before: ReadonlyMap<string, Row> = new Map();
	const rows = $derived.by(() => {
		const made = rowsOf(bench.plan, before);
		before = new Map(made.map((row) => [row.key, row]));
		return made;
	});
	const indexOf = $derived(new Map(rows.map((row, index) => [row.key, index])));
	const current = $derived(indexOf.has(currentKey) ? currentKey : (rows[0]?.key ?? ''));
	const problems = $derived(
		new Map(bench.problems.map((problem) => [problem.id, problem.sentence]))
	);
	const hasLit = $derived(bench.plan.chains.some((chain) => chain.trigger));
	const progress = $derived(bench.player.progress);
	/** Room for the longest tags at the deepest place; beyond the pane's width the trail scrolls. */
	const widest = $derived(Math.max(0, ...rows.map((row) => row.depth)) * indent + 375);

	// --- drawing only what shows ---

	const visible = new VisibleRows(() => scroller ?? null);
	$effect(() => untrack(() => visible.mount()));
	$effect.pre(() => {
		const shown = rows;
		untrack(() => visible.show(shown));
	});

	/** Items in view, and the one being dragged or under the keyboard, so that it never goes away. */
	const shown = $derived.by(() => {
		const inView = visible.items.filter((item) => item.index < rows.length);
		const drawn = new Set(inView.map((item) => item.index));
		const extra = [drag?.key ?? '', current].flatMap((key) => indexOf.get(key) ?? []);
		const missing = [...new Set(extra)].filter((index) => !drawn.has(index));
		return [...inView, ...missing.map((index) => visible.itemAt(index))];
	});

	// --- keyboard ---

	async function focusRow(key: string) {
		currentKey = key;
		const index = indexOf.get(key);
		if (index === undefined) return;
		visible.reveal(index);
		await tick();
		document.getElementById(`row-${key}`)?.focus({ preventScroll: true });
	}

	$effect(() => {
		const wanted = bench.focus;
		if (wanted) untrack(() => void focusRow(wanted.key));
	});

	/** When the row under the keyboard goes away, such as by undo, the one in its place takes over. */
	let hasFocus = false;
	let lastIndex = 0;
	$effect(() => {
		const index = indexOf.get(currentKey);
		if (index !== undefined) lastIndex = index;
		else if (hasFocus) {
			const next = rows[Math.min(lastIndex, rows.length - 1)];
			if (next) untrack(() => void focusRow(next.key));
		}
	});

	/** A row that goes away blurs without a new target; that is not the person leaving. */
	function onfocusout(event: FocusEvent) {
		const row = event.target as HTMLElement;
		if (row.isConnected && event.relatedTarget) hasFocus = false;
	}

	const isTag = (target: EventTarget | null) =>
		target instanceof HTMLElement && target.role === 'treeitem';

	function onkeydown(event: KeyboardEvent, row: Row, index: number) {
		if (!isTag(event.target) || event.ctrlKey || event.metaKey) return;
		if (event.altKey) return moveByKey(event, row);
		if (bench.pickedUp) return steerPickedUp(event);
		const go = (to: number) => void focusRow(rows[Math.max(0, Math.min(rows.length - 1, to))]!.key);
		const element = event.currentTarget as HTMLElement;
		const actions: Record<string, () => void> = {
			ArrowDown: () => go(index + 1),
			ArrowUp: () => go(index - 1),
			Home: () => go(0),
			End: () => go(rows.length - 1),
			Enter: () => openShelf(afterRow(row), element),
			' ': () =>
				row.type === 'step' ? bench.pickUp(row.step.id) : openShelf(afterRow(row), element),
			Delete: () => remove(row, index),
			Backspace: () => remove(row, index),
			e: () => element.querySelector<HTMLElement>('[data-chip]')?.click(),
			ContextMenu: () => row.type !== 'bud' && openActions(row, element)
		};
		const action = actions[event.key];
		if (!action) return;
		event.preventDefault();
		action();
	}

	function moveByKey(event: KeyboardEvent, row: Row) {
		if (row.type !== 'step' || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
		event.preventDefault();
		bench.nudgeStep(row.step.id, event.key === 'ArrowUp' ? -1 : 1);
	}

	function steerPickedUp(event: KeyboardEvent) {
		const actions: Record<string, () => void> = {
			ArrowDown: () => bench.movePickedUp(1),
			ArrowUp: () => bench.movePickedUp(-1),
			' ': () => bench.putDown(),
			Enter: () => bench.putDown(),
			Escape: () => bench.putBack()
		};
		const action = actions[event.key];
		if (!action) return;
		event.preventDefault();
		action();
	}

	function remove(row: Row, index: number) {
		if (row.type !== 'step') return;
		bench.removeStep(row.step.id);
		const next = rows[Math.min(index, rows.length - 1)];
		if (next) void focusRow(next.key);
	}

	/** Where a step goes that is added from this row. */
	function afterRow(row: Row): Place {
		if (row.type === 'head') return { holder: row.chain, index: 0 };
		return { holder: row.holder, index: row.type === 'bud' ? row.index : row.index + 1 };
	}

	// --- the sheet that opens at a tag ---

	const openShelf = (place: Place, anchor: HTMLElement) =>
		(opening = { type: 'shelf', place, anchor });
	const openActions = (row: Row, anchor: HTMLElement) => {
		if (row.type !== 'bud') opening = { type: 'actions', row, anchor };
	};

	async function closeSheet(next?: string) {
		const closed = opening;
		opening = null;
		await tick();
		if (next) void focusRow(next);
		else if (closed?.type === 'value' && closed.anchor.isConnected) closed.anchor.focus();
		else if (closed) void focusRow(current);
	}

	async function added(id: string, hasBody: boolean) {
		await tick();
		void closeSheet(hasBody ? `${id}-bud` : id);
	}

	function startChain(isLit: boolean) {
		const id = bench.addChain(isLit);
		void tick().then(() => focusRow(`${id}-bud`));
	}

	// --- dragging ---

	interface Drag extends Landing {
		readonly key: string;
		readonly x: number;
		readonly y: number;
	}
	let drag = $state.raw<Drag | null>(null);
	let asideZone = $state<HTMLElement>();

	const dragging = new TagDragging({
		began: (key) => {
			opening = null;
			currentKey = key;
			drag = { key, x: 0, y: 0, ...nowhere };
		},
		moved: (x, y) => {
			if (drag) drag = { ...drag, x, y, ...landingUnder(x, y, drag.key) };
			scrollNearEdge(y);
		},
		ended: (isCancelled) => {
			const dropped = drag;
			drag = null;
			if (!dropped || isCancelled) return;
			if (dropped.target === 'remove') bench.removeStep(dropped.key);
			else if (dropped.target) {
				bench.moveStep(dropped.key, dropped.target === 'aside' ? null : dropped.target);
				void tick().then(() => focusRow(dropped.key));
			}
		}
	});
	onDestroy(() => dragging.destroy());

	function landingUnder(x: number, y: number, key: string): Landing {
		if (contains(asideZone?.getBoundingClientRect(), x, y)) return { target: 'aside', line: null };
		const box = scroller.getBoundingClientRect();
		if (!contains(box, x, y)) return { target: 'remove', line: null };
		return landingAt(y - box.top + scroller.scrollTop, rows, visible, bench.plan, key);
	}

	function scrollNearEdge(y: number) {
		const box = scroller.getBoundingClientRect();
		if (y < box.top + 40) scroller.scrollTop -= 14;
		else if (y > box.bottom - 40) scroller.scrollTop += 14;
	}

	const dragged = $derived(drag && locateSteps(bench.plan).get(drag.key)?.step);
	const left = (depth: number) => `${14 + depth * indent}px`;
</script>

<section class="trail" aria-label={t('trail.label')}>
	<div class="scroller" bind:this={scroller} onfocusin={() => (hasFocus = true)} {onfocusout}>
		{#if rows.length === 0}
			<div class="empty">
				<p>{t('trail.empty')}</p>
				<button class="button button-main" onclick={() => startChain(true)}
					><Plus size={18} />{t('trail.addChain')}</button
				>
			</div>
		{:else}
			<div
				class="list"
				role="tree"
				aria-label={t('trail.label')}
				style:height="{visible.total}px"
				style:min-width="{widest}px"
			>
				{#each shown as item (item.key)}
					{@const row = rows[item.index]!}
					{@const isCurrent = row.key === current}
					<div
						id="row-{row.key}"
						class="row {row.type}"
						class:unlit={!row.isLit}
						class:lifted={drag?.key === row.key}
						role="treeitem"
						tabindex={isCurrent ? 0 : -1}
						aria-level={row.depth + 1}
						aria-posinset={row.type === 'step' ? row.index + 1 : undefined}
						aria-setsize={row.type === 'step' ? row.size : undefined}
						aria-selected={isCurrent}
						aria-expanded={row.type === 'step' && row.step.body ? true : undefined}
						aria-label={row.type === 'step'
							? `${t('trail.number', { number: row.number })}: ${wordsOf(row.step)}`
							: row.type === 'bud'
								? t(row.loop ? 'trail.budIn' : 'trail.bud')
								: row.trigger
									? t(`step.${row.trigger.kind}.name`)
									: t('check.unlit')}
						aria-describedby={row.type === 'step' ? 'trail-shortcuts' : undefined}
						style:transform="translateY({item.start}px)"
						style:height="{item.size}px"
						style:padding-left={left(row.depth)}
						onfocus={() => (currentKey = row.key)}
						onkeydown={(event) => onkeydown(event, row, item.index)}
						onclick={(event) => {
							if (row.type === 'bud') openShelf(afterRow(row), event.currentTarget);
							else if (isTag(event.target)) currentKey = row.key;
						}}
					>
						{#each { length: row.depth + 1 }, depth (depth)}
							<span
								class="cord"
								class:inner={depth > 0}
								class:last={row.type === 'bud' && depth === row.depth}
								class:first={row.type === 'head'}
								style:left="calc({left(depth)} + 0.8rem)"
							></span>
						{/each}
						{#if row.type === 'head'}
							<ChainHead
								{row}
								{isCurrent}
								isRunning={bench.player.isPlaying && row.isLit}
								canTieToLit={hasLit}
								ontie={() => (hasLit ? bench.tieToLit(row.chain) : bench.tie(row.chain))}
								onmenu={(anchor) => openActions(row, anchor)}
							/>
						{:else if row.type === 'step'}
							{#if row.step.body}<span class="coil" style:left="calc({left(row.depth)} + 0.8rem)"
								></span>{/if}
							<div class="holder" use:dragging.tag={row.key}>
								<StepTag
									{row}
									{isCurrent}
									isRunning={progress.active.has(row.step.id)}
									passed={progress.passed.get(row.step.id)}
									problem={problems.get(row.step.id)}
									isPickedUp={bench.pickedUp?.step.id === row.step.id}
									onvalue={(name, anchor) =>
										(opening = { type: 'value', step: row.step.id, name, anchor })}
									onmenu={(anchor) => openActions(row, anchor)}
									onbud={(anchor) => openShelf(afterRow(row), anchor)}
								/>
							</div>
						{:else}
							<span class="bud-mark" aria-hidden="true"><Plus size={16} /></span>
							<span class="bud-words">{t(row.loop ? 'trail.budIn' : 'trail.bud')}</span>
							{#if row.loop}
								<span class="knot" aria-hidden="true"
									>{t('trail.knot', { times: Number(row.loop.values.times) })}</span
								>
							{/if}
						{/if}
					</div>
				{/each}
				{#if drag?.line}
					<div class="landing" style:top="{drag.line.y}px" style:left={left(drag.line.depth)}></div>
				{/if}
			</div>
			{#if !drag}
				<button class="button button-plain new-chain" onclick={() => startChain(!hasLit)}>
					<Plus size={16} />{t(hasLit ? 'trail.newChain' : 'trail.addChain')}
				</button>
			{/if}
		{/if}
	</div>
	{#if drag}
		<div class="aside-zone" class:over={drag.target === 'aside'} bind:this={asideZone}>
			{t('trail.dropAside')}
		</div>
	{/if}
	<p id="trail-shortcuts" class="sr-only-live">{t('trail.shortcuts')}</p>
</section>

{#if drag && dragged}
	<div
		class="ghost"
		class:removing={drag.target === 'remove'}
		style:transform="translate({drag.x + 10}px, {drag.y + 6}px)"
	>
		{drag.target === 'remove' ? t('trail.dropRemove') : wordsOf(dragged)}
	</div>
{/if}

<Sheet {bench} {opening} onclose={closeSheet} onadded={added} />

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
	.row {
		position: absolute;
		contain: layout style;
		inset: 0 0 auto 0;
		display: flex;
		align-items: center;
		gap: 0.6rem;
		padding-right: 0.75rem;
	}
	.row:focus-visible {
		outline: none;
	}
	.row:focus-visible :global(.tag),
	.row:focus-visible .bud-mark {
		outline: 2px solid var(--verdigris);
		outline-offset: 2px;
	}
	.holder {
		position: relative;
		display: flex;
		align-items: center;
		gap: 0.6rem;
		cursor: grab;
		touch-action: pan-y;
		user-select: none;
	}
	.lifted {
		opacity: 0.35;
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
	/* From the cord to the inner one that a loop's steps hang on. */
	.coil {
		position: absolute;
		bottom: 0;
		width: 28px;
		border-top: 2px solid var(--ink-soft);
	}
	.unlit .coil {
		border-top: 2px dashed var(--mist);
	}
	.cord.first {
		top: 50%;
	}
	.cord.last {
		bottom: 50%;
	}
	.unlit .cord {
		background: repeating-linear-gradient(var(--mist) 0 4px, transparent 4px 9px);
	}
	.bud {
		cursor: pointer;
		color: var(--ink-soft);
	}
	.bud:hover {
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
	.empty {
		padding: 2rem 1.5rem;
		color: var(--ink-soft);
	}
	.empty p {
		margin-bottom: 1rem;
	}
	.new-chain {
		margin: 0 0 1.5rem 0.5rem;
		color: var(--ink-soft);
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
	.ghost {
		position: fixed;
		top: 0;
		left: 0;
		z-index: 50;
		padding: 0.5rem 0.8rem;
		border: 1px solid var(--verdigris);
		border-radius: 0.3rem 0.7rem 0.7rem 0.3rem;
		background: var(--tag);
		box-shadow: 0 6px 20px oklch(0.2 0.04 258 / 0.25);
		pointer-events: none;
	}
	.ghost.removing {
		border-color: var(--signal);
		background: var(--signal-soft);
		color: var(--signal);
	}
</style>
