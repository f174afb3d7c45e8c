<script lang="ts">
	/** The workbench: floor, trail and timeline around one plan. */
	import { onMount, untrack } from 'svelte';
	import { replaceState } from '$app/navigation';
	import type { Course } from '$core/course/course';
	import { say, t } from '$lib/i18n';
	import Floor from './Floor.svelte';
	import Timeline from '$lib/timeline/Timeline.svelte';
	import Trail from '$lib/trail/Trail.svelte';
	import { downloadDocument } from '$lib/files/downloads';
	import { readPlanFile } from '$lib/files/files';
	import Notices from '$lib/desk/Notices.svelte';
	import { warmUp } from '$lib/desk/rehearser';
	import { preferences } from '$lib/preferences.svelte';
	import type { Person } from '$lib/saving/answers';
	import Border from './Border.svelte';
	import TopBar from './TopBar.svelte';
	import { isTyping } from '$lib/ui/typing';
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
	const { bench, openedId } = untrack(() => ({
		bench: new Workbench(opened, courses, course, person),
		openedId: opened.id
	}));
	let pane = $state<'floor' | 'trail'>('trail');
	let fileNews = $state('');
	let showsShortcuts = $state(false);

	onMount(() => {
		warmUp();
		void bench.restore();
		const hurry = () => bench.saver.hurry();
		addEventListener('online', hurry);
		return () => {
			removeEventListener('online', hurry);
			bench.dispose();
		};
	});

	$effect(() => {
		const kept = bench.saver.secondVersion;
		if (!kept) return;
		replaceState(`/plans/${kept.id}`, {});
		untrack(() => bench.desk.edit({ type: 'rename', name: kept.name }));
	});
	$effect(() => {
		if (bench.live?.isAsked || bench.live?.isSteered) pane = 'floor';
		if (bench.player.isPlaying || bench.runs.isLive) pane = 'floor';
	});

	async function openFile(file: File) {
		const read = await readPlanFile(file);
		const name = file.name;
		if (!read.ok) fileNews = t('bench.fileRefused', { file: name, reason: say(read.failure) });
		else if (bench.replacePlan(read.value))
			fileNews = t('bench.fileOpened', { name: read.value.name });
	}

	function jumpTo(stepId: string) {
		pane = 'trail';
		bench.voice.focusOn(stepId);
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === '?' && !isTyping(event.target)) showsShortcuts = true;
		if (!event.ctrlKey && !event.metaKey) return;
		if (event.target instanceof HTMLInputElement && event.key.toLowerCase() === 'z') return;
		const key = event.key.toLowerCase();
		if (key === 'z' && event.shiftKey) bench.desk.redo();
		else if (key === 'z') bench.desk.undo();
		else if (key === 'y') bench.desk.redo();
		else if (key === 'enter' && event.shiftKey) void bench.runLive();
		else if (key === 'enter') void bench.runs.rehearse();
		else if (key === '.') bench.runs.halt();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />
<svelte:head><title>{bench.plan.name} · {t('app.name')}</title></svelte:head>

