<script lang="ts">
	/** The workbench: floor, trail and timeline around one plan. */
	import Bot from '@lucide/svelte/icons/bot';
	import ChartLine from '@lucide/svelte/icons/chart-line';
	import ChartScatter from '@lucide/svelte/icons/chart-scatter';
	import Layers from '@lucide/svelte/icons/layers';
	import ListOrdered from '@lucide/svelte/icons/list-ordered';
	import Ruler from '@lucide/svelte/icons/ruler';
	import { onMount, untrack } from 'svelte';
	import type { Course } from '$core/course/course';
	import { recordingsIn } from '$core/plan/plan';
	import { say, t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import Floor from './Floor.svelte';
	import Timeline from '$lib/timeline/Timeline.svelte';
	import Trail from '$lib/trail/Trail.svelte';
	import DeskShell from '$lib/desk/DeskShell.svelte';
	import { runKeys } from '$lib/ui/run-keys';
	import { warmUp } from '$lib/desk/rehearser';
	import type { Person } from '$lib/saving/answers';
	import { planSheet } from './keys';
	import TopBar from './TopBar.svelte';
	import type { Leaf } from '$lib/workbench/leaves.svelte';
	import { press } from '$lib/ui/keys';
	import { Workbench, type CourseChoice, type OpenedPlan } from '$lib/workbench/workbench.svelte';

	let {
		opened,
		owner,
		person,
		courses,
		course
	}: {
		opened: OpenedPlan;
		owner: string;
		person: Person | null;
		courses: { readonly rows: readonly CourseChoice[]; readonly total: number };
		course: Course | null;
	} = $props();

	// Another plan makes another workbench: what is opened here never changes.
	const bench = untrack(() => new Workbench(opened, courses, course, person));
	let pane = $state<'floor' | 'trail'>('trail');
	let showsKeys = $state(false);

	onMount(warmUp);
	// What others have recorded is there without a network, too.
	onMount(async () => {
		if (recordingsIn(bench.plan).length === 0) return;
		const { holdSounds } = await import('$lib/sounds/sound-store');
		await holdSounds(bench.plan);
	});
	$effect(() => {
		if (bench.live?.isAsked || bench.live?.isSteered) pane = 'floor';
		if (bench.player.isPlaying || bench.runs.isLive) pane = 'floor';
	});
	$effect(() => {
		if (bench.leaves.open) pane = 'floor';
	});

	async function openFile(file: File) {
		const { readPlanFile } = await import('$lib/files/files');
		const read = await readPlanFile(file);
		const name = file.name;
		const { voice } = bench;
		if (!read.ok) voice.notice = t('bench.fileRefused', { file: name, reason: say(read.failure) });
		else if (bench.replacePlan(read.value))
			voice.notice = t('bench.fileOpened', { name: read.value.name });
	}

	async function save() {
		const { downloadPlan } = await import('$lib/files/plans');
		await downloadPlan(bench.plan);
	}

	function jumpTo(stepId: string) {
		pane = 'trail';
		bench.voice.focusOn(stepId);
	}

	const onkey = (event: KeyboardEvent) =>
		press(event, runKeys, {
			rehearse: () => void bench.runs.rehearse(),
			run: () => void bench.runLive(),
			halt: () => bench.runs.halt()
		});
</script>

<DeskShell
	{bench}
	desk={bench.desk}
	name={bench.plan.name}
	onsavefile={save}
	path="/plans/"
	onrename={(name) => bench.desk.edit({ type: 'rename', name })}
	side="trail"
	sideWord={t('bench.pane.trail')}
	bind:pane
	keys={planSheet}
	bind:showsKeys
	{onkey}
	columns={{ wide: 'minmax(0, 3fr) minmax(23rem, 2fr)' }}
	stacks
	docked={bench.live ? docked : undefined}
>
	{#snippet bar()}
		<TopBar {bench} {owner} onsavefile={save} onopenfile={openFile} />
	{/snippet}
	{#snippet floor()}
		<Floor {bench} onleg={jumpTo} />
	{/snippet}
	{#snippet below()}
		{#if bench.leaves.open}
			{#await import('$lib/leaves/OpenedLeaf.svelte') then { default: OpenedLeaf }}
				<OpenedLeaf {bench} onstep={jumpTo} />
			{/await}
		{/if}
		<Timeline {bench}>
			{#snippet leaves()}
				{#if preferences.level !== 'first'}
					{@render leaf('time', ChartLine)}
					{@render leaf('legs', ListOrdered)}
					{@render leaf('attempts', Layers)}
					{@render leaf('spread', ChartScatter)}
					{@render leaf('model', Bot)}
				{/if}
				{#if bench.leaves.canBeMarked}{@render leaf('truth', Ruler)}{/if}
			{/snippet}
		</Timeline>
	{/snippet}
	{#snippet other()}<Trail {bench} onshortcuts={() => (showsKeys = true)} />{/snippet}
</DeskShell>

{#snippet leaf(name: Leaf, Icon: typeof Ruler)}
	<button
		class="button button-line button-icon"
		aria-label={t(`timeline.${name}`)}
		title={t(`timeline.${name}Help`)}
		aria-pressed={bench.leaves.open === name}
		onclick={() => void bench.leaves.toggle(name)}><Icon size={18} /></button
	>
{/snippet}

{#snippet docked()}
	{#if bench.live}
		{#await import('$lib/live/LivePanels.svelte') then { default: LivePanels }}
			<LivePanels live={bench.live} />
		{/await}
	{/if}
{/snippet}
