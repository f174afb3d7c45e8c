<script lang="ts">
	/** The newest documents of one kind to choose from, and a way to all others. */
	import type { Snippet } from 'svelte';
	import type { DocumentKind } from '$lib/saving/kinds';
	import type { Listed } from '$lib/saving/answers';

	let {
		kind,
		label,
		value,
		newest,
		others,
		onchoose,
		onfind,
		children
	}: {
		kind: DocumentKind;
		label: string;
		/** The id of the one that is chosen, or empty. */
		value: string;
		newest: readonly { readonly id: string; readonly name: string }[];
		/** What leads to those that are not among the newest, if there are any. */
		others: string | undefined;
		onchoose: (id: string) => void;
		onfind: (listed: Listed) => void;
		/** Options that stand before all others. */
		children?: Snippet;
	} = $props();

	/** Stands for one that is not among the newest: no id has such a letter. */
	const other = '?';
	let isFinding = $state(false);
</script>

<select
	class="field"
	aria-label={label}
	{value}
	onchange={({ currentTarget }) => {
		if (currentTarget.value !== other) return onchoose(currentTarget.value);
		isFinding = true;
		currentTarget.value = value;
	}}
>
	{@render children?.()}
	{#each newest as { id, name } (id)}<option value={id}>{name}</option>{/each}
	{#if others}<option value={other}>{others}</option>{/if}
</select>

{#if isFinding}
	{#await import('./FinderDialog.svelte') then { default: FinderDialog }}
		<FinderDialog {kind} onchoose={onfind} onclose={() => (isFinding = false)} />
	{/await}
{/if}
