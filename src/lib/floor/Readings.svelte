<script lang="ts">
	/** What the robot senses at the moment that is shown, and what the plan has written in the log. */
	import { ChevronDown, ChevronRight } from '@lucide/svelte';
	import { isReading, readings, type Reading } from '$core/expressions/vocabulary';
	import { bearingOfHeading } from '$core/units/angles';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import { showDatum, showSensed } from '$lib/values/live';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let { bench }: { bench: Workbench } = $props();

	let isOpen = $state(true);
	const player = $derived(bench.player);

	interface Figure {
		readonly reading: Reading;
		readonly shown: string;
	}

	/** Those that the plan reads, then what the trace knows anyway. */
	const figures = $derived.by((): Figure[] => {
		const { attempt, index, sample } = player;
		if (!attempt || !sample) return [];
		const sensed = Object.entries(attempt.sensed).flatMap(([name, column]) =>
			isReading(name) ? [{ reading: name, value: column[index]! }] : []
		);
		const usual = [
			{ reading: 'heading' as const, value: bearingOfHeading(sample.heading) },
			{ reading: 'speed' as const, value: sample.speed }
		].filter(({ reading }) => !sensed.some((known) => known.reading === reading));
		return [...sensed, ...usual].map(({ reading, value }) => ({
			reading,
			shown: showSensed(readings[reading], value)
		}));
	});
	const lines = $derived(player.attempt?.log.filter(({ time }) => time <= player.time) ?? []);
</script>

{#if figures.length > 0 && preferences.level !== 'first'}
	<aside class="readings" aria-label={t('readings.label')}>
		<button class="title" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}>
			{#if isOpen}<ChevronDown size={16} />{:else}<ChevronRight size={16} />{/if}
			{t('readings.label')}
		</button>
		{#if isOpen}
			<dl>
				{#each figures as { reading, shown } (reading)}
					<dt>{t(`reading.${reading}`)}</dt>
					<dd data-reading={reading}>{shown}</dd>
				{/each}
			</dl>
			{#if lines.length > 0}
				<p class="log-title">{t('readings.log')}</p>
				<ol class="log" data-testid="log">
					{#each lines.slice(-6) as line, index (lines.length - index)}
						<li>
							<span class="when">{t('trail.took', { seconds: line.time })}</span>
							{showDatum(line.value)}
						</li>
					{/each}
				</ol>
			{/if}
		{/if}
	</aside>
{/if}

<style>
	.readings {
		position: absolute;
		left: 0.75rem;
		bottom: 2.6rem;
		min-width: 10rem;
		max-width: 15rem;
		padding: 0.15rem 0.7rem 0.4rem 0.4rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		background: color-mix(in oklch, var(--tag) 88%, transparent);
		font-size: 0.84rem;
	}
	.title {
		display: flex;
		align-items: center;
		gap: 0.25rem;
		min-height: 1.75rem;
		color: var(--ink-soft);
		font-weight: 600;
		cursor: pointer;
	}
	dl {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0.05rem 0.9rem;
		padding-left: 0.35rem;
	}
	dt {
		color: var(--ink-soft);
	}
	dd {
		font-weight: 600;
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	.log-title {
		margin: 0.35rem 0 0 0.35rem;
		color: var(--ink-soft);
		font-weight: 600;
	}
	.log {
		padding-left: 0.35rem;
		overflow-wrap: anywhere;
	}
	.when {
		margin-right: 0.4rem;
		color: var(--ink-soft);
		font-variant-numeric: tabular-nums;
	}
	@media (max-width: 560px) {
		.readings {
			bottom: auto;
			top: 3.5rem;
		}
	}
</style>
