<script lang="ts">
	/** A name: one that is there already, or a new one. */
	import { untrack } from 'svelte';
	import { isVariableName } from '$core/expressions/vocabulary';
	import type { NameDefinition } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import LineInput from './LineInput.svelte';

	let {
		of,
		value,
		known,
		canBeNew,
		onset,
		onclose
	}: {
		of: NameDefinition['of'];
		value: string;
		known: readonly { readonly name: string; readonly word: string }[];
		canBeNew: boolean;
		onset: (value: string) => void;
		onclose: () => void;
	} = $props();

	let text = $state(untrack(() => value));
	const refusal = $derived.by(() => {
		const name = text.trim();
		if (of === 'variable' && !isVariableName(name)) return t('value.badVariable');
		return name.length < 1 || name.length > 40 ? t('value.badName') : '';
	});
</script>

{#if known.length > 0}
	<div class="known" role="group" aria-labelledby="value-label">
		{#each known as { name, word } (name)}
			<button
				class="button {name === value ? 'button-main' : 'button-line'}"
				aria-pressed={name === value}
				data-first-focus={!canBeNew && name === value ? true : undefined}
				onclick={() => {
					text = value;
					onset(name);
					onclose();
				}}>{word}</button
			>
		{/each}
	</div>
{:else if !canBeNew}
	<p class="hint">{t(`value.none.${of}`)}</p>
{/if}
{#if canBeNew}
	<LineInput
		bind:text
		isRefused={refusal !== ''}
		maxlength={40}
		describedby="name-refusal"
		{onset}
		{onclose}
	/>
	<p id="name-refusal" class="refusal" role={refusal ? 'alert' : undefined}>{refusal}</p>
{/if}

<style>
	.known {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin-bottom: 0.5rem;
	}
	.hint {
		color: var(--ink-soft);
	}
	.refusal {
		margin-top: 0.3rem;
		color: var(--signal);
		font-size: 0.85rem;
		font-weight: 600;
	}
</style>
