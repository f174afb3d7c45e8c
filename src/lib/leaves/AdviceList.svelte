<script lang="ts">
	/** What would help the plan most, each with how often it arrives then. */
	import Lightbulb from '@lucide/svelte/icons/lightbulb';
	import type { Arrivals } from '$core/analysis/advice';
	import type { What } from '$core/analysis/changes';
	import { say, t } from '$lib/i18n';
	import { Advising } from '$lib/workbench/advising.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { untrack } from 'svelte';

	let { bench }: { bench: Workbench } = $props();

	const advising = untrack(() => new Advising(bench));
	const { advised, progress } = $derived(advising);
	const best = $derived(advised?.advice[0]?.arrivals ?? advised?.now);
	const isSure = ({ successes, count }: Arrivals) => successes >= 0.9 * count;
	const words = ({ number, sentence }: What) =>
		number === undefined ? say(sentence) : t('advice.step', { number, what: say(sentence) });

	$effect(() => () => advising.stop());
</script>

{#if !advising.isOff}
	<section aria-label={t('advice.title')}>
		{#if progress !== null}
			<p class="hands">
				<progress max="1" value={progress} aria-label={t('advice.progress')}></progress>
				<button class="button button-plain" onclick={() => advising.stop()}
					>{t('spread.stop')}</button
				>
			</p>
		{:else if !advised}
			<p class="hands">
				<button class="button button-line" onclick={() => void advising.find()}
					><Lightbulb size={17} />{t('advice.find')}</button
				>
			</p>
		{/if}
		<div aria-live="polite">
			{#if advised && best}
				<p>
					{t('advice.now', { ...advised.now })}
					{#if advised.advice.length === 0}{t(isSure(best) ? 'advice.enough' : 'advice.none')}
					{:else if !isSure(best)}{t('advice.notSure')}{/if}
				</p>
			{/if}
		</div>
		{#if advised && advised.advice.length > 0}
			<ul>
				{#each advised.advice as each, index (index)}
					<li data-advice>
						<span>
							{each.changes.map(words).join(' ')}
							<strong>{t('advice.then', { ...each.arrivals })}</strong>
						</span>
						<button class="button button-line" onclick={() => void advising.take(each)}
							>{t('advice.take')}</button
						>
					</li>
				{/each}
			</ul>
		{/if}
	</section>
{/if}

<style>
	section {
		padding: 0.2rem 1rem;
	}
	.hands {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
	progress {
		flex: 1;
		max-width: 12rem;
		accent-color: var(--verdigris);
	}
	li {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 1rem;
		padding: 0.3rem 0;
		border-top: 1px solid var(--line);
	}
</style>
