<script lang="ts">
	/** The bar of the workbench: whose plan this is, where it is tried, and the way to rehearse. */
	import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';
	import FileDown from '@lucide/svelte/icons/file-down';
	import FileUp from '@lucide/svelte/icons/file-up';
	import MapPin from '@lucide/svelte/icons/map-pin';
	import PencilRuler from '@lucide/svelte/icons/pencil-ruler';
	import Play from '@lucide/svelte/icons/play';
	import Radio from '@lucide/svelte/icons/radio';
	import Square from '@lucide/svelte/icons/square';
	import { MediaQuery } from 'svelte/reactivity';
	import { variations, type Variation } from '$core/robots/robot';
	import { t } from '$lib/i18n';
	import DocumentSelect from '$lib/lists/DocumentSelect.svelte';
	import BarStart from '$lib/desk/BarStart.svelte';
	import { runKeys } from '$lib/ui/run-keys';
	import { shownKeys } from '$lib/ui/keys';
	import RobotMenu from './RobotMenu.svelte';
	import SavedState from '$lib/desk/SavedState.svelte';
	import UndoButtons from '$lib/desk/UndoButtons.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let {
		bench,
		owner,
		onsavefile,
		onopenfile
	}: { bench: Workbench; owner: string; onsavefile: () => void; onopenfile: (file: File) => void } =
		$props();

	/** Milliseconds after which a rehearsal that is being worked out can be halted: most are done by then. */
	const slow = 250;
	let isSlow = $state(false);
	$effect(() => {
		if (!bench.runs.isRehearsing) return;
		const timer = setTimeout(() => (isSlow = true), slow);
		return () => {
			clearTimeout(timer);
			isSlow = false;
		};
	});
	/** Where there is little room, course and variation are behind one button. */
	const isPhone = new MediaQuery('max-width: 560px');
	const course = $derived(
		bench.courses.find(({ id }) => id === bench.courseId)?.name ?? bench.course.name
	);
	const player = $derived(bench.player);
	/** Robots obey: in a run, or a hand. */
	const isObeyed = $derived(bench.runs.isLive || bench.live?.isSteered === true);
	const isRunning = $derived(player.isPlaying || isSlow || isObeyed);

	function pickFile(event: Event & { currentTarget: HTMLInputElement }) {
		const [file] = event.currentTarget.files ?? [];
		event.currentTarget.value = '';
		if (file) onopenfile(file);
	}
	let picker: HTMLInputElement;
</script>

