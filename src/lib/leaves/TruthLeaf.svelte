<script lang="ts">
	/**
	 * Where the robot really stands, as a hand says: a place is pointed to on the floor, found by two
	 * tapes, or told from the finish ring. It shows at once by how much the reckoning is off.
	 */
	import './words';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import RotateCw from '@lucide/svelte/icons/rotate-cw';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { After, Mark } from '$core/attempts/marks';
	import { t } from '$lib/i18n';
	import { toShown, toStored, unitOf } from '$lib/words/format';
	import { truthWays, type Truth } from '$lib/workbench/truth.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import Leaf from './Leaf.svelte';
	import { offWords } from './misses';

	let { bench, truth }: { bench: Workbench; truth: Truth } = $props();

	const name = $derived(truth.name ?? bench.robot.name);
	const keyOf = (after: After) => (after ? `${after.stepId} ${after.round}` : '');
	const stopWords = (after: After, number: number): string =>
		after
			? t(after.round > 1 ? 'truth.afterRound' : 'truth.after', { number, round: after.round })
			: t('truth.end');
	const numberOf = ({ after }: Mark): number =>
		truth.stops.find((stop) => keyOf(stop.after) === keyOf(after))?.number ?? 0;
	const ways = $derived(truthWays.filter((way) => way !== 'ring' || truth.hasRing));
	/** Of a field in the units of the reader. */
	const metres = ({ valueAsNumber }: HTMLInputElement): number | null =>
		valueAsNumber >= 0 ? toStored('length', valueAsNumber) : null;
	const shownLength = (length: number | null) =>
		length === null ? null : toShown('length', length);

	/** A tap by keys: one of both, from where it was or reckons to be. */
	function put(axis: 0 | 1, value: number | null) {
		const from = truth.at ?? (truth.pose && [truth.pose.x, truth.pose.y]);
		if (value === null || !from) return;
		truth.tap(axis === 0 ? [value, from[1]] : [from[0], value]);
	}
</script>

<Leaf
	title={t('truth.title', { name })}
	closeWord={t('truth.close')}
	onclose={() => void bench.leaves.toggle('truth')}
