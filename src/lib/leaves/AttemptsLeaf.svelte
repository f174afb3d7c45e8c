<script lang="ts">
	/** The attempts of this plan that the device has kept, newest first: each can be had again as it was. */
	import './words';
	import Columns2 from '@lucide/svelte/icons/columns-2';
	import Download from '@lucide/svelte/icons/download';
	import FolderOpen from '@lucide/svelte/icons/folder-open';
	import Image from '@lucide/svelte/icons/image';
	import Layers from '@lucide/svelte/icons/layers';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Pin from '@lucide/svelte/icons/pin';
	import PinOff from '@lucide/svelte/icons/pin-off';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { ListedAttempt } from '$core/attempts/kept';
	import { markOf } from '$core/course/mark';
	import { attemptFilters, type AttemptList } from '$lib/attempts/attempt-list.svelte';
	import { say, t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import Moment from '$lib/ui/Moment.svelte';
	import { saidNow } from '$lib/ui/time.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { attemptCounts, attemptRooms, type AttemptLimits } from '$workers/attempt-limits';
	import { saveFloor } from './floor-picture';
	import CompareTable from './CompareTable.svelte';
	import Leaf from './Leaf.svelte';
	import AttemptNotes from './AttemptNotes.svelte';
	import TracePicture from './TracePicture.svelte';

	let { bench, list }: { bench: Workbench; list: AttemptList } = $props();

	const mark = $derived(markOf(bench.course));
	/** The one whose name and note are being written. */
	let writing = $state<string | null>(null);
	let picker: HTMLInputElement;

	const sourceOf = ({ summary: { source } }: ListedAttempt): string =>
		source.type === 'rehearsal'
			? t(`bench.variation.${source.variation}`)
			: t(`attempts.source.${source.type}`);

	const nameOf = ({ name, at, summary: { kind } }: ListedAttempt): string =>
		name ?? `${t(`attempts.is.${kind}`)}, ${saidNow(new Date(at).toISOString())}`;

	function figuresOf(row: ListedAttempt): string {
		const { seconds, bumps, robots } = row.summary;
		const battery = robots[0]?.battery ?? null;
		return [
			...(row.by ? [t('attempts.by', { name: row.by })] : []),
			robots.map(({ name }) => name).join(', '),
			sourceOf(row),
			t('attempts.seconds', { seconds }),
			...(bumps > 0 ? [t('attempts.bumps', { count: bumps })] : []),
			...(battery !== null ? [t('attempts.battery', { part: battery })] : [])
		].join(' · ');
	}
</script>

{#snippet limit(name: keyof AttemptLimits, choices: readonly number[])}
	<label
		>{t(`attempts.limits.${name}`)}
		<select
			class="field"
			value={preferences.attemptLimits[name]}
			onchange={({ currentTarget: { value } }) =>
				preferences.choose({
					attemptLimits: { ...preferences.attemptLimits, [name]: Number(value) }
				})}
		>
			{#each choices as choice (choice)}<option value={choice}
					>{t(`attempts.limits.${name}.choice`, { choice })}</option
				>{/each}
		</select></label
	>
{/snippet}

<Leaf
	title={t('attempts.title')}
	closeWord={t('attempts.close')}
	onclose={() => void bench.leaves.toggle('attempts')}
	rows="[data-attempt]"
	onreach={(place) => void list.show(list.passing[place]!)}
>
	{#snippet head()}
		<select class="field" aria-label={t('attempts.which')} bind:value={list.filter}>
			{#each attemptFilters as filter (filter)}<option value={filter}
					>{t(`attempts.filter.${filter}`)}</option
				>{/each}
		</select>
		<button
			class="button button-plain button-icon"
			aria-label={t('attempts.fromFile')}
			title={t('attempts.fromFile')}
			onclick={() => picker.click()}><FolderOpen size={18} /></button
		>
		<button
			class="button button-plain button-icon"
			aria-label={t('chart.saveFloor')}
			title={t('chart.saveFloor')}
			disabled={!bench.player.attempt}
			onclick={() => void saveFloor(bench)}><Image size={18} /></button
		>
		<input
			bind:this={picker}
			type="file"
			accept=".json,application/json"
			hidden
			data-testid="attempt-file"
			onchange={(event) => {
				const [file] = event.currentTarget.files ?? [];
				event.currentTarget.value = '';
				if (file) void list.fromFile(file);
			}}
		/>
	{/snippet}
	{#snippet tools()}
		{#if bench.player.attempt && list.laid.length > 0 && !bench.leaves.comparing}
			<div class="with">
				{t('compare.floorWith')}
				{#each list.laid as laid (laid.id)}
					<button
						class="button button-line"
						aria-label={t('compare.with', { letter: laid.letter })}
						onclick={() => void bench.leaves.compareWith(laid)}>{laid.letter}</button
					>
				{/each}
			</div>
		{/if}
	{/snippet}
	<p class="news" role="status">
		{list.news}
		{#if list.gone}<button class="undo" onclick={() => void list.bringBack()}
				>{t('attempts.undo')}</button
			>{/if}
	</p>
	{#if bench.leaves.comparing}
		<CompareTable {bench} {list} comparing={bench.leaves.comparing} />
	{/if}
	{#if list.isRead && list.rows.length === 0}
		<p class="about">{t('attempts.none')}</p>
	{:else if list.isRead && list.passing.length === 0}
		<p class="about">{t('attempts.nonePass')}</p>
	{/if}
	<ul>
		{#each list.passing as row (row.id)}
			{@const { summary, name, note, isPinned } = row}
			{@const laid = list.laid.find(({ id }) => id === row.id)}
			<li class:shown={row.id === list.shown}>
				<button
					class="attempt"
					data-attempt
					aria-current={row.id === list.shown}
					title={say(summary.reason)}
					onclick={() => void list.show(row)}
				>
					<TracePicture {summary} course={row.courseMark === mark ? bench.course : null} />
					<span>
						<strong class={summary.kind}>{name ?? t(`attempts.is.${summary.kind}`)}</strong>
						{#if name}<small>{t(`attempts.is.${summary.kind}`)}</small>{/if}
						<small><Moment iso={new Date(row.at).toISOString()} /></small>
						<br /><small>{figuresOf(row)}</small>
						{#if note}<br /><em>{note}</em>{/if}
					</span>
				</button>
				<div class="hands">
					<button
						class="button button-plain button-icon"
						aria-label={t(laid ? 'attempts.unlay' : 'attempts.lay')}
						title={t(laid ? 'attempts.unlay' : 'attempts.lay')}
						aria-pressed={laid !== undefined}
						onclick={() => void list.lay(row)}
					>
						{#if laid}<b aria-hidden="true">{laid.letter}</b><span class="sr-only-live"
								>{t('attempts.letter', { letter: laid.letter })}</span
							>{:else}<Layers size={17} />{/if}
					</button>
					<button
						class="button button-plain button-icon"
						aria-label={t(isPinned ? 'attempts.unpin' : 'attempts.pin')}
						title={t(isPinned ? 'attempts.unpin' : 'attempts.pin')}
						aria-pressed={isPinned === true}
						onclick={() => void list.mark(row, { isPinned: !isPinned })}
					>
						{#if isPinned}<PinOff size={17} />{:else}<Pin size={17} />{/if}
					</button>
					<button
						class="button button-plain button-icon"
						aria-label={t('attempts.rename')}
						title={t('attempts.rename')}
						aria-expanded={writing === row.id}
						onclick={() => (writing = writing === row.id ? null : row.id)}
						><Pencil size={17} /></button
					>
					<button
						class="button button-plain button-icon"
						aria-label={t('attempts.toFile')}
						title={t('attempts.toFile')}
						onclick={() => void list.toFile(row)}><Download size={17} /></button
					>
					<button
						class="button button-plain button-icon"
						aria-label={t('attempts.delete')}
						title={t('attempts.delete')}
						onclick={() => void list.remove(row)}><Trash2 size={17} /></button
					>
				</div>
				{#each row.beside as other (other)}
					{@const beside = list.rows.find(({ id }) => id === other)}
					<button
						class="button button-plain beside"
						disabled={!beside}
						onclick={() => void bench.leaves.compareAgain(row, beside!)}
						><Columns2 size={15} />{beside
							? t('compare.again', { name: nameOf(beside) })
							: t('compare.gone')}</button
					>
				{/each}
				{#if writing === row.id}
					<AttemptNotes
						{row}
						onwrite={(notes) => {
							writing = null;
							void list.mark(row, notes);
						}}
					/>
				{/if}
			</li>
		{/each}
	</ul>
	{#if list.isOfDeviceOnly}<p class="about">{t('attempts.deviceOnly')}</p>{/if}
	{#if list.rows.length > 0}
		<p class="about">
			{@render limit('count', attemptCounts)}
			{@render limit('megabytes', attemptRooms)}
			{t('attempts.limits.server')}
		</p>
	{/if}
</Leaf>

<style>
	.news,
	.about {
		padding: 0 1rem 0.3rem;
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	.with {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.3rem;
		padding-bottom: 0.3rem;
		font-size: 0.88rem;
	}
	.with button {
		min-width: 2.2rem;
		min-height: 2.2rem;
		padding: 0;
	}
	.undo {
		padding: 0.2rem 0.4rem;
		text-decoration: underline;
		cursor: pointer;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		border-top: 1px solid var(--line);
		/* A thousand of them: only those in sight are drawn and found by the pointer. */
		content-visibility: auto;
		contain-intrinsic-size: auto 66px;
	}
	.shown {
		background: var(--lamp-soft);
	}
	.attempt {
		display: flex;
		flex: 1;
		align-items: center;
		gap: 0.7rem;
		min-width: 14rem;
		padding: 0.3rem 0.5rem 0.3rem 1rem;
		font-size: 0.9rem;
		text-align: left;
		cursor: pointer;
	}
	small {
		color: var(--ink-soft);
		font-size: 0.82rem;
	}
	.hands {
		display: flex;
		padding-right: 0.5rem;
	}
	b {
		width: 1.4rem;
		border: 1.5px solid var(--trace);
		border-radius: 1rem;
		line-height: 1.3rem;
		text-align: center;
	}
	.beside {
		width: 100%;
		justify-content: start;
		padding-left: 6.2rem;
		font-size: 0.85rem;
	}
	@media (max-width: 560px) {
		.hands {
			padding-left: 6.2rem;
		}
	}
</style>
