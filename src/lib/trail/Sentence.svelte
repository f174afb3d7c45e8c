<script lang="ts">
	/** The words of a step or trigger with its values as chips, on as many lines as it takes. */
	import type { Step } from '$core/plan/plan';
	import type { Values } from '$core/steps/definition';
	import Chip from './Chip.svelte';
	import { sentenceParts } from './words';

	let {
		step,
		values,
		tabindex,
		wrongValue,
		onvalue
	}: {
		step: Step;
		/** As they are shown. */
		values: Values;
		tabindex: number;
		/** Name of the value that makes no sense. */
		wrongValue: string | undefined;
		onvalue: (name: string, anchor: HTMLElement) => void;
	} = $props();

	const parts = $derived(sentenceParts(step.kind, values));
</script>

<span class="sentence">
	{#each parts as part, index (index)}{#if 'slot' in part}<Chip
				{step}
				name={part.slot}
				{tabindex}
				isWrong={wrongValue === part.slot}
				onopen={onvalue}
			/>{:else}{part.text}{/if}{/each}
</span>

<style>
	.sentence {
		min-width: 0;
		line-height: 1.5;
	}
</style>
