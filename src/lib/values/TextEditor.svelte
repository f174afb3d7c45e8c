<script lang="ts">
	/** A line of text that has a spelling of its own, such as the inputs of a routine. */
	import { untrack } from 'svelte';
	import type { ValueDefinition } from '$core/steps/definition';
	import { valueSchema } from '$core/plan/value-schema';
	import { t } from '$lib/i18n';

	let {
		definition,
		value,
		onset,
		onclose
	}: {
		definition: ValueDefinition;
		value: string;
		onset: (value: string) => void;
		onclose: () => void;
	} = $props();

	let text = $state(untrack(() => value));
	const fits = $derived(valueSchema(definition).safeParse(text).success);

	function take() {
		if (!fits) return;
		onset(text);
		onclose();
	}
</script>

<div class="line">
	<input
		class="field"
		data-first-focus
		type="text"
		maxlength="200"
		bind:value={text}
		aria-labelledby="value-label"
		aria-describedby="text-hint"
		aria-invalid={!fits}
		onkeydown={(event) => {
			if (event.key !== 'Enter') return;
			event.preventDefault();
			take();
		}}
	/>
	<button class="button button-main" disabled={!fits} onclick={take}>{t('value.done')}</button>
</div>
<p id="text-hint" class="hint" class:refusal={!fits} role={fits ? undefined : 'alert'}>
	{t(`value.spelling.${definition.type}`)}
</p>

<style>
	.line {
		display: flex;
		gap: 0.4rem;
	}
	.field {
		flex: 1;
		min-width: 0;
	}
	.hint {
		margin-top: 0.35rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.refusal {
		color: var(--signal);
		font-weight: 600;
	}
</style>
