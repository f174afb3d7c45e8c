<script lang="ts">
	/** The words of a step or trigger with its values as chips, on as many lines as it takes. */
	import type { Step } from '$core/plan/plan';
	import type { Values } from '$core/steps/definition';
	import Chip from './Chip.svelte';
	import { sentenceParts } from '$lib/words/step-words';

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

	/** What follows a value without a space, such as a comma: it stays on the line of the value. */
	function tailOf(index: number): string {
		const next = parts[index + 1];
		return next && 'text' in next ? /^\S*/.exec(next.text)![0] : '';
	}
	const withoutTail = (text: string, index: number): string =>
		index === 0 ? text : text.replace(/^\S+/, '');
</script>

<span class="sentence">
	{#each parts as part, index (index)}{#if 'slot' in part}<span class="value"
				><Chip
					{step}
					name={part.slot}
					{tabindex}
					isWrong={wrongValue === part.slot}
					onopen={onvalue}
				/>{tailOf(index)}</span
			>{:else}{withoutTail(part.text, index)}{/if}{/each}
</span>

<style>
	.sentence {
		min-width: 0;
		line-height: 1.5;
	}
	.value {
		white-space: nowrap;
	}
</style>
