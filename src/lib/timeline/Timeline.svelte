<script lang="ts">
	/** The steps as bands over the speed, on one time axis, with a hand to move through time. */
	import { Pause, Play, SkipBack, Volume2, VolumeX } from '@lucide/svelte';
	import { legsOf, type Attempt, type RobotRun } from '$core/simulation/attempt';
	import { t } from '$lib/i18n';
	import { speeds, type Player } from './player.svelte';
	import { playTone } from './sound';

	let {
		bench
	}: {
		bench: {
			readonly player: Player;
			/** Whose figures are shown. */
			readonly robot: { readonly id: string };
			show(id: string): void;
		};
	} = $props();

	const player = $derived(bench.player);
	let isMuted = $state(false);
	let width = $state(600);

	const seconds = (time: number) => time.toFixed(1);
	const percent = (time: number) => (player.duration > 0 ? (time / player.duration) * 100 : 0);

	/** Bands wide enough to be seen, in the lowest row that is free. */
	const bandsOf = (attempt: Attempt, run: RobotRun) => {
		const spans = legsOf(attempt, run);
		return spans.length > 400
			? spans.filter((span) => percent(span.end - span.start) > 0.15)
			: spans;
	};
	/** A lane for each robot. */
	const lanes = $derived(
		player.attempt?.runs.map((run) => ({
			id: run.id,
			name: run.robot.name,
			bands: bandsOf(player.attempt!, run)
		})) ?? []
	);
	const isCrew = $derived(lanes.length > 1);

	/** The speed over time as an SVG path, 100 wide and 30 high. */
	const speedLine = $derived(player.run ? speedPath(player.run) : '');

	function speedPath({ trace }: RobotRun): string {
		const points = 240;
		const { speed } = trace.columns;
		if (!speed) return '';
		const top = speed.reduce((most, each) => Math.max(most, Math.abs(each)), 0.1);
		const stride = Math.max(1, Math.floor(trace.time.length / points));
		let path = '';
		for (let i = 0; i < trace.time.length; i += stride) {
			const x = (trace.time[i]! / Math.max(player.duration, 1e-6)) * 100;
			path += `${path ? 'L' : 'M'}${x.toFixed(2)} ${(30 - (Math.abs(speed[i]!) / top) * 28).toFixed(2)}`;
		}
		return path;
	}

	$effect(() => {
		player.onPassed = (from, to) => {
			if (isMuted) return;
			const due = (player.attempt?.runs ?? []).flatMap(({ tones }) =>
				tones.filter(({ time }) => time >= from && time < to)
			);
			for (const tone of due) {
				void playTone(tone, player.rate, (tone.time - from) / player.rate);
			}
		};
	});

	/** Ticks of the axis: whole seconds, not too close. */
	const axis = $derived.by(() => {
		const steps = [1, 2, 5, 10, 20, 30, 60, 120, 300, 600];
		const gap = steps.find((step) => (step / Math.max(player.duration, 0.1)) * width >= 48) ?? 600;
		return Array.from({ length: Math.floor(player.duration / gap) + 1 }, (_, index) => index * gap);
	});
</script>

