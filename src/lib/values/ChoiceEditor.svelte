<script lang="ts">
	/** One of a few words. */
	import { choiceWord } from '$lib/words/values';

	let {
		options,
		kind,
		name,
		value,
		onset
	}: {
		/** What the robot can choose from. */
		options: readonly string[];
		kind: string;
		name: string;
		value: string;
		onset: (value: string) => void;
	} = $props();
</script>

<div class="choices" role="group" aria-labelledby="value-label">
	{#each options as option (option)}
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
