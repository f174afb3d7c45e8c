<script lang="ts">
	/** One of a few words. */
	import type { ChoiceDefinition } from '$core/steps/definition';
	import { choiceWord } from './format';

	let {
		definition,
		kind,
		name,
		value,
		onset
	}: {
		definition: ChoiceDefinition;
		kind: string;
		name: string;
		value: string;
		onset: (value: string) => void;
	} = $props();
</script>

<div class="choices" role="group" aria-labelledby="value-label">
	{#each definition.options as option (option)}
		<button
			class="button {option === value ? 'button-main' : 'button-line'}"
			aria-pressed={option === value}
			data-first-focus={option === value ? true : undefined}
			onclick={() => onset(option)}>{choiceWord(kind, name, option)}</button
		>
	{/each}
</div>

<style>
	.choices {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
	.choices .button {
		flex: 1;
	}
</style>
