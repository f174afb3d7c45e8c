<script lang="ts">
	/** The comment of a step; an empty one goes away. */
	import { t } from '$lib/i18n';

	let {
		text,
		onset,
		onclose
	}: { text: string; onset: (text: string) => void; onclose: () => void } = $props();

	let typed = $derived(text);
	const take = () => {
		if (typed.trim() !== text) onset(typed);
		onclose();
	};
</script>

<div class="comment">
	<label for="comment-text">{t('trail.comment')}</label>
	<div class="line">
		<input
			id="comment-text"
			class="field"
			data-first-focus
			type="text"
			maxlength="200"
			bind:value={typed}
			onkeydown={(event) => {
				if (event.key !== 'Enter') return;
				event.preventDefault();
				take();
			}}
		/>
		<button class="button button-main" onclick={take}>{t('value.done')}</button>
	</div>
</div>

<style>
	.comment {
		width: min(22rem, calc(100vw - 2rem));
		padding: 0.8rem;
	}
	label {
		display: block;
		margin-bottom: 0.4rem;
		font-weight: 600;
	}
	.line {
		display: flex;
		gap: 0.4rem;
	}
	.field {
		flex: 1;
		min-width: 0;
	}
</style>
