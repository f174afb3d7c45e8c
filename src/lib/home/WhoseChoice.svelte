<script lang="ts">
	/** Whose plans and courses are shown. */
	import { SegmentedControl } from '@skeletonlabs/skeleton-svelte';
	import { t } from '$lib/i18n';
	import type { Person } from '$lib/saving/answers';
	import type { Whose } from './document-list.svelte';

	let {
		person,
		whose,
		onchoose
	}: { person: Person | null; whose: Whose; onchoose: (whose: Whose) => void } = $props();

	/** Somebody else's are offered once a name on a card was pressed. */
	const choices = $derived([
		{ value: 'all', label: t('home.everybodys') },
		...(person ? [{ value: person.id, label: t('home.mine') }] : []),
		{ value: 'samples', label: t('home.samples') },
		...(typeof whose === 'object' && whose.id !== person?.id
			? [{ value: whose.id, label: whose.name }]
			: [])
	]);
</script>

<SegmentedControl
	value={typeof whose === 'object' ? whose.id : whose}
	onValueChange={({ value }) => {
		if (value === 'all' || value === 'samples') onchoose(value);
		else if (value !== null) onchoose(value === person?.id ? person : whose);
	}}
	aria-label={t('home.whose')}
>
	<SegmentedControl.Control class="whose">
		<SegmentedControl.Indicator class="whose-mark" />
		{#each choices as { value, label } (value)}
			<SegmentedControl.Item {value} class="whose-item">
				<SegmentedControl.ItemText>{label}</SegmentedControl.ItemText>
				<SegmentedControl.ItemHiddenInput />
			</SegmentedControl.Item>
		{/each}
	</SegmentedControl.Control>
</SegmentedControl>

<style>
	:global(.whose) {
		position: relative;
		display: flex;
		padding: 0.2rem;
		border: 1px solid var(--line);
		border-radius: 0.7rem;
		background: var(--tag);
	}
	:global(.whose-mark) {
		left: var(--left);
		top: var(--top);
		width: var(--width);
		height: var(--height);
		border-radius: 0.5rem;
		background: var(--verdigris-soft);
	}
	:global(.whose-item) {
		display: flex;
		align-items: center;
		min-height: 2.35rem;
		padding: 0 0.8rem;
		border-radius: 0.5rem;
		cursor: pointer;
	}
	:global(.whose-item[data-state='checked'] *) {
		color: var(--ink);
		font-weight: 600;
	}
	:global(.whose-item[data-focus-visible]) {
		outline: 2px solid var(--verdigris);
	}
</style>
