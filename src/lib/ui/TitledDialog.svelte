<script lang="ts">
	/** A dialog: its title, the way out, and what it is about. */
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import type { Snippet } from 'svelte';
	import { t } from '$lib/i18n';

	let {
		title,
		width,
		onclose,
		children
	}: {
		title: string;
		/** At the most, rem. */
		width: number;
		onclose: () => void;
		children: Snippet;
	} = $props();
</script>

<Dialog open onOpenChange={({ open }) => !open && onclose()}>
	<Portal>
		<Dialog.Positioner class="middle">
			<Dialog.Content class="panel dialog titled-dialog" style="width: min({width}rem, 100%)">
				<div class="title">
					<Dialog.Title class="heading text-xl">{title}</Dialog.Title>
					<Dialog.CloseTrigger class="button button-line">{t('dialog.close')}</Dialog.CloseTrigger>
				</div>
				{@render children()}
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>

<style>
	:global(.titled-dialog) {
		display: grid;
		gap: 0.7rem;
		max-height: calc(100dvh - 1.5rem);
		overflow-y: auto;
	}
	.title {
		display: flex;
		align-items: center;
		justify-content: space-between;
	}
	/* What is asked for beside what comes of it. */
	:global(.titled-dialog .both) {
		display: grid;
		grid-template-columns: minmax(15rem, 1fr) minmax(0, 1.5fr);
		gap: 1rem;
	}
	:global(.titled-dialog .fault) {
		color: var(--signal);
	}
	@media (max-width: 700px) {
		:global(.titled-dialog .both) {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
