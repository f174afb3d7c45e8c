<script lang="ts">
	/** A person's own panel: it starts chains, drives, and sets variables, on the model or on the robot. */
	import Plus from '@lucide/svelte/icons/plus';
	import { onDestroy } from 'svelte';
	import { mostThings } from '$core/plan/board';
	import { t } from '$lib/i18n';
	import { TagDragging } from '$lib/ui/drag';
	import { BoardThings } from './board-things.svelte';
	import BoardControl from './BoardControl.svelte';
	import BoardSettings from './BoardSettings.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import SidePanel from './SidePanel.svelte';

	let { live }: { live: LiveDesk } = $props();

	const things = new BoardThings(() => live.bench);
	let isLaying = $state(false);
	let dragged = $state<string | null>(null);
	/** What it is dragged over. */
	let over = $state<string | null>(null);

	const dragging = new TagDragging({
		began: (id) => (dragged = id),
		moved: (x, y) => {
			const under = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-thing]');
			over = under?.dataset.thing ?? null;
		},
		ended: (isCancelled) => {
			const to = things.list.findIndex(({ id }) => id === over);
			if (!isCancelled && dragged && to >= 0) things.move(dragged, to);
			dragged = over = null;
		}
	});
	onDestroy(() => dragging.destroy());

	function close() {
		live.board.stop();
		live.panel = null;
	}
</script>

<SidePanel title={t('board.title')} onclose={close}>
	<div class="row">
		<label class="on"
			>{t('board.on')}
			<select
				class="field"
				value={live.board.isOnModel ? 'model' : 'robot'}
				onchange={(event) => live.board.use(event.currentTarget.value === 'model')}
			>
				<option value="model">{t('board.model')}</option>
				<option value="robot">{live.roles[0]?.robot?.name ?? t('board.robot')}</option>
			</select></label
		>
		<button
			class="button button-line"
			aria-pressed={isLaying}
			onclick={() => (isLaying = !isLaying)}>{t(isLaying ? 'board.use' : 'board.edit')}</button
		>
	</div>
	{#if things.list.length === 0}
		<p>{t('board.empty')}</p>
	{:else if isLaying}
		<p class="hint">{t('board.hint')}</p>
	{/if}
	<ul class="board" class:laying={isLaying}>
		{#each things.list as thing, index (thing.id)}
			<li
				data-type={thing.type}
				class:dragged={dragged === thing.id}
				class:over={dragged !== null && dragged !== thing.id && over === thing.id}
				data-thing={thing.id}
			>
				{#if isLaying}
					<div use:dragging.tag={thing.id}><BoardSettings {thing} {index} {things} /></div>
				{:else}
					<BoardControl {thing} name={things.nameOf(thing)} hand={live.board} />
				{/if}
			</li>
		{/each}
	</ul>
	{#if isLaying || things.list.length === 0}
		<div class="row">
			{#each [['button', 'board.addButton'], ['stick', 'board.addStick'], ['slider', 'board.addSlider']] as const as [type, key] (type)}
				<button
					class="button button-line"
					disabled={things.list.length >= mostThings ||
						(type === 'slider' && things.variables.length === 0) ||
						(type === 'button' && things.chains.length === 0)}
					onclick={() => {
						isLaying = true;
						things.add(type);
					}}><Plus size={16} />{t(key)}</button
				>
			{/each}
		</div>
		{#if things.variables.length === 0}<p class="hint">{t('board.noVariables')}</p>{/if}
	{/if}
</SidePanel>

<style>
	.row,
	.board :global(.row) {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: end;
	}
	.on {
		flex: 1;
	}
	.board {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.6rem;
	}
	.laying {
		grid-template-columns: 1fr;
	}
	[data-type='stick'],
	[data-type='slider'] {
		grid-column: 1 / -1;
	}
	.laying li {
		display: grid;
		gap: 0.4rem;
		padding: 0.6rem;
		border: 1px dashed var(--mist);
		border-radius: 0.6rem;
		cursor: grab;
	}
	.dragged {
		opacity: 0.5;
	}
	.laying .over {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
	}
	.hint {
		color: var(--ink-soft);
	}
</style>