>
	{#snippet head()}
		{#if bench.leaves.canBeMarked && !truth.isAtLeg && truth.stops.length > 1}
			<select
				class="field"
				aria-label={t('truth.where')}
				value={keyOf(truth.after)}
				onchange={({ currentTarget: { value } }) =>
					truth.choose(truth.stops.find(({ after }) => keyOf(after) === value)?.after ?? null)}
			>
				{#each truth.stops as { after, number } (keyOf(after))}<option value={keyOf(after)}
						>{stopWords(after, number)}</option
					>{/each}
			</select>
		{/if}
	{/snippet}
	{#if !bench.leaves.canBeMarked}
		<p class="about">{t('truth.onlyRuns')}</p>
	{:else if bench.runs.isLive && !truth.isAtLeg}
		<p class="about">{t('truth.running')}</p>
	{:else}
		<div class="ways" role="group" aria-label={t('truth.how')}>
			{#if bench.live?.told.held}<p>
					{t('live.held', { number: bench.live.told.held.number })}
				</p>{/if}
			{#each ways as way (way)}
				<button
					class="button button-line"
					aria-pressed={truth.way === way}
					onclick={() => (truth.way = way)}>{t(`truth.way.${way}`)}</button
				>
			{/each}
		</div>
		<p class="about">{t(`truth.about.${truth.way}`)}</p>
		<div class="fields">
			{#if truth.way === 'tap'}
				{#each ['east', 'north'] as const as side, axis (side)}
					<label
						>{t(`truth.${side}`)}<input
							class="field"
							type="number"
							min="0"
							step="0.5"
							value={truth.at ? shownLength(truth.at[axis]!) : null}
							onchange={({ currentTarget }) => put(axis as 0 | 1, metres(currentTarget))}
						/>
						{unitOf('length')}</label
					>
				{/each}
			{:else if truth.way === 'tapes'}
				{#each [0, 1] as const as which (which)}
					<label
						>{t('truth.from')}
						<select
							class="field"
							value={truth.things[which]}
							onchange={({ currentTarget: { value } }) => truth.layFrom(which, value)}
						>
							<option value="">{t('truth.noThing')}</option>
							{#each truth.points as { key, kind, number } (key)}<option
									value={key}
									disabled={key === truth.things[1 - which]}
									>{number}: {t(`truth.point.${kind}`)}</option
								>{/each}
						</select>
						<input
							class="field"
							type="number"
							min="0"
							step="0.1"
							aria-label={t('truth.length', { number: which + 1 })}
							value={shownLength(truth.lengths[which])}
							onchange={({ currentTarget }) => truth.lay(which, metres(currentTarget))}
						/>
						{unitOf('length')}</label
					>
				{/each}
				{#if truth.crossings.length > 1}
					<button class="button button-line" onclick={() => (truth.side = 1 - truth.side)}
						>{t('truth.otherSide')}</button
					>
				{:else if truth.crossings.length === 0 && truth.lengths.every((each) => each !== null)}
					<p class="trouble" role="alert">{t('truth.noCrossing')}</p>
				{/if}
			{:else}
				<label
					>{t('truth.fromRing')}<input
						class="field"
						type="number"
						min="0"
						step="0.1"
						value={shownLength(truth.ring.length)}
						onchange={({ currentTarget }) =>
							(truth.ring = { ...truth.ring, length: metres(currentTarget) })}
					/>
					{unitOf('length')}</label
				>
				<label
					>{t('truth.towards')}<input
						class="field"
						type="number"
						step="1"
						value={truth.ring.bearing}
						onchange={({ currentTarget: { valueAsNumber } }) =>
							(truth.ring = {
								...truth.ring,
								bearing: Number.isFinite(valueAsNumber) ? valueAsNumber : null
							})}
					/>°</label
				>
			{/if}
			<span class="turn">
				<button
					class="button button-plain button-icon"
					aria-label={t('truth.left')}
					title={t('truth.left')}
					onclick={() => truth.turn(-1)}><RotateCcw size={17} /></button
				>
				<label
					>{t('truth.front')}<input
						class="field"
						type="number"
						step="1"
						value={truth.bearing}
						onchange={({ currentTarget: { valueAsNumber } }) =>
							truth.setBearing(Number.isFinite(valueAsNumber) ? valueAsNumber : null)}
					/>°</label
				>
				<button
					class="button button-plain button-icon"
					aria-label={t('truth.right')}
					title={t('truth.right')}
					onclick={() => truth.turn(1)}><RotateCw size={17} /></button
				>
			</span>
		</div>
		<div class="ends">
			<p role="status" data-testid="reckoned-off">{truth.off ? offWords(truth.off) : ''}</p>
			<button class="button button-main" disabled={!truth.draft} onclick={() => void truth.keep()}
				>{t(truth.marked ? 'truth.replace' : 'truth.keep')}</button
			>
			{#if truth.isAtLeg}
				<button class="button button-line" onclick={() => bench.live?.goOn()}
					>{t('live.goOn')}</button
				>
			{/if}
		</div>
		{#if truth.marks.length > 0}
			<ul aria-label={t('truth.marked')}>
				{#each truth.marks as mark (mark.robot + keyOf(mark.after))}
					{@const off = truth.offOf(mark)}
					<li data-mark>
						<span
							><strong>{stopWords(mark.after, numberOf(mark))}</strong>
							{off ? offWords(off) : ''}</span
						>
						<button
							class="button button-plain button-icon"
							aria-label={t('truth.remove')}
							title={t('truth.remove')}
							onclick={() => void truth.remove(mark)}><Trash2 size={17} /></button
						>
					</li>
				{/each}
			</ul>
		{/if}
		{#if bench.live && !bench.runs.isLive}
			<label class="by-leg"
				><input type="checkbox" class="checkbox" bind:checked={bench.live.isByLeg} />{t(
					'live.byLeg'
				)}</label
			>
		{/if}
	{/if}
</Leaf>

<style>
	.about,
	.trouble {
		padding: 0 1rem 0.3rem;
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	.trouble {
		padding: 0;
		color: var(--ink);
	}
	.ways,
	.fields,
	.ends {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.4rem 0.8rem;
		padding: 0 1rem 0.5rem;
	}
	.ways {
		gap: 0.4rem;
	}
	.ways [aria-pressed='true'] {
		background: var(--lamp-soft);
		color: var(--lamp-text);
	}
	label,
	.turn {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
		font-size: 0.9rem;
	}
	.field[type='number'] {
		width: 4.6rem;
		font-variant-numeric: tabular-nums;
	}
	.ends p {
		flex: 1 1 12rem;
		min-height: 1.4rem;
		font-weight: 600;
	}
	.by-leg {
		padding: 0 1rem 0.4rem;
		color: var(--ink-soft);
	}
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem;
		padding: 0 1rem 0.4rem;
	}
	li {
		display: flex;
		align-items: center;
		padding-left: 0.7rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		font-size: 0.88rem;
	}
	strong {
		margin-right: 0.3rem;
		font-weight: 650;
	}
</style>
