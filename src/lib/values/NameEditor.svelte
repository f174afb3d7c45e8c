<script lang="ts">
	/** A name: one that is there already, or a new one. */
	import { untrack } from 'svelte';
	import { isVariableName } from '$core/expressions/vocabulary';
	import type { NameDefinition } from '$core/steps/definition';
	import { t } from '$lib/i18n';

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

	function take() {
		if (refusal) return;
		onset(text.trim());
		onclose();
	}
</script>

{#if known.length > 0}
	<div class="known" role="group" aria-labelledby="value-label">
		{#each known as { name, word } (name)}
			<button
				class="button {name === value ? 'button-main' : 'button-line'}"
				aria-pressed={name === value}
				data-first-focus={!canBeNew && name === value ? true : undefined}
				onclick={() => {
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
	<div class="new">
		<input
			class="field"
			data-first-focus
			type="text"
			maxlength="40"
			bind:value={text}
			aria-labelledby="value-label"
			aria-invalid={refusal !== ''}
			aria-describedby="name-refusal"
			onfocus={(event) => event.currentTarget.select()}
			onkeydown={(event) => {
				if (event.key !== 'Enter') return;
				event.preventDefault();
				take();
			}}
		/>
		<button class="button button-main" disabled={refusal !== ''} onclick={take}
			>{t('value.done')}</button
		>
	</div>
	<p id="name-refusal" class="refusal" role={refusal ? 'alert' : undefined}>{refusal}</p>
{/if}

<style>
	.known {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin-bottom: 0.5rem;
	}
	.new {
		display: flex;
		gap: 0.4rem;
	}
	.new .field {
		flex: 1;
		min-width: 0;
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
