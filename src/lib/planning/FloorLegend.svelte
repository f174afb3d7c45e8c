<script lang="ts">
	/** What the lines on the floor are: reckoned, meant, marked by hand; and by which model. */
	import { isAlike } from '$core/alike';
	import { valuesOf } from '$core/fitting/values-of';
	import { circumstancesOf } from '$core/simulation/attempt';
	import { t } from '$lib/i18n';
	import { knownRobots } from '$lib/robots/known.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let {
		bench,
		isReckoned
	}: {
		bench: Workbench;
		/** Where robots are is what they say themselves. */
		isReckoned: boolean;
	} = $props();

	const { player } = $derived(bench);
	/** By which models the rehearsal that is shown went. */
	const modelled = $derived.by(() => {
		const { parameters = {} } = (player.attempt && circumstancesOf(player.attempt)) ?? {};
		const used = bench.plan.robots.filter(({ id }) => parameters[id]);
		return used.map((robot) => {
			const { model } = knownRobots.of(robot) ?? {};
			const { name } = robot;
			return model && isAlike(valuesOf(model, Date.now()), parameters[robot.id])
				? t('floor.model', {
						name,
						runs: model.runs,
						moves: model.moves,
						more: model.runs && model.moves
					})
				: t('floor.oldModel', { name });
		});
	});
</script>

{#if isReckoned}<span><i class="dotted"></i>{t('floor.reckoned')}</span>{/if}
{#each modelled as words (words)}<span>{words}</span>{/each}
{#if bench.leaves.marks.length > 0}<span><i class="solid"></i>{t('floor.byHand')}</span>{/if}
{#if bench.leaves.opened.legs?.intended && !bench.leaves.opened.legs.off.includes('intended')}<span
		><i class="dashed"></i>{t('floor.intended')}</span
	>{/if}
{#if bench.leaves.opened.model?.ways.shown}
	<span><i class="dashed"></i>{t('floor.asMade')}</span>
	<span><i class="found"></i>{t('floor.asFound', { name: bench.robot.name })}</span>
{/if}

<style>
	span {
		white-space: nowrap;
	}
	i {
		display: inline-block;
		width: 2.2rem;
		margin-right: 0.5rem;
		border-top: 3px dotted var(--trace);
		vertical-align: middle;
	}
	.solid {
		border-top: 2px solid var(--ink);
	}
	.found {
		border-top: 2px solid var(--trace-third);
	}
	.dashed {
		border-top: 1.5px dashed var(--ink-soft);
	}
</style>