<div class="bench">
	<TopBar {bench} {owner} onsavefile={() => downloadDocument(bench.plan)} onopenfile={openFile} />
	<Notices
		saver={bench.saver}
		otherVersion="/plans/{openedId}"
		refused={fileNews || bench.voice.failure}
		ondismiss={() => {
			fileNews = '';
			bench.voice.failure = '';
		}}
		onsavefile={() => downloadDocument(bench.plan)}
	/>
	<main class="panes" data-pane={pane} style:--share={preferences.floorShare}>
		<div class="left">
			<div class="floor-pane">
				<Floor {bench} onleg={jumpTo} />
				<div class="news" role="status" aria-label={t('outcome.label')} data-testid="outcome">
					{#if bench.live?.alarm}
						<p class="outcome crashed">{bench.live.alarm}</p>
					{:else if bench.runs.rehearsing && bench.runs.rehearsing.seconds > 0}
						<p class="outcome">{t('outcome.rehearsing', bench.runs.rehearsing)}</p>
					{:else if bench.runs.outcome}
						<p class="outcome {bench.runs.outcome.kind}">
							{bench.runs.outcome.text}
							{#if bench.runs.hasChanged}<span class="changed">{t('outcome.changed')}</span>{/if}
							{#if bench.runs.isOlderModel}<span class="changed">{t('outcome.olderModel')}</span
								>{/if}
						</p>
					{:else if !bench.player.attempt}
						<p class="outcome">
							{t(bench.runs.hasCourseChanged ? 'outcome.courseChanged' : 'outcome.hint')}
						</p>
					{/if}
				</div>
			</div>
			{#if bench.live}
				<div class="dock">
					{#await import('$lib/live/LivePanels.svelte') then { default: LivePanels }}
						<LivePanels live={bench.live} />
					{/await}
				</div>
			{/if}
			<Timeline {bench} />
		</div>
		<div class="between">
			<Border
				share={preferences.floorShare}
				onshare={(floorShare) => preferences.choose({ floorShare })}
			/>
		</div>
		<div class="right"><Trail {bench} onshortcuts={() => (showsShortcuts = true)} /></div>
	</main>
	<nav class="switch" aria-label={t('bench.pane')}>
		{#each ['floor', 'trail'] as const as name (name)}
			<button
				class="button {pane === name ? 'button-main' : 'button-plain'}"
				aria-pressed={pane === name}
				onclick={() => (pane = name)}>{t(`bench.pane.${name}`)}</button
			>
		{/each}
	</nav>
	<div class="sr-only-live" aria-live="assertive" data-testid="announcement">
		{#key bench.voice.announcement.count}<span>{bench.voice.announcement.text}</span>{/key}
	</div>
</div>

{#if showsShortcuts}
	{#await Promise.all( [import('$lib/desk/ShortcutSheet.svelte'), import('./shortcuts')] ) then [{ default: ShortcutSheet }, { shortcuts }]}
		<ShortcutSheet {shortcuts} onclose={() => (showsShortcuts = false)} />
	{/await}
{/if}

<style>
	.bench {
		display: flex;
		flex-direction: column;
		height: 100dvh;
		overflow: hidden;
	}
	.panes {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(23rem, 2fr);
		flex: 1;
		min-height: 0;
	}
	.left {
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 0;
	}
	.floor-pane {
		position: relative;
		flex: 1;
		min-height: 0;
	}
	/* Panels for a moment: over at most two fifths of the floor. */
	.dock {
		flex: none;
		max-height: 42%;
		overflow-y: auto;
	}
	.right {
		min-width: 0;
		min-height: 0;
		border-left: 1px solid var(--line);
	}
	.news {
		position: absolute;
		top: 0.75rem;
		left: 0.75rem;
		right: 0.75rem;
		pointer-events: none;
	}
	.outcome {
		width: fit-content;
		max-width: 34rem;
		padding: 0.45rem 0.9rem;
		border: 1px solid var(--line);
		border-left: 5px solid var(--mist);
		border-radius: 0.5rem;
		background: var(--tag);
		box-shadow: var(--shadow);
	}
	.outcome.finished {
		border-left-color: var(--verdigris);
		font-weight: 600;
	}
	.outcome.halted,
	.outcome.timeout,
	.outcome.fell,
	.outcome.crashed {
		border-left-color: var(--signal);
	}
	.changed {
		color: var(--ink-soft);
		font-weight: 400;
	}
	.switch,
	.between {
		display: none;
	}
	/* Upright: a panel takes half of the floor, and what is there makes room for it. */
	@media (max-width: 820px) {
		.dock {
			max-height: 55%;
		}
		.left:has(.dock > :global(*)) > :global(.timeline) {
			display: none;
		}
	}
	/* A tablet upright: floor above, trail below. */
	@media (min-width: 561px) and (max-width: 820px) and (min-height: 700px) {
		.panes {
			grid-template-columns: minmax(0, 1fr);
			grid-template-rows: calc(var(--share) * 100%) auto minmax(0, 1fr);
		}
		.panes:has(.dock > :global(*)) {
			grid-template-rows: minmax(calc(var(--share) * 100%), 66%) auto minmax(0, 1fr);
		}
		.between {
			display: block;
		}
		.right {
			border-left: 0;
		}
	}
	@media (max-width: 560px), (max-width: 820px) and (max-height: 699px) {
		.panes {
			grid-template-columns: minmax(0, 1fr);
		}
		.panes[data-pane='floor'] .right,
		.panes[data-pane='trail'] .left {
			display: none;
		}
		.right {
			border-left: 0;
		}
		.left:has(.dock > :global(*)) .news {
			display: none;
		}
		.switch {
			display: grid;
			grid-template-columns: 1fr 1fr;
			gap: 0.4rem;
			padding: 0.35rem 0.6rem;
			border-top: 1px solid var(--line);
			background: var(--paper);
		}
	}
</style>