<section class="timeline" aria-label={t('timeline.label')}>
	<div class="controls">
		<button
			class="button button-plain button-icon"
			aria-label={t('timeline.start')}
			title={t('timeline.start')}
			disabled={!player.attempt || player.isLive}
			onclick={() => player.seek(0)}><SkipBack size={18} /></button
		>
		<button
			class="button button-line button-icon"
			aria-label={player.isPlaying ? t('timeline.pause') : t('timeline.play')}
			title={player.isPlaying ? t('timeline.pause') : t('timeline.play')}
			disabled={!player.attempt || player.isLive}
			onclick={() => (player.isPlaying ? player.pause() : player.play())}
		>
			{#if player.isPlaying}<Pause size={18} />{:else}<Play size={18} />{/if}
		</button>
		<output class="clock"
			>{t('timeline.at', {
				time: seconds(player.time),
				duration: seconds(player.duration)
			})}</output
		>
		<div class="speed">
			<select class="field" aria-label={t('timeline.speed')} bind:value={player.rate}>
				{#each speeds as rate (rate)}<option value={rate}>{t('timeline.times', { rate })}</option
					>{/each}
			</select>
		</div>
		<button
			class="button button-plain button-icon"
			aria-label={isMuted ? t('timeline.unmute') : t('timeline.mute')}
			title={isMuted ? t('timeline.unmute') : t('timeline.mute')}
			aria-pressed={isMuted}
			onclick={() => (isMuted = !isMuted)}
		>
			{#if isMuted}<VolumeX size={18} />{:else}<Volume2 size={18} />{/if}
		</button>
	</div>
	{#if isCrew}
		<div class="lane-names">
			{#each lanes as { id, name } (id)}
				<button
					class="lane-name"
					aria-pressed={id === bench.robot.id}
					title={t('timeline.lane', { name })}
					onclick={() => bench.show(id)}>{name}</button
				>
			{/each}
		</div>
	{/if}
	<div class="track" bind:clientWidth={width} style:--lanes={Math.max(1, lanes.length)}>
		{#if player.attempt}
			<svg class="speed-line" viewBox="0 0 100 30" preserveAspectRatio="none" aria-hidden="true"
				><path d={speedLine} /></svg
			>
			{#each lanes as { id, bands }, lane (id)}
				<div class="bands" style:--lane={lane} aria-hidden="true">
					{#each bands as span, index (index)}
						<span
							class="band"
							class:now={span.start <= player.time && span.end > player.time && !player.isAtEnd}
							class:passed={span.end <= player.time}
							style:left="{percent(span.start)}%"
							style:width="max(3px, {percent(span.end - span.start)}% - 1px)"
							>{#if (percent(span.end - span.start) * width) / 100 > 16}{span.number}{/if}</span
						>
					{/each}
				</div>
			{/each}
			<div class="axis" aria-hidden="true">
				{#each axis as tick (tick)}<span
						class:at-end={percent(tick) > 96}
						style:left="{percent(tick)}%">{tick}</span
					>{/each}
			</div>
			<div class="hand" style:left="{percent(player.time)}%" aria-hidden="true"></div>
			<input
				class="scrub"
				type="range"
				min="0"
				max={player.duration}
				step="0.05"
				value={player.time}
				aria-label={t('timeline.label')}
				aria-valuetext={t('timeline.at', {
					time: seconds(player.time),
					duration: seconds(player.duration)
				})}
				oninput={(event) => {
					player.pause();
					player.seek(event.currentTarget.valueAsNumber);
				}}
			/>
		{:else}
			<p class="empty">{t('timeline.empty')}</p>
		{/if}
	</div>
</section>

<style>
	.timeline {
		display: flex;
		align-items: center;
		gap: 0.75rem;
		padding: 0.4rem 1rem 0.5rem 0.6rem;
		border-top: 1px solid var(--line);
		background: var(--paper);
	}
	.controls {
		display: flex;
		align-items: center;
		gap: 0.25rem;
	}
	.clock {
		min-width: 6.2rem;
		text-align: center;
		font-size: 0.88rem;
		font-variant-numeric: tabular-nums;
		color: var(--ink-soft);
	}
	.speed select {
		padding: 0 0.4rem;
	}
	.track {
		position: relative;
		flex: 1;
		min-width: 8rem;
		height: calc(44px + var(--lanes) * 24px);
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
	.lane-names {
		display: flex;
		flex-direction: column;
		align-self: flex-start;
		padding-top: 27px;
	}
	.lane-name {
		overflow: hidden;
		max-width: 6rem;
		height: 24px;
		padding: 0 0.4rem;
		border-radius: 0.3rem;
		color: var(--ink-soft);
		font-size: 0.82rem;
		line-height: 24px;
		text-align: left;
		text-overflow: ellipsis;
		white-space: nowrap;
		cursor: pointer;
	}
	.lane-name[aria-pressed='true'] {
		background: var(--lamp-soft);
		color: var(--lamp-text);
		font-weight: 650;
	}
	.bands {
		position: absolute;
		left: 0;
		right: 0;
		top: calc(29px + var(--lane) * 24px);
		height: 20px;
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
		bottom: 16px;
		width: 2px;
		margin-left: -1px;
		background: var(--ink);
		pointer-events: none;
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
		.timeline {
			flex-direction: column;
			align-items: stretch;
			gap: 0.2rem;
			padding: 0.3rem 0.75rem;
		}
		.controls {
			justify-content: space-between;
		}
		.track {
			flex: none;
		}
		.lane-names {
			flex-direction: row;
			padding: 0;
		}
	}
</style>
