<script lang="ts">
	/** A thing of the button board while it is laid out: what it does, and where it lies. */
	import ArrowLeft from '@lucide/svelte/icons/arrow-left';
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import Hand from '@lucide/svelte/icons/hand';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { BoardThing } from '$core/plan/board';
	import { t } from '$lib/i18n';
	import type { BoardThings } from './board-things.svelte';

	let { thing, index, things }: { thing: BoardThing; index: number; things: BoardThings } =
		$props();

	const name = $derived(things.nameOf(thing));
</script>

<strong><Hand size={16} aria-hidden="true" /> {name}</strong>
{#if thing.type === 'button'}
	<label
		>{t('board.chain')}
		<select
			class="field"
			value={thing.chain}
			onchange={(event) => things.change(thing.id, { chain: event.currentTarget.value })}
		>
			{#each things.chains as chain (chain.id)}
				<option value={chain.id}>{things.chainName(chain)}</option>
			{/each}
		</select></label
	>
	<label
		>{t('board.label')}
		<input
			class="field"
			maxlength="30"
			value={thing.label}
			onchange={(event) => things.change(thing.id, { label: event.currentTarget.value })}
		/></label
	>
{:else if thing.type === 'slider'}
	<label
		>{t('board.variable')}
		<select
			class="field"
			value={thing.variable}
			onchange={(event) => things.change(thing.id, { variable: event.currentTarget.value })}
		>
			{#each things.variables as variable (variable)}<option>{variable}</option>{/each}
		</select></label
	>
	<div class="row ends">
		{#each ['from', 'to'] as const as end (end)}
			<label
				>{t(`board.${end}`)}
				<input
					class="field"
					type="number"
					value={thing[end]}
					onchange={(event) =>
						things.change(thing.id, { [end]: Number(event.currentTarget.value) || 0 })}
				/></label
			>
		{/each}
	</div>
{/if}
<div class="row">
	<button
		class="button button-plain button-icon"
		aria-label={t('board.earlier', { name })}
		disabled={index === 0}
		onclick={() => things.move(thing.id, index - 1)}><ArrowLeft size={18} /></button
	>
	<button
		class="button button-plain button-icon"
		aria-label={t('board.later', { name })}
		disabled={index === things.list.length - 1}
		onclick={() => things.move(thing.id, index + 1)}><ArrowRight size={18} /></button
	>
	<button
		class="button button-plain button-icon"
		aria-label={t('board.remove', { name })}
		onclick={() => things.remove(thing.id)}><Trash2 size={18} /></button
	>
</div>

<style>
	strong {
		display: flex;
		gap: 0.35rem;
		align-items: center;
	}
	.ends label {
		flex: 1;
	}
</style>
