<script lang="ts">
	/** The legs of the attempt that is shown: what each did of its own, how it began, what it cost. */
	import './words';
	import Flag from '@lucide/svelte/icons/flag';
	import Wrench from '@lucide/svelte/icons/wrench';
	import type { Leg } from '$core/attempts/legs';
	import { findStep } from '$core/plan/places';
	import { robotKindOf } from '$core/robots/kinds';
	import { say, t } from '$lib/i18n';
	import { phrase, wordsOf } from '$lib/words/step-words';
	import { legKey, mendKey, type LegOrder, type Refining } from '$lib/workbench/refining.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import HelpersOff from './HelpersOff.svelte';
	import Leaf from './Leaf.svelte';
	import LegCard from './LegCard.svelte';
	import NudgeLine from './NudgeLine.svelte';
	import ShapeCheck from './ShapeCheck.svelte';
	import { addedWords, beganWords, costWords } from './misses';

	let {
		bench,
		refining,
		onstep
	}: { bench: Workbench; refining: Refining; onstep: (stepId: string) => void } = $props();

	const { made } = $derived(bench.runs);
	const name = $derived(bench.player.run?.robot.name ?? bench.robot.name);
	const topSpeed = $derived(robotKindOf(bench.player.run?.robot.kind ?? bench.robot.kind).topSpeed);
	const worst = $derived(refining.shown.reduce((most, { cost }) => Math.max(most, cost), 0.01));
	const orders: readonly LegOrder[] = ['asRun', 'byCost'];

	$effect(() => void refining.look());

	/** As the step stood then: what it ran with is a number by now. */
	function stepWords({ span }: Leg): string {
		const step = made && findStep(made.plan, span.stepId);
		return step ? wordsOf(step) : phrase(span.kind, span.values as Parameters<typeof phrase>[1]);
	}
</script>

<Leaf
	title={t('legs.of', { name })}
	closeWord={t('legs.close')}
	onclose={() => void bench.leaves.toggle('legs')}
	rows="[data-leg]"
