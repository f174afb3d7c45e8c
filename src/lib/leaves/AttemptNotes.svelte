<script lang="ts">
	/** The name and the note of an attempt, as somebody writes them. */
	import './words';
	import { untrack } from 'svelte';
	import { t } from '$lib/i18n';
	import type { AttemptNotes, ListedAttempt } from '$core/attempts/kept';

	let { row, onwrite }: { row: ListedAttempt; onwrite: (notes: AttemptNotes) => void } = $props();

	let name = $state(untrack(() => row.name ?? ''));
	let note = $state(untrack(() => row.note ?? ''));

	const written = (text: string): string | undefined => text.trim() || undefined;

	function onsubmit(event: SubmitEvent) {
		event.preventDefault();
		onwrite({ name: written(name), note: written(note) });
	}
</script>

<form {onsubmit}>
	<!-- svelte-ignore a11y_autofocus -->
	<input
		class="field"
		aria-label={t('attempts.name')}
		placeholder={t('attempts.name')}
		maxlength="80"
		autofocus
		bind:value={name}
	/>
	<input
		class="field"
		aria-label={t('attempts.note')}
		placeholder={t('attempts.note')}
		maxlength="500"
		bind:value={note}
	/>
	<button class="button button-line">{t('attempts.done')}</button>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: 1fr 2fr auto;
		gap: 0.4rem;
		width: 100%;
		padding: 0.2rem 0.75rem 0.5rem 1rem;
	}
	@media (max-width: 560px) {
		form {
			grid-template-columns: 1fr;
		}
	}
</style>
