<script lang="ts">
	/** The steps as bands over the speed, on one time axis, with a hand to move through time. */
	import type { Snippet } from 'svelte';
	import Pause from '@lucide/svelte/icons/pause';
	import Play from '@lucide/svelte/icons/play';
	import SkipBack from '@lucide/svelte/icons/skip-back';
	import Volume2 from '@lucide/svelte/icons/volume-2';
	import VolumeX from '@lucide/svelte/icons/volume-x';
	import { t } from '$lib/i18n';
	import { speeds, type Player } from './player.svelte';
	import { isHeard } from './track';
	import Track from './Track.svelte';

	let {
		bench,
		leaves
	}: {
		bench: {
			readonly player: Player;
			/** Whose figures are shown. */
			readonly robot: { readonly id: string };
			show(id: string): void;
		};
		/** What unfolds more of the attempt. */
		leaves?: Snippet;
	} = $props();

	const player = $derived(bench.player);
	let isMuted = $state(false);

	const seconds = (time: number) => time.toFixed(1);
	const lanes = $derived(player.attempt?.runs ?? []);
	const isCrew = $derived(lanes.length > 1);

	$effect(() => {
		player.onPassed = (from, to) => {
			if (isMuted) return;
			const due = (player.attempt?.runs ?? []).flatMap(({ tones }) =>
				tones.filter(({ time }) => time >= from && time < to)
			);
			if (due.length === 0) return;
			void import('./sound').then(({ playTone }) => {
				for (const tone of due) playTone(tone, player.rate, (tone.time - from) / player.rate);
			});
		};
	});
</script>

<section class="timeline" aria-label={t('timeline.label')}>
	<div class="controls">
		<button
			class="button button-plain button-icon start"
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
		<span class="clock short" aria-hidden="true"
			>{t('timeline.now', { time: seconds(player.time) })}</span
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
		{#if leaves}<div class="leaves" role="group" aria-label={t('timeline.leaves')}>
				{@render leaves()}
			</div>{/if}
	</div>
	{#if isCrew}
		<div class="lane-names" class:heard={isHeard(lanes)}>
			{#each lanes as { id, robot: { name } } (id)}
				<button
					class="lane-name"
					aria-pressed={id === bench.robot.id}
					title={t('timeline.lane', { name })}
					onclick={() => bench.show(id)}>{name}</button
				>
			{/each}
		</div>
	{/if}
	<Track {player} />
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
	.short {
		display: none;
		min-width: 0;
	}
	.speed select {
		padding: 0 0.4rem;
	}
	.leaves {
		display: flex;
		gap: 0.25rem;
	}
	@media (pointer: fine) and (min-width: 721px) {
		/* The track needs the room. */
		.leaves {
			gap: 0;
		}
		.leaves :global(.button) {
			min-width: 0;
			width: 2.3rem;
			padding: 0;
		}
		.leaves :global(.button:not(:first-child)) {
			margin-left: -1px;
			border-top-left-radius: 0;
			border-bottom-left-radius: 0;
		}
		.leaves :global(.button:not(:last-child)) {
			border-top-right-radius: 0;
			border-bottom-right-radius: 0;
		}
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
		margin-bottom: var(--beside, 0);
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
	/* Each lane has one for what sounds below it. */
	.heard {
		--beside: 18px;
	}
	.lane-name[aria-pressed='true'] {
		background: var(--lamp-soft);
		color: var(--lamp-text);
		font-weight: 650;
	}
	@media (max-width: 420px) {
		/* The track goes there, too. */
		.start,
		output {
			display: none;
		}
		.short {
			display: block;
		}
	}
	@media (max-width: 720px) {
		.timeline {
			flex-direction: column;
			align-items: stretch;
			gap: 0.2rem;
			padding: 0.3rem 0.75rem;
		}
		.controls {
			flex-wrap: wrap;
			justify-content: space-between;
		}
		.leaves {
			flex: 1;
			justify-content: space-between;
		}
		.lane-names {
			--beside: 0;
			flex-direction: row;
			padding: 0;
		}
	}
</style>
