<script lang="ts">
	/** What the robot senses at the moment that is shown, and what the plan has written in the log. */
	import { MediaQuery } from 'svelte/reactivity';
	import { readings } from '$core/expressions/vocabulary';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import Chevron from '$lib/ui/Chevron.svelte';
	import { showDatum, showSensed } from '$lib/words/sensed';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let {
		bench,
		taken = $bindable()
	}: {
		bench: Workbench;
		/** Pixels of the floor that are better left free, so that nothing is hidden. */
		taken: { left: number; top: number };
	} = $props();

	let isOpen = $state(true);
	let width = $state(0);
	let height = $state(0);
	/** Pixels beside it; and above it on a phone, where the outcome stands. */
	const gap = 16;
	const phoneTop = 56;
	const isNarrow = new MediaQuery('max-width: 560px');
	const isUpright = new MediaQuery('(max-width: 900px) and (orientation: portrait)');
	const player = $derived(bench.player);
	const isCrew = $derived(bench.plan.robots.length > 1);

	interface Figure {
		readonly reading: string;
		readonly shown: string;
	}

	const showsAll = $derived(preferences.showsAllReadings);

	/** Those that the plan reads, then the others. */
	const figures = $derived.by((): Figure[] => {
		const others = Object.entries(player.unread).filter(
			([name]) => showsAll || readings[name]?.isUsual
		);
		return [...Object.entries(player.sensed), ...others].flatMap(([name, value]) =>
			readings[name] ? [{ reading: name, shown: showSensed(readings[name].type, value) }] : []
		);
	});
	$effect(() => {
		const isLarge = isOpen && showsAll && figures.length > 0;
		taken = {
			left: isLarge && !isNarrow.current ? width + gap : 0,
			top: isLarge && isNarrow.current ? height + phoneTop : 0
		};
	});
	/** On a phone, and on a tablet upright, a leaf leaves the floor too little room for both. */
	const isSmall = $derived(isNarrow.current || isUpright.current);
	const hasRoom = $derived(!isSmall || bench.leaves.open === null);
	const isShown = $derived(hasRoom && figures.length > 0 && preferences.level !== 'first');
	const lines = $derived(player.attempt?.log.filter(({ time }) => time <= player.time) ?? []);
</script>

{#if isShown}
	<aside
		class="readings"
		class:all={showsAll}
		class:old={bench.live?.told.isOld}
		aria-label={t('readings.label')}
		style:--phone-top="{phoneTop}px"
		bind:offsetWidth={width}
		bind:offsetHeight={height}
	>
		<button class="title" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}>
			<Chevron {isOpen} />
			{isCrew ? t('readings.of', { name: bench.robot.name }) : t('readings.label')}
		</button>
		{#if isOpen}
			<dl>
				{#each figures as { reading, shown } (reading)}
					<dt>{t(`reading.${reading}`)}</dt>
					<dd data-reading={reading}>{shown}</dd>
				{/each}
			</dl>
			<button
				class="more"
				aria-pressed={showsAll}
				onclick={() => preferences.choose({ showsAllReadings: !showsAll })}
			>
				{t(showsAll ? 'readings.fewer' : 'readings.all')}
			</button>
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
		max-height: calc(100% - 7rem);
		overflow: auto;
		padding: 0.15rem 0.7rem 0.4rem 0.4rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		background: color-mix(in oklch, var(--tag) 88%, transparent);
		font-size: 0.84rem;
	}
	.old dd {
		color: var(--mist);
		font-weight: 400;
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
	.more {
		min-height: 1.75rem;
		padding-left: 0.35rem;
		color: var(--ink-soft);
		text-decoration: underline;
		text-underline-offset: 0.15em;
		cursor: pointer;
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
			top: var(--phone-top);
			max-width: calc(100% - 1.5rem);
		}
		.all dl {
			grid-template-columns: 1fr auto 1fr auto;
		}
	}
</style>
