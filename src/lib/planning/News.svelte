<script lang="ts">
	/** What became of the attempt that is shown, said beside the floor where there is room. */
	import type { NewsPlace } from '$lib/floor/view';
	import { t } from '$lib/i18n';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let { bench, place }: { bench: Workbench; place: NewsPlace } = $props();
</script>

<div
	class="news {place}"
	class:measured={bench.leaves.opened.truth}
	role="status"
	aria-label={t('outcome.label')}
	data-testid="outcome"
>
	{#if bench.live?.told.alarm}
		<p class="outcome crashed">{bench.live.told.alarm}</p>
	{:else if bench.runs.rehearsing && bench.runs.rehearsing.seconds > 0}
		<p class="outcome">{t('outcome.rehearsing', bench.runs.rehearsing)}</p>
	{:else if bench.runs.outcome}
		<p class="outcome {bench.runs.outcome.kind}">
			{bench.runs.outcome.text}
			{#if bench.runs.hasChanged}<span class="changed">{t('outcome.changed')}</span>{/if}
			{#if bench.runs.isOlderModel}<span class="changed">{t('outcome.olderModel')}</span>{/if}
		</p>
	{:else if !bench.player.attempt}
		<p class="outcome">
			{t(bench.runs.hasCourseChanged ? 'outcome.courseChanged' : 'outcome.hint')}
		</p>
	{/if}
</div>

<style>
	.news {
		position: absolute;
		top: 0.75rem;
		left: 0.75rem;
		right: 0.75rem;
		pointer-events: none;
	}
	/* Above the buttons, beside the few figures. */
	.below {
		top: auto;
		bottom: 4.1rem;
		left: 16.5rem;
	}
	/* Above the few figures. */
	.left {
		right: auto;
		width: 11rem;
	}
	.outcome {
		width: fit-content;
		max-width: 34rem;
		padding: 0.45rem 0.9rem;
		border: 1px solid var(--line);
		border-left: 5px solid var(--mist);
		border-radius: 0.5rem;
		background: var(--tag);
		box-shadow: var(--shadow);
	}
	.outcome.finished {
		border-left-color: var(--verdigris);
		font-weight: 600;
	}
	.outcome.halted,
	.outcome.timeout,
	.outcome.fell,
	.outcome.crashed {
		border-left-color: var(--signal);
	}
	.changed {
		color: var(--ink-soft);
		font-weight: 400;
	}
	@media (max-width: 560px), (max-width: 820px) and (max-height: 699px) {
		:global(.floor-pane:has(+ .dock > *)) .news {
			display: none;
		}
	}
	@media (max-width: 560px) {
		/* Whoever measures needs the floor. */
		.measured {
			display: none;
		}
	}
</style>
