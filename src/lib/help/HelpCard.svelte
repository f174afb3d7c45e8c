<script lang="ts">
	/** What a step does: in a sentence, in a picture that the simulator makes, and what its values mean. */
	import '$lib/words/step-help';
	import './words';
	import Play from '@lucide/svelte/icons/play';
	import { onMount } from 'svelte';
	import { definitionOf } from '$core/steps/catalogue';
	import { exampleOf } from '$core/examples/examples';
	import type { ValueDefinition } from '$core/steps/definition';
	import CourseDrawing from '$lib/floor/CourseDrawing.svelte';
	import StandingRobot from '$lib/floor/StandingRobot.svelte';
	import Trace from '$lib/floor/Trace.svelte';
	import { cratesAt } from '$lib/floor/view';
	import { hasMessage, t } from '$lib/i18n';
	import { Player } from '$lib/timeline/player.svelte';
	import Glyph from '$lib/words/Glyph.svelte';
	import { wordsOf } from '$lib/words/step-words';
	import { shownRange, unitOf } from '$lib/words/format';
	import { valueName } from '$lib/words/values';
	import { rehearse } from '$lib/desk/rehearser';

	let { kind }: { kind: string } = $props();

	const definition = $derived(definitionOf(kind));
	const example = $derived(exampleOf(kind));
	const player = new Player();
	/** Seconds that a loop without an end is shown for. */
	const limit = 6;

	onMount(() => {
		const isStill = matchMedia('(prefers-reduced-motion: reduce)').matches;
		void rehearse({ ...example, variation: 'ideal', seed: 1, limit }).then((attempt) => {
			player.show(attempt, isStill);
			if (!isStill) player.play();
		});
		return () => player.pause();
	});

	/** The chains of the example in words, outermost steps only. */
	const lines = $derived(
		example.plan.chains.map((chain) =>
			[chain.trigger, ...chain.steps].flatMap((step) => (step ? [wordsOf(step)] : []))
		)
	);

	function rangeOf(value: ValueDefinition): string {
		if (value.type !== 'number') return t(`help.type.${value.type}`);
		return t('value.range', { ...shownRange(value), unit: unitOf(value.quantity) });
	}
	const values = $derived(Object.entries(definition.values));
	const reached = $derived(
		new Set(
			player.attempt?.outcome.lampPosts
				.filter(({ time }) => time <= player.time)
				.map(({ id }) => id)
		)
	);
</script>

<article class="card" data-testid="help">
	<h2 data-first-focus tabindex="-1"><Glyph {kind} size={24} />{t(`step.${kind}.name`)}</h2>
	<p>{t(`step.${kind}.help`)}</p>
	<div class="picture">
		<svg
			class="on-floor"
			viewBox="-0.01 -0.61 0.92 0.62"
			role="img"
			aria-label={t('help.picture', { name: t(`step.${kind}.name`) })}
		>
			<g transform="scale(1,-1)">
				<CourseDrawing
					course={example.course}
					{reached}
					crates={cratesAt(player.attempt, player.time)}
				/>
				{#if player.attempt && player.run && player.sample}
					{@const { x, y, columns, picture } = player.sample}
					<Trace run={player.run} until={player.index} scale={380} />
					<g transform="translate({x},{y})">
						<StandingRobot kind={player.run.robot.kind} pose={player.sample} {columns} {picture} />
					</g>
				{/if}
			</g>
		</svg>
		<button
			class="button button-line again"
			aria-label={t('help.again')}
			title={t('help.again')}
			onclick={() => {
				player.seek(0);
				player.play();
			}}><Play size={16} /></button
		>
	</div>
	{#each lines as line, index (index)}
		<p class="example">{line.join(' · ')}</p>
	{/each}
	{#if values.length > 0}
		<h3>{t('help.values')}</h3>
		<dl>
			{#each values as [name, value] (name)}
				<dt>{valueName(kind, name)}</dt>
				<dd>{rangeOf(value)}</dd>
			{/each}
		</dl>
	{/if}
	{#if hasMessage(`step.${kind}.wrong`)}
		<h3>{t('help.wrong')}</h3>
		<p>{t(`step.${kind}.wrong`)}</p>
	{/if}
	<p class="modelled">{t('help.modelled')}</p>
</article>

<style>
	.card {
		width: min(23rem, calc(100vw - 2rem));
		padding: 0.8rem 1rem 1rem;
	}
	h2 {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		margin-bottom: 0.3rem;
		font-size: 1.1rem;
		font-weight: 650;
	}
	h2:focus {
		outline: none;
	}
	h3 {
		margin: 0.7rem 0 0.15rem;
		font-size: 0.9rem;
		font-weight: 650;
	}
	.picture {
		position: relative;
		margin: 0.6rem 0 0.4rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		overflow: hidden;
	}
	.again {
		position: absolute;
		right: 0.3rem;
		bottom: 0.3rem;
		min-width: 2.4rem;
		min-height: 2.4rem;
		padding: 0;
	}
	.example {
		color: var(--ink-soft);
		font-size: 0.86rem;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.1rem 0.8rem;
		font-size: 0.9rem;
	}
	dt {
		font-weight: 600;
	}
	dd {
		color: var(--ink-soft);
	}
	.modelled {
		margin-top: 0.7rem;
		color: var(--ink-soft);
		font-size: 0.8rem;
	}
</style>
