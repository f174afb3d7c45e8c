<script lang="ts">
	/** What else can be done with a step or a chain. */
	import { ArrowDown, ArrowUp, Link2, PanelRightOpen, Trash2, Unlink2 } from '@lucide/svelte';
	import type { Component } from 'svelte';
	import { t } from '$lib/i18n';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import type { HeadRow, StepRow } from './rows';

	let {
		bench,
		row,
		onclose
	}: { bench: Workbench; row: StepRow | HeadRow; onclose: (key?: string) => void } = $props();

	interface Action {
		readonly icon: Component;
		readonly key: string;
		readonly act: () => void;
	}

	const actions = $derived.by((): Action[] => {
		if (row.type === 'step') {
			const { id } = row.step;
			return [
				{ icon: ArrowUp, key: 'trail.moveUp', act: () => bench.nudgeStep(id, -1) },
				{ icon: ArrowDown, key: 'trail.moveDown', act: () => bench.nudgeStep(id, 1) },
				{ icon: PanelRightOpen, key: 'trail.setAside', act: () => bench.moveStep(id, null) },
				{ icon: Trash2, key: 'trail.remove', act: () => bench.removeStep(id) }
			];
		}
		const { chain: id, trigger } = row;
		const untie = () => bench.edit({ type: 'untie', chain: id }, t('say.untied'));
		return [
			trigger
				? { icon: Unlink2, key: 'trail.untie', act: untie }
				: { icon: Link2, key: 'trail.tieOwn', act: () => bench.tie(id) },
			{
				icon: Trash2,
				key: 'trail.removeChain',
				act: () => bench.edit({ type: 'removeChain', chain: id })
			}
		];
	});
</script>

<ul class="actions">
	{#each actions as { icon: Icon, key, act } (key)}
		<li>
			<button
				class="button button-plain action"
				onclick={() => {
					act();
					onclose();
				}}><Icon size={18} />{t(key)}</button
			>
		</li>
	{/each}
</ul>

<style>
	.actions {
		padding: 0.35rem;
		min-width: 14rem;
	}
	.action {
		width: 100%;
		justify-content: flex-start;
		font-weight: 450;
	}
</style>
