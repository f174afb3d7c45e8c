<script lang="ts">
	/** What is odd about a step, in words, with what mends it. */
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import Wrench from '@lucide/svelte/icons/wrench';
	import type { Problem, Repair } from '$core/checks';
	import { say, t } from '$lib/i18n';

	let {
		problem,
		id,
		tabindex,
		onrepair
	}: { problem: Problem; id: string; tabindex: number; onrepair: (repair: Repair) => void } =
		$props();
	const repair = $derived(problem.repair);
	const words = $derived(say(problem.sentence));
</script>

<div class="problem">
	<TriangleAlert size={15} aria-hidden="true" />
	<span {id} class="words" title={words}>{words}</span>
	{#if repair}
		<button class="repair" {tabindex} onclick={() => onrepair(repair)}>
			<Wrench size={13} aria-hidden="true" />{t(repair.key)}
		</button>
	{/if}
</div>

<style>
	.problem {
		display: flex;
		align-items: center;
		gap: 0.35rem;
		height: 30px;
		color: var(--signal);
		font-size: 0.83rem;
		line-height: 1.1;
	}
	.problem :global(svg) {
		flex: none;
	}
	.words {
		display: -webkit-box;
		overflow: hidden;
		-webkit-box-orient: vertical;
		-webkit-line-clamp: 2;
		line-clamp: 2;
	}
	.repair {
		display: inline-flex;
		flex: none;
		align-items: center;
		gap: 0.3rem;
		min-height: 28px;
		padding: 0 0.55rem;
		border: 1px solid currentColor;
		border-radius: 0.45rem;
		background: var(--paper);
		font-weight: 600;
		white-space: nowrap;
		cursor: pointer;
	}
	.repair:hover {
		background: var(--signal-soft);
	}
</style>
