<script lang="ts">
	/** All shortcuts of a desk in one sheet. */
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import { t } from '$lib/i18n';
	import { shownKeys, type KeySheet } from '$lib/ui/keys';

	let { keys, onclose }: { keys: KeySheet; onclose: () => void } = $props();
</script>

<Dialog
	open
	onOpenChange={(details) => {
		if (!details.open) onclose();
	}}
>
	<Portal>
		<Dialog.Positioner class="shortcut-place">
			<Dialog.Content class="panel shortcut-sheet">
				<Dialog.Title class="heading shortcut-title">{t('shortcuts.title')}</Dialog.Title>
				<div class="groups">
					{#each keys as { group, shortcuts } (group)}
						<section>
							<h3>{t(`shortcuts.${group}`)}</h3>
							<dl>
								{#each Object.entries(shortcuts) as [id, shortcut] (id)}
									<dt><kbd>{shownKeys(shortcut)}</kbd></dt>
									<dd>{t(shortcut.action)}</dd>
								{/each}
							</dl>
						</section>
					{/each}
				</div>
				<Dialog.CloseTrigger class="button button-main">{t('shortcuts.close')}</Dialog.CloseTrigger>
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>

<style>
	:global(.shortcut-place) {
		position: fixed;
		inset: 0;
		z-index: 60;
		display: grid;
		place-items: center;
		padding: 1rem;
		background: oklch(0.15 0.03 258 / 0.5);
	}
	:global(.shortcut-sheet) {
		width: min(60rem, 100%);
		max-height: calc(100dvh - 2rem);
		padding: 1.2rem 1.4rem;
		overflow: auto;
	}
	:global(.shortcut-title) {
		margin-bottom: 0.6rem;
		font-size: 1.25rem;
	}
	.groups {
		columns: 17rem;
		column-gap: 2rem;
		margin-bottom: 0.8rem;
	}
	section {
		break-inside: avoid;
		margin-bottom: 0.8rem;
	}
	h3 {
		margin-bottom: 0.2rem;
		font-weight: 650;
	}
	dl {
		display: grid;
		grid-template-columns: 7rem 1fr;
		gap: 0.15rem 0.6rem;
		font-size: 0.92rem;
	}
	dd::first-letter {
		text-transform: uppercase;
	}
	kbd {
		padding: 0.05rem 0.4rem;
		border: 1px solid var(--line);
		border-radius: 0.3rem;
		background: var(--paper-deep);
		font-family: inherit;
		font-size: 0.85rem;
		white-space: nowrap;
	}
</style>
