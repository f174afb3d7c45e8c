<script lang="ts">
	/** The leaf that is unfolded; each comes when it is wanted. */
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let { bench, onstep }: { bench: Workbench; onstep: (stepId: string) => void } = $props();

	const opened = $derived(bench.leaves.opened);
</script>

{#if opened.legs}
	{#await import('./LegsLeaf.svelte') then { default: LegsLeaf }}
		<LegsLeaf {bench} refining={opened.legs} {onstep} />
	{/await}
{:else if opened.time}
	{#await import('./TimeLeaf.svelte') then { default: TimeLeaf }}
		<TimeLeaf {bench} over={opened.time} />
	{/await}
{:else if opened.attempts}
	{#await import('./AttemptsLeaf.svelte') then { default: AttemptsLeaf }}
		<AttemptsLeaf {bench} list={opened.attempts} />
	{/await}
{:else if opened.spread}
	{#await import('./SpreadLeaf.svelte') then { default: SpreadLeaf }}
		<SpreadLeaf {bench} spreading={opened.spread} {onstep} />
	{/await}
{:else if opened.model}
	{#await import('./ModelLeaf.svelte') then { default: ModelLeaf }}
		<ModelLeaf {bench} modelling={opened.model} />
	{/await}
{:else if opened.truth}
	{#await import('./TruthLeaf.svelte') then { default: TruthLeaf }}
		<TruthLeaf {bench} truth={opened.truth} />
	{/await}
{/if}
