<script lang="ts">
	/** The comment of a step; an empty one goes away. */
	import './words';
	import { untrack } from 'svelte';
	import type { Step } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import LineInput from '$lib/values/LineInput.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let { bench, step, onclose }: { bench: Workbench; step: Step; onclose: () => void } = $props();

	// Opened anew for each step, which it may change while it goes away.
	const { id, comment = '' } = untrack(() => step);
	let text = $state(comment);
</script>

<div class="comment">
	<p id="comment-label">{t('trail.comment')}</p>
	<LineInput
		bind:text
		labelledby="comment-label"
		onset={(next) => bench.editing.comment(id, next)}
		{onclose}
	/>
</div>

<style>
	.comment {
		width: min(22rem, calc(100vw - 2rem));
		padding: 0.8rem;
	}
	p {
		margin-bottom: 0.4rem;
		font-weight: 600;
	}
</style>