{#snippet choices()}
	<div class="choice course">
		<DocumentSelect
			kind="course"
			label={t('bench.course')}
			value={bench.courseId ?? ''}
			newest={bench.courses}
			others={bench.courses.length < bench.courseCount ? t('bench.otherCourse') : undefined}
			onchoose={(id) => bench.chooseCourse(id || null)}
			onfind={({ id }) => bench.chooseCourse(id)}
		>
			{#if !bench.courseId || !bench.courses.some(({ id }) => id === bench.courseId)}
				<option value={bench.courseId ?? ''}>{bench.course.name}</option>
			{/if}
		</DocumentSelect>
	</div>
	{#if bench.courseId}
		<a
			class="button button-plain button-icon to-desk"
			href="/courses/{bench.courseId}?plan={bench.saver.id}"
			aria-label={t('bench.desk')}
			title={t('bench.desk')}><PencilRuler size={18} /></a
		>
	{/if}
	<div class="choice variation" title={t('bench.variation.explain')}>
		<select
			class="field"
			aria-label={t('bench.variation')}
			value={bench.variation}
			onchange={(event) => bench.chooseVariation(event.currentTarget.value as Variation)}
		>
			{#each variations as variation (variation)}<option value={variation}
					>{t(`bench.variation.${variation}`)}</option
				>{/each}
		</select>
	</div>
{/snippet}

{#snippet files()}
	<button
		class="button button-plain button-icon"
		aria-label={t('bench.saveFile')}
		title={t('bench.saveFile')}
		onclick={onsavefile}><FileDown size={19} /></button
	>
	<button
		class="button button-plain button-icon"
		aria-label={t('bench.openFile')}
		title={t('bench.openFile')}
		onclick={() => picker.click()}><FileUp size={19} /></button
	>
{/snippet}

<header class="bar desk-bar">
	<BarStart
		heading={bench.plan.name}
		back={t('bench.home')}
		label={t('bench.planName')}
		name={bench.plan.name}
		{owner}
		onrename={(name) => bench.desk.edit({ type: 'rename', name })}
	/>
	{#if !isPhone.current}{@render choices()}{/if}
	<RobotMenu {bench} />
	<SavedState saver={bench.saver} />
	{#if isPhone.current}
		<Popover positioning={{ placement: 'bottom-start', gutter: 6, overflowPadding: 8 }}>
			<Popover.Trigger class="button button-line place" aria-label={t('bench.place', { course })}>
				<MapPin size={18} /><span class="place-name">{course}</span>
			</Popover.Trigger>
			<Portal>
				<Popover.Positioner>
					<Popover.Content class="panel place-panel" aria-label={t('bench.place', { course })}>
						{@render choices()}
						<div class="place-files">{@render files()}</div>
					</Popover.Content>
				</Popover.Positioner>
			</Portal>
		</Popover>
	{/if}
	<div class="tools">
		<UndoButtons desk={bench.desk} />
		{#if !isPhone.current}{@render files()}{/if}
		<input
			bind:this={picker}
			type="file"
			accept=".json,application/json"
			hidden
			data-testid="plan-file"
			onchange={pickFile}
		/>
	</div>
	<div class="runs">
		{#if isRunning}
			{#if isObeyed && bench.live?.flies}
				{#await import('$lib/live/CutMotors.svelte') then { default: CutMotors }}
					<CutMotors live={bench.live} />
				{/await}
			{/if}
			<button
				class="button button-stop run"
				title={shownKeys(runKeys.halt)}
				onclick={() => bench.runs.halt()}
				><Square size={17} fill="currentColor" />{t('bench.halt')}</button
			>
		{:else}
			<button
				class="button button-main run"
				title={shownKeys(runKeys.rehearse)}
				onclick={() => bench.runs.rehearse()}
				><Play size={18} fill="currentColor" />{player.attempt
					? t('bench.again')
					: t('bench.rehearse')}</button
			>
			<button
				class="button button-line live"
				aria-label={t('bench.run')}
				title="{t('bench.run')} ({shownKeys(runKeys.run)})"
				onclick={() => bench.runLive()}
				><Radio size={18} /><span class="word">{t('bench.runShort')}</span></button
			>
		{/if}
	</div>
</header>

<style>
	.choice :global(select) {
		max-width: 12.5rem;
		min-height: 2.5rem;
	}
	.variation {
		flex: none;
	}
	.tools {
		display: flex;
	}
	.tools .button {
		width: 2.4rem;
		min-width: 2.4rem;
	}
	.runs {
		display: flex;
		flex: none;
		gap: 0.4rem;
		min-width: 13.6rem;
	}
	.run {
		flex: 1;
	}
	.live {
		flex: none;
	}
	@media (min-width: 901px) and (max-width: 1400px) {
		.course select {
			max-width: 10rem;
			text-overflow: ellipsis;
		}
	}
	@media (max-width: 900px) {
		.bar {
			display: grid;
			grid-template:
				'back name robot saved run' auto
				'course course desk variation tools' auto / auto 1fr auto auto auto;
			gap: 0.3rem 0.5rem;
			padding: 0.3rem 0.6rem;
		}
		.bar > :global(.title-field) {
			grid-area: name;
		}
		.bar > .course {
			grid-area: course;
		}
		.bar > .to-desk {
			grid-area: desk;
		}
		.bar > .variation {
			grid-area: variation;
		}
		.tools {
			grid-area: tools;
		}
		.runs {
			grid-area: run;
			min-width: 0;
		}
		.bar > :global([role='status']) {
			grid-area: saved;
		}
		.choice :global(select) {
			width: 100%;
			max-width: none;
		}
		.bar > :global(.robot) {
			grid-area: robot;
		}
		.bar :global(.owner) {
			display: none;
		}
	}
	@media (max-width: 560px) {
		.live .word {
			display: none;
		}
		.bar {
			grid-template:
				'back name name robot saved' auto
				'place place tools run run' auto / auto 1fr auto auto auto;
			gap: 0.15rem 0.4rem;
			padding: 0.15rem 0.5rem 0.3rem;
		}
		.bar > :global(.place) {
			grid-area: place;
			max-width: 8.5rem;
			padding: 0 0.6rem;
		}
		.place-name {
			overflow: hidden;
			text-overflow: ellipsis;
			white-space: nowrap;
		}
		:global(.place-panel) {
			z-index: 40;
			display: grid;
			gap: 0.6rem;
			width: min(19rem, calc(100vw - 1rem));
			padding: 0.9rem;
		}
		.place-files {
			display: flex;
		}
		.tools .button {
			width: 2.75rem;
		}
	}
</style>
