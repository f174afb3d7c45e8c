<script lang="ts">
	/** What is known of the robot that is shown, and how it was found out. */
	import './words';
	import Download from '@lucide/svelte/icons/download';
	import FolderOpen from '@lucide/svelte/icons/folder-open';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Wand2 from '@lucide/svelte/icons/wand-2';
	import type { ListedAttempt } from '$core/attempts/kept';
	import { figureOf } from '$core/fitting/figures';
	import type { Foretold } from '$core/fitting/foretell';
	import type { RobotModelDocument } from '$core/fitting/robot-model';
	import { dayOf } from '$core/fitting/values-of';
	import { degrees } from '$core/units/angles';
	import { hasMessage, say, t } from '$lib/i18n';
	import { showNumber } from '$lib/words/format';
	import type { Modelling } from '$lib/workbench/modelling.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import HelpersOff from './HelpersOff.svelte';
	import { Measuring } from '$lib/workbench/measuring.svelte';
	import { untrack } from 'svelte';
	import MeasureMoves from './MeasureMoves.svelte';
	import Leaf from './Leaf.svelte';

	let { bench, modelling }: { bench: Workbench; modelling: Modelling } = $props();

	const { known, rows, found, progress } = $derived(modelling);
	const measuring = untrack(() => new Measuring(bench));
	const name = $derived(bench.robot.name);
	const length = (metres: number) => showNumber('length', Math.round(metres * 1000) / 1000);
	const angle = (radians: number) => showNumber('angle', Math.round(degrees(radians) * 10) / 10);
	const figure = (of: Foretold['of'], value: number) =>
		of === 'turn' ? angle(Math.abs(value)) : length(value);
	const whenOf = ({ at }: Pick<ListedAttempt, 'at'>) => new Date(at).toLocaleString();

	/** A parameter is told by the runs where they leave clearly less doubt than there was. */
	const isTold = ({ sigma, usualSigma }: RobotModelDocument['parameters'][string]) =>
		sigma < 0.7 * usualSigma;
	const parameters = $derived(
		Object.entries(known?.model.parameters ?? {})
			.filter(([key]) => hasMessage(`parameter.${key}`))
			.toSorted(([, a], [, b]) => a.sigma / a.usualSigma - b.sigma / b.usualSigma)
	);
	const nameOf = (key: string, { isOfDay }: RobotModelDocument['parameters'][string]) => {
		const what = t(`parameter.${key}`);
		const day = known?.model.day;
		return isOfDay && day
			? t('model.ofDay', { what, day, isToday: day === dayOf(Date.now()) })
			: what;
	};
	const told = $derived(parameters.filter(([, each]) => isTold(each)));
	const untold = $derived(parameters.filter(([, each]) => !isTold(each)));

	$effect(() => {
		// Of another robot, when another is shown.
		void [bench.robot.kind, bench.robot.name];
		modelling.found = null;
		void modelling.read();
	});
	$effect(() => {
		void [bench.plan, bench.course, bench.variation, bench.robot];
		void modelling.ways.look(modelling.isOff ? null : (known ?? null));
	});
	$effect(() => () => modelling.stop());

	let file: HTMLInputElement;
	async function open(event: Event & { currentTarget: HTMLInputElement }) {
		const [chosen] = event.currentTarget.files ?? [];
		if (chosen) await modelling.fromFile(chosen);
		event.currentTarget.value = '';
	}
</script>

<Leaf
	title={t('model.title', { name })}
	closeWord={t('model.close')}
	onclose={() => void bench.leaves.toggle('model')}