>
	{#snippet head()}
		{#if refining.shown.length > 1 && !refining.off.includes('legs')}
			<select class="field" aria-label={t('legs.order')} bind:value={refining.order}>
				{#each orders as order (order)}<option value={order}>{t(`legs.order.${order}`)}</option
					>{/each}
			</select>
		{/if}
	{/snippet}
	{#if !bench.player.attempt}
		<p class="empty">{t('legs.none')}</p>
	{:else if bench.runs.isLive}
		<p class="empty">{t('legs.live')}</p>
	{:else if refining.off.includes('legs')}
		<p class="empty">{t('helpers.legsOff')}</p>
	{:else if refining.shown.length === 0}
		<p class="empty">{t('legs.still')}</p>
	{:else}
		<table>
			<thead>
				<tr>
					{#each ['step', 'did', 'began', 'cost'] as column (column)}
						<th scope="col">{t(`legs.column.${column}`)}</th>
					{/each}
				</tr>
			</thead>
			<tbody>
				{#each refining.shown as leg (legKey(leg))}
					{@const { number, stepId } = leg.span}
					{@const isFirst = leg === refining.first}
					<tr class:chosen={leg === refining.chosen} class:first={isFirst}>
						<th scope="row">
							<button
								class="leg"
								data-leg
								aria-pressed={leg === refining.chosen}
								onclick={() => refining.choose(leg)}
							>
								<span class="number">{number}</span>
								<span
									>{stepWords(leg)}{#if leg.round > 1}<small
											>{t('legs.round', { round: leg.round })}</small
										>{/if}</span
								>
							</button>
							{#if isFirst}
								<span class="flag" title={t('legs.firstWhy')}
									><Flag size={14} />{t('legs.first')}</span
								>
							{/if}
						</th>
						<td>
							{addedWords(leg)}{#if leg.bumps.length > 0}<span class="bumps"
									>{t('legs.bumps', { count: leg.bumps.length })}</span
								>{/if}
							{#each refining.reasons[legKey(leg)] ?? [] as reason (reason.matter)}
								<button
									class="reason"
									title={t('legs.showWhen')}
									onclick={() => refining.showWhen(reason)}>{say(reason.sentence)}</button
								>
								{@const mend = refining.mends[mendKey(leg, reason.matter)]}
								{#if mend && !bench.runs.hasChanged && !refining.off.includes('mends')}
									<button
										class="button button-line mend"
										title={t('legs.mendTried')}
										onclick={() => bench.editing.mend(mend)}
										><Wrench size={14} aria-hidden="true" />{say(mend.sentence)}</button
									>
								{/if}
							{/each}
						</td>
						<td class="began">{beganWords(leg, topSpeed)}</td>
						<td class="cost">
							<span class="bar" style:width="{(leg.cost / worst) * 100}%"></span>
							<button
								class="to-step"
								aria-label={t('legs.toStep', { number })}
								title={t('legs.toStep', { number })}
								onclick={() => onstep(stepId)}>{costWords(leg)}</button
							>
						</td>
					</tr>
					{#if leg === refining.chosen && bench.player.run}
						<tr class="chosen">
							<td colspan="4"
								><LegCard
									{leg}
									run={bench.player.run}
									attempt={bench.player.attempt!}
									course={bench.course}
									{topSpeed}
								/>
								{#if refining.nudging}<NudgeLine {bench} nudging={refining.nudging} />{/if}</td
							>
						</tr>
					{/if}
				{/each}
			</tbody>
		</table>
		{#if refining.shape}<ShapeCheck shape={refining.shape} />{/if}
	{/if}
	<HelpersOff {bench} />
</Leaf>

<style>
	.empty {
		padding: 0 1rem 0.8rem;
		color: var(--ink-soft);
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 0.9rem;
	}
	thead th {
		padding: 0 0.5rem 0.2rem;
		color: var(--ink-soft);
		font-size: 0.8rem;
		font-weight: 500;
		text-align: left;
	}
	tbody tr {
		border-top: 1px solid var(--line);
	}
	tbody th {
		padding: 0 0.5rem;
		font-weight: 400;
		text-align: left;
	}
	td {
		padding: 0.2rem 0.5rem;
	}
	.leg {
		display: inline-flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.75rem;
		text-align: left;
		cursor: pointer;
	}
	.number {
		flex: none;
		min-width: 1.6rem;
		padding: 0 0.3rem;
		border: 1.2px solid var(--trace);
		border-radius: 1rem;
		background: var(--tag);
		font-size: 0.8rem;
		font-weight: 650;
		text-align: center;
		font-variant-numeric: tabular-nums;
	}
	small {
		margin-left: 0.4rem;
		color: var(--ink-soft);
	}
	.chosen {
		background: var(--lamp-soft);
	}
	.flag {
		display: inline-flex;
		align-items: center;
		gap: 0.25rem;
		margin-left: 0.5rem;
		padding: 0 0.4rem;
		border: 1px solid var(--signal);
		border-radius: 0.3rem;
		font-size: 0.78rem;
		white-space: nowrap;
	}
	.bumps {
		margin-left: 0.5rem;
		padding: 0 0.35rem;
		border: 1px dashed var(--signal);
		border-radius: 0.3rem;
		white-space: nowrap;
	}
	.reason {
		display: block;
		min-height: 1.6rem;
		color: var(--ink-soft);
		text-align: left;
		cursor: pointer;
	}
	.mend {
		min-height: 2rem;
		padding: 0.1rem 0.6rem;
		font-size: 0.85rem;
	}
	.reason:hover {
		text-decoration: underline dotted;
		text-underline-offset: 3px;
	}
	.began {
		color: var(--ink-soft);
	}
	.cost {
		position: relative;
		width: 8rem;
		font-variant-numeric: tabular-nums;
	}
	.bar {
		position: absolute;
		left: 0.5rem;
		bottom: 0.3rem;
		height: 3px;
		max-width: calc(100% - 1rem);
		border-radius: 2px;
		background: var(--signal);
	}
	.to-step {
		min-height: 2.75rem;
		cursor: pointer;
		text-decoration: underline dotted;
		text-underline-offset: 3px;
	}
	@media (max-width: 560px) {
		.began,
		thead th:nth-child(3) {
			display: none;
		}
		.cost {
			width: 5rem;
		}
	}
</style>
