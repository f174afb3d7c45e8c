<script lang="ts">
	/** The top of a chain: its trigger, or the word that it is unlit and the ways to tie it. */
	import Link2 from '@lucide/svelte/icons/link-2';
	import { t } from '$lib/i18n';
	import MoreDots from '$lib/ui/MoreDots.svelte';
	import Glyph from '$lib/words/Glyph.svelte';
	import type { PlanRobot } from '$core/plan/plan';
	import type { HeadRow } from './rows';
	import { preferences } from '$lib/preferences.svelte';
	import { definitionOf } from '$core/steps/catalogue';
	import Chip from './Chip.svelte';
	import Sentence from './Sentence.svelte';
	import { phrase } from '$lib/words/step-words';

	let {
		row,
		isCurrent,
		isRunning,
		canTieToLit,
		robot,
		robots,
		onrobot,
		ontie,
		onvalue,
		onmenu
	}: {
		row: HeadRow;
		isCurrent: boolean;
		isRunning: boolean;
		canTieToLit: boolean;
		/** The robot that runs it, and all that could. */
		robot: PlanRobot;
		robots: readonly PlanRobot[];
		onrobot: (robot: PlanRobot) => void;
		ontie: () => void;
		onvalue: (name: string, anchor: HTMLElement) => void;
		onmenu: (anchor: HTMLElement) => void;
	} = $props();

	const trigger = $derived(row.trigger);
	const tabindex = $derived(isCurrent ? 0 : -1);
	const isRoutine = $derived(trigger?.kind === 'routine');
	/** A picture, with nothing to read; a routine is known by its name only. */
	const isPicture = $derived(preferences.level === 'first' && !isRoutine);
</script>

{#if trigger}
	<span
		class="lantern"
		class:routine={isRoutine}
		class:unlit={!row.isLit}
		class:running={isRunning}
		aria-hidden="true"
	>
		<Glyph kind={trigger.kind} size={18} />
	</span>
	<div class="tag lit" class:routine={isRoutine} class:off={trigger.off}>
		{#if isPicture}
			{@const { firstValue } = definitionOf(trigger.kind)}
			<span class="picture" role="img" aria-label={phrase(trigger.kind, trigger.values)}>
				<Glyph kind={trigger.kind} size={34} />
			</span>
			{#if firstValue}
				<Chip step={trigger} name={firstValue} {tabindex} isBig onopen={onvalue} />
			{/if}
		{:else}
			<Sentence
				step={trigger}
				values={trigger.values}
				{tabindex}
				wrongValue={row.problem?.value}
				{onvalue}
			/>
		{/if}
		{#if trigger.off}<span class="off-word">{t('trail.off')}</span>{/if}
	</div>
{:else}
	<span class="lantern unlit" aria-hidden="true"></span>
	<div class="tag unlit">
		<span>{t('check.unlit')}</span>
		<button class="button button-line tie" {tabindex} onclick={ontie}>
			<Link2 size={16} />{canTieToLit ? t('trail.tie') : t('trail.tieOwn')}
		</button>
	</div>
{/if}
{#if robots.length > 1 && !isRoutine}
	<select
		class="robot"
		{tabindex}
		aria-label={t('trail.robot', { name: robot.name })}
		title={t('trail.robot', { name: robot.name })}
		value={robot.id}
		onchange={(event) => onrobot(robots.find(({ id }) => id === event.currentTarget.value)!)}
	>
		{#each robots as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</select>
{/if}
<button
	class="more"
	{tabindex}
	aria-label={t('trail.chainMenu')}
	onclick={(event) => onmenu(event.currentTarget)}><MoreDots /></button
>

<style>
	.lantern {
		position: relative;
		z-index: 1;
		flex: none;
		display: grid;
		place-items: center;
		width: 1.75rem;
		height: 1.75rem;
		border: 2px solid var(--lamp-text);
		border-radius: 0.55rem;
		background: var(--lamp-soft);
		color: var(--lamp-text);
	}
	.lantern.running {
		background: var(--lamp);
		color: oklch(0.25 0.05 60);
		box-shadow: 0 0 16px 3px color-mix(in oklch, var(--lamp) 55%, transparent);
	}
	.lantern.routine {
		border-color: var(--ink-soft);
		background: var(--paper);
		color: var(--ink-soft);
	}
	.lantern.unlit {
		border: 2px dashed var(--mist);
		background: transparent;
		color: var(--mist);
	}
	.tag {
		min-width: 0;
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
	.tag.lit {
		gap: 0;
		min-height: 44px;
		padding: 0 0.9rem;
		border-radius: 0.3rem 0.7rem 0.7rem 0.3rem;
		background: var(--ink);
		color: var(--paper);
		font-weight: 600;
	}
	.picture {
		display: grid;
		padding: 0.2rem 0.4rem;
	}
	.tag.lit :global(.value-chip) {
		color: var(--ink);
	}
	.tag.routine {
		border: 2px solid var(--ink);
		background: var(--tag);
		color: var(--ink);
	}
	.tag.off {
		border: 1.5px dashed var(--mist);
		background: transparent;
		color: var(--ink-soft);
		text-decoration: line-through;
	}
	.off-word {
		margin-left: 0.5rem;
		font-weight: 450;
		font-size: 0.85rem;
	}
	.tag.unlit {
		flex-wrap: wrap;
		max-width: min(21rem, 68vw);
		color: var(--ink-soft);
		font-size: 0.92rem;
		line-height: 1.25;
	}
	.tie {
		min-height: 2.75rem;
		padding: 0 0.7rem;
	}
	.robot {
		flex: none;
		width: 7.2rem;
		height: 2.25rem;
		margin-left: 0.4rem;
		padding: 0 0.5rem;
		border: 1.5px solid var(--line);
		border-radius: 1rem;
		background-color: var(--tag);
		color: var(--ink);
		font-size: 0.85rem;
		text-overflow: ellipsis;
		cursor: pointer;
	}
	@media (max-width: 560px) {
		.robot {
			width: 5.4rem;
			padding: 0 0.1rem 0 0.4rem;
			font-size: 0.8rem;
		}
	}
	.more {
		flex: none;
		display: grid;
		place-items: center;
		width: 2.1rem;
		height: 44px;
		color: var(--ink-soft);
		cursor: pointer;
	}
</style>
