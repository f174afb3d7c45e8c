<script lang="ts">
	/** What can be done with a document; it opens as it comes. */
	import type { Snippet } from 'svelte';
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import { t } from '$lib/i18n';

	let {
		label,
		actions,
		onaction,
		children
	}: {
		label: string;
		actions: readonly string[];
		onaction: (action: string) => void;
		/** What is on the button. */
		children: Snippet;
	} = $props();
</script>

<Menu
	defaultOpen
	onSelect={({ value }) => onaction(value)}
	positioning={{ placement: 'bottom-end' }}
>
	<Menu.Trigger class="button button-plain button-icon above" aria-label={label}
		>{@render children()}</Menu.Trigger
	>
	<Menu.Positioner>
		<Menu.Content class="panel menu">
			{#each actions as action (action)}
				<Menu.Item value={action} class="menu-item">{t(`home.${action}`)}</Menu.Item>
			{/each}
		</Menu.Content>
	</Menu.Positioner>
</Menu>
