<script lang="ts">
	/** What robots say, to be read; and words for them, tapped or spoken. */
	import './words';
	import Ear from '@lucide/svelte/icons/ear';
	import { onDestroy } from 'svelte';
	import { ears } from '$core/devices/ears/device';
	import { wordsIn } from '$core/plan/plan';
	import { robotKindOf } from '$core/robots/kinds';
	import { t } from '$lib/i18n';
	import { robots } from '$lib/robots/robots.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { captionsAt } from './captions';
	import { Hearing, recognitionHere } from './hearing.svelte';

	let { bench }: { bench: Workbench } = $props();

	const { player } = $derived(bench);
	const words = $derived(wordsIn(bench.plan));
	const isLive = $derived(bench.live?.isRunning ?? false);
	/** Somebody may say something now. */
	const isHeard = $derived(words.length > 0 && (player.isPlaying || isLive));
	const captions = $derived(player.attempt ? captionsAt(player.attempt, player.time) : []);

	function say(word: string) {
		if (isLive) return robots.sayWord(word);
		const listener = bench.plan.robots.find(({ kind }) => robotKindOf(kind).devices.includes(ears));
		if (listener && player.isPlaying) void bench.runs.touchRobot(listener.id, word);
	}

	const hearing = new Hearing(recognitionHere(), () => words, say);
	onDestroy(() => hearing.turnOff());
	let isAsked = $state(false);
	const trouble = $derived(hearing.trouble ? t('voice.failed', { reason: hearing.trouble }) : '');
</script>

<div class="voice">
	{#each captions as { name, text } (name)}<p class="caption">
			{t('voice.says', { name, text })}
		</p>{/each}
	<p class="sr-only-live" role="status">
		{captions.map((caption) => t('voice.says', { ...caption })).join(' ')}
	</p>
	{#if isHeard}
		<div class="words" role="group" aria-label={t('voice.words')}>
			{#each words as word (word)}
				<button class="button button-line" onclick={() => say(word)}>“{word}”</button>
			{/each}
			<button
				class="button button-icon {hearing.isOn ? 'button-main' : 'button-line'}"
				aria-label={t('voice.listen')}
				title={t('voice.listen')}
				aria-pressed={hearing.isOn}
				onclick={() => (hearing.isOn ? hearing.turnOff() : (isAsked = true))}
				><Ear size={18} /></button
			>
		</div>
		{#if isAsked && !hearing.isOn}
			<div class="ask" role="alertdialog" aria-label={t('voice.listen')}>
				<p>{t(hearing.isPossible ? 'voice.where' : 'voice.cannot')}</p>
				{#if hearing.isPossible}<button
						class="button button-main"
						onclick={() => {
							isAsked = false;
							hearing.turnOn();
						}}>{t('voice.turnOn')}</button
					>{/if}
				<button class="button button-line" onclick={() => (isAsked = false)}
					>{t('voice.leave')}</button
				>
			</div>
		{/if}
		<p class="trouble" role="status">{trouble}</p>
	{/if}
</div>

<style>
	.voice {
		position: absolute;
		inset: 0.6rem 0 auto;
		display: flex;
		flex-direction: column;
		align-items: center;
		gap: 0.4rem;
		padding: 0 1rem;
		pointer-events: none;
	}
	.voice > :global(*) {
		pointer-events: auto;
	}
	.caption {
		max-width: 30rem;
		padding: 0.35rem 0.8rem;
		border-radius: 0.6rem;
		background: var(--ink);
		color: var(--paper);
		font-weight: 600;
	}
	.words {
		display: flex;
		flex-wrap: wrap;
		justify-content: center;
		gap: 0.35rem;
	}
	.ask {
		max-width: 26rem;
		padding: 0.7rem 0.9rem;
		border: 1px solid var(--line);
		border-radius: 0.6rem;
		background: var(--tag);
	}
	.ask p {
		margin-bottom: 0.5rem;
	}
	.trouble:empty {
		display: none;
	}
</style>
