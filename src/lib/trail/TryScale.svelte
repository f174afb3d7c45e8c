<script lang="ts">
	/** What was tried of a value, as a small scale below it: too little, too much, right. */
	import type { Tried } from '$lib/workbench/seeking.svelte';

	let { tries, value }: { tries: readonly Tried[]; value: number } = $props();

	const values = $derived([...tries.map((tried) => tried.value), value]);
	const least = $derived(Math.min(...values));
	const room = $derived(Math.max(...values) - least || 1);
	/** Percent of the breadth. */
	const placeOf = (of: number) => 4 + ((of - least) / room) * 92;
</script>

<span class="scale" aria-hidden="true" data-testid="tries">
	{#each tries as tried (tried.at)}
		<i class={tried.says ?? 'open'} style:left="{placeOf(tried.value)}%"></i>
	{/each}
	<i class="now" style:left="{placeOf(value)}%"></i>
</span>

<style>
	.scale {
		position: absolute;
		right: 3px;
		bottom: -3px;
		left: 3px;
		height: 7px;
		border-bottom: 2px solid var(--mist);
	}
	i {
		position: absolute;
		bottom: -2px;
		width: 3px;
		height: 7px;
		margin-left: -1.5px;
		background: var(--mist);
	}
	.more {
		background: var(--signal);
	}
	.less {
		background: var(--lamp);
	}
	.right {
		background: var(--verdigris);
	}
	.now {
		height: 3px;
		background: var(--ink);
	}
</style>
