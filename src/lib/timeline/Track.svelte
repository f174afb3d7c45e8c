<script lang="ts">
	/** The steps of an attempt as bands over its speed, with a hand to move through time. */
	import { t } from '$lib/i18n';
	import type { Player } from './player.svelte';
	import { ownNamed } from '$core/sounds/clip';
	import { axisOf, bandsOf, increment, isHeard, soughtTime, soundsOf, speedPath } from './track';

	let { player }: { player: Player } = $props();

	let width = $state(600);
	const { attempt, run, duration } = $derived(player);
	const percentOf = (time: number) => (duration > 0 ? (time / duration) * 100 : 0);
	const seconds = (time: number) => time.toFixed(1);

	/** A lane for each robot. */
	const lanes = $derived(
		attempt?.runs.map((run) => ({
			id: run.id,
			bands: bandsOf(attempt, run, duration),
			sounds: soundsOf(run, duration)
		})) ?? []
	);
	const nameOf = (clip: string) => {
		const own = ownNamed(clip);
		return own ? t(`clip.${own}`) : t('timeline.recording');
	};
	const isWide = (start: number, end: number, pixels: number) =>
		(percentOf(end - start) * width) / 100 > pixels;
	const speedLine = $derived(run ? speedPath(run.trace, duration) : '');
	const axis = $derived(axisOf(duration, width));
	/** Of the hidden slider: it need not move with every frame. */
	const shownTime = $derived(player.isPlaying ? Math.floor(player.time * 10) / 10 : player.time);
</script>

<div
	class="track"
	bind:clientWidth={width}
	style:--lanes={Math.max(1, lanes.length)}
	class:heard={isHeard(attempt?.runs ?? [])}
>
	{#if attempt}
		<svg class="speed-line" viewBox="0 0 100 30" preserveAspectRatio="none" aria-hidden="true"
			><path d={speedLine} /></svg
		>
		{#each lanes as { id, bands, sounds }, lane (id)}
			<div class="bands" style:--lane={lane} aria-hidden="true">
				{#each bands as span, index (index)}
					<span
						class="band"
						class:now={span.start <= player.time && span.end > player.time && !player.isAtEnd}
						class:passed={span.end <= player.time}
						style:left="{percentOf(span.start)}%"
						style:width="max(3px, {percentOf(span.end - span.start)}% - 1px)"
						>{#if isWide(span.start, span.end, 16)}{span.number}{/if}</span
					>
				{/each}
			</div>
			<div class="sounds" style:--lane={lane} aria-hidden="true">
				{#each sounds as { start, end, high, clip, text }, index (index)}
					<span
						class:clip={clip ?? text}
						class:now={start <= player.time && end > player.time && !player.isAtEnd}
						style:left="{percentOf(start)}%"
						style:width="max(2px, {percentOf(end - start)}%)"
						style:bottom={high === null ? undefined : `${high * 80}%`}
						>{#if isWide(start, end, 36)}{text ?? (clip && nameOf(clip))}{/if}</span
					>
				{/each}
			</div>
		{/each}
		<div class="axis" aria-hidden="true">
			{#each axis as tick (tick)}<span
					class:at-end={percentOf(tick) > 96}
					style:left="{percentOf(tick)}%">{tick}</span
				>{/each}
		</div>
		<div
			class="hand"
			style:transform="translateX({(percentOf(player.time) * width) / 100}px)"
			aria-hidden="true"
		></div>
		<input
			class="scrub"
			type="range"
			min="0"
			max={duration}
			step={increment}
			value={shownTime}
			aria-label={t('timeline.label')}
			aria-valuetext={t('timeline.at', {
				time: seconds(player.time),
				duration: seconds(duration)
			})}
			oninput={(event) => {
				player.pause();
				player.seek(soughtTime(event.currentTarget.valueAsNumber, duration));
			}}
		/>
	{:else}
		<p class="empty">{t('timeline.empty')}</p>
	{/if}
</div>

<style>
	.track {
		position: relative;
		flex: 1;
		min-width: 8rem;
		--lane-height: 24px;
		height: calc(44px + var(--lanes) * var(--lane-height));
	}
	.heard {
		--lane-height: 42px;
	}
	.speed-line {
		position: absolute;
		inset: 2px 0 auto;
		width: 100%;
		height: 26px;
		overflow: visible;
	}
	.speed-line path {
		fill: none;
		stroke: var(--trace-before);
		stroke-width: 1.5;
		vector-effect: non-scaling-stroke;
	}
	.bands {
		position: absolute;
		left: 0;
		right: 0;
		top: calc(29px + var(--lane) * var(--lane-height));
		height: 20px;
	}
	.sounds {
		position: absolute;
		left: 0;
		right: 0;
		top: calc(51px + var(--lane) * var(--lane-height));
		height: 16px;
	}
	.sounds span {
		position: absolute;
		height: 3px;
		border-radius: 1.5px;
		background: var(--verdigris);
	}
	.sounds .clip {
		bottom: 1px;
		overflow: hidden;
		height: 14px;
		padding-left: 3px;
		border-radius: 4px;
		background: color-mix(in oklch, var(--verdigris) 22%, var(--paper));
		color: var(--ink);
		font-size: 0.68rem;
		line-height: 14px;
		white-space: nowrap;
	}
	.sounds .now {
		background: var(--lamp);
	}
	.sounds .clip.now {
		color: oklch(0.25 0.05 60);
	}
	.band {
		position: absolute;
		top: 0;
		bottom: 0;
		overflow: hidden;
		border: 1px solid var(--line);
		border-radius: 4px;
		background: var(--tag);
		color: var(--ink-soft);
		font-size: 0.75rem;
		line-height: 18px;
		text-align: center;
		font-variant-numeric: tabular-nums;
	}
	.band.passed {
		border-color: color-mix(in oklch, var(--lamp-text) 50%, transparent);
		background: var(--lamp-soft);
		color: var(--lamp-text);
	}
	.band.now {
		border-color: var(--lamp-text);
		background: var(--lamp);
		color: oklch(0.25 0.05 60);
	}
	.axis {
		position: absolute;
		left: 0;
		right: 0;
		bottom: 0;
		height: 16px;
		color: var(--ink-soft);
		font-size: 0.72rem;
		font-variant-numeric: tabular-nums;
	}
	.axis span {
		position: absolute;
		transform: translateX(-50%);
	}
	.axis span:first-child {
		transform: none;
	}
	.axis .at-end {
		transform: translateX(-100%);
	}
	.hand {
		position: absolute;
		top: 0;
		left: -1px;
		bottom: 16px;
		width: 2px;
		background: var(--ink);
		pointer-events: none;
		/* It moves with every frame: what lies under it is not painted again. */
		will-change: transform;
	}
	.hand::before {
		content: '';
		position: absolute;
		top: 0;
		left: -4px;
		border: 5px solid transparent;
		border-top-color: var(--ink);
	}
	.scrub {
		position: absolute;
		inset: 0 -8px;
		width: calc(100% + 16px);
		height: 100%;
		margin: 0;
		opacity: 0;
		cursor: ew-resize;
	}
	.track:focus-within {
		outline: 2px solid var(--verdigris);
		outline-offset: 2px;
		border-radius: 4px;
	}
	.empty {
		display: flex;
		align-items: center;
		height: 100%;
		color: var(--ink-soft);
		font-size: 0.9rem;
	}
	@media (max-width: 720px) {
		.track {
			flex: none;
		}
	}
</style>
