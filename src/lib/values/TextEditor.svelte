<script lang="ts">
	/** A line of text that has a spelling of its own, such as the inputs of a routine. */
	import { untrack } from 'svelte';
	import type { ValueDefinition } from '$core/steps/definition';
	import { valueSchema } from '$core/steps/value-schema';
	import { t } from '$lib/i18n';
	import LineInput from './LineInput.svelte';

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
	const fits = $derived(valueSchema(definition).safeParse(text.trim()).success);
</script>

<LineInput bind:text isRefused={!fits} describedby="text-hint" {onset} {onclose} />
<p id="text-hint" class="hint" class:refusal={!fits} role={fits ? undefined : 'alert'}>
	{t(`value.spelling.${definition.type}`)}
</p>

<style>
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