>
	{#snippet head()}
		{#if modelling.isOff}<span></span>
		{:else if progress !== null}
			<progress max="1" value={progress} aria-label={t('model.progress')}></progress>
			<button class="button button-plain" onclick={() => modelling.stop()}
				>{t('spread.stop')}</button
			>
		{:else}
			<button
				class="button button-main"
				disabled={rows.length + measuring.measures.length === 0}
				onclick={() => void modelling.findOut()}><Wand2 size={17} />{t('model.findOut')}</button
			>
		{/if}
	{/snippet}
	{#if modelling.isOff}<p class="said">{t('model.off')}</p>
	{:else}{@render all()}{/if}
	<HelpersOff {bench} />
</Leaf>

{#snippet all()}
	<p class="said" role="status">
		{#if known}
			<strong
				>{t('model.from', {
					name,
					runs: known.model.runs,
					moves: known.model.moves,
					more: known.model.runs && known.model.moves
				})}</strong
			>
			{t(
				bench.variation === 'ideal'
					? 'model.ideal'
					: known.isUsed
						? 'model.isUsed'
						: 'model.isUnused'
			)}
		{:else}
			{t('model.none', { name })}
		{/if}
		{modelling.news}
	</p>
	{#if modelling.disagreeing.length > 0}
		<p class="said changed" role="alert">
			{t('model.changed', { name, count: modelling.disagreeing.length })}
		</p>
	{/if}
	<div class="hands">
		{#if known}
			<label
				><input
					type="checkbox"
					class="checkbox"
					checked={known.isUsed}
					onchange={({ currentTarget }) => modelling.use(currentTarget.checked)}
				/>{t('model.use')}</label
			>
			<button class="button button-line" onclick={() => modelling.toFile()}
				><Download size={16} />{t('model.toFile')}</button
			>
		{/if}
		<button class="button button-line" onclick={() => file.click()}
			><FolderOpen size={16} />{t('model.fromFile')}</button
		>
		<input
			type="file"
			accept=".json,application/json"
			hidden
			bind:this={file}
			onchange={open}
			aria-label={t('model.fromFile')}
		/>
		{#if known}
			<button class="button button-line" onclick={() => void modelling.forget()}
				><Trash2 size={16} />{t('model.forget')}</button
			>
		{/if}
	</div>
	<MeasureMoves {measuring} />
	<div class="sides">
		<section>
			<h3>{t('model.runs')}</h3>
			{#if modelling.isRead && rows.length === 0}
				<p class="about">{t('model.noRuns', { name })}</p>
			{/if}
			<ul>
				{#each rows as row, index (row.id)}
					{@const away = found?.fitted.runs[index]}
					<li data-run>
						<span>{row.name ?? whenOf(row)}</span>
						{#if away?.before != null}
							<span
								>{t('model.away', {
									before: length(away.before),
									after: length(away.after!)
								})}</span
							>
						{:else if away && row.marks?.some(({ at }) => at)}
							<span>{t('model.unused')}</span>
						{:else}
							<span>{t('model.marks', { count: row.marks?.length ?? 0 })}</span>
						{/if}
					</li>
				{/each}
			</ul>
			{#if found}
				<p class="about" data-testid="next-try">
					{#if found.next}
						{t('model.next', {
							move: t(`move.${found.next.name}`),
							now: length(found.next.now),
							then: length(found.next.then)
						})}
					{:else}
						{t('model.noNext')}
					{/if}
				</p>
			{/if}
		</section>
		{#if found}
			<table>
				<caption>{t('model.moves', { name })}</caption>
				<thead>
					<tr>
						<th scope="col">{t('model.column.told')}</th>
						<th scope="col">{t('model.column.does')}</th>
						<th scope="col">{t('model.column.usual')}</th>
					</tr>
				</thead>
				<tbody>
					{#each found.moves as move (move.name)}
						<tr>
							<th scope="row">{t(`move.${move.name}`)}</th>
							<td>{figure(move.of, move.found)} ± {figure(move.of, move.sigma)}</td>
							<td>{figure(move.of, move.usual)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		{/if}
		{#if known}
			<section>
				{@render figures(told, t('model.told'))}
				{#if untold.length > 0}
					<details>
						<summary>{t('model.untold', { count: untold.length })}</summary>
						{@render figures(untold, t('model.untoldTable'))}
					</details>
				{/if}
			</section>
		{/if}
	</div>
{/snippet}

{#snippet figures(rows: typeof parameters, caption: string)}
	<table>
		<caption>{caption}</caption>
		<tbody>
			{#each rows as [key, each] (key)}
				<tr>
					<th scope="row">{nameOf(key, each)}</th>
					<td>{say(figureOf(each))}</td>
				</tr>
			{/each}
		</tbody>
	</table>
{/snippet}

<style>
	.said,
	.hands {
		padding: 0.1rem 1rem 0.4rem;
	}
	.changed {
		color: var(--signal-ink, var(--signal));
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
	}
	progress {
		flex: 1;
		max-width: 12rem;
		accent-color: var(--verdigris);
	}
	.sides {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
		gap: 0.5rem 1.5rem;
		padding: 0 1rem 0.5rem;
	}
	h3,
	caption,
	summary {
		color: var(--ink-soft);
		font-size: 0.88rem;
		font-weight: 500;
		text-align: left;
	}
	.about {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	li {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		font-size: 0.9rem;
	}
	table {
		align-self: start;
		width: 100%;
		font-size: 0.9rem;
	}
	th {
		font-weight: 500;
		text-align: left;
	}
	thead th {
		color: var(--ink-soft);
		font-size: 0.82rem;
	}
	td,
	thead th:not(:first-child) {
		padding-left: 0.7rem;
		text-align: right;
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
</style>
