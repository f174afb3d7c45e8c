<script lang="ts">
	/** The desk on which a course is laid out. */
	import { onMount, untrack } from 'svelte';
	import { replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { headingOfBearing } from '$core/units/angles';
	import { startPlaces } from '$core/world/start-places';
	import type { Laid } from '$core/course/editing/lay';
	import { t } from '$lib/i18n';
	import type { Person } from '$lib/saving/answers';
	import StandingRobot from '$lib/floor/StandingRobot.svelte';
	import Trace from '$lib/floor/Trace.svelte';
	import { downloadDocument } from '$lib/files/downloads';
	import Notices from '$lib/desk/Notices.svelte';
	import { isTyping } from '$lib/ui/typing';
	import { CourseBench, type OpenedCourse } from './course-bench.svelte';
	import type { OpenLines } from '$lib/files/drawings';
	import DeskBar, { type DialogName } from './DeskBar.svelte';
	import DeskFloor from './DeskFloor.svelte';
	import { partWord } from './describe';
	import { CourseHelp } from './course-help.svelte';
	import PaceLine from './PaceLine.svelte';
	import { shortcuts } from './shortcuts';
	import Tray from './Tray.svelte';
	import { Trying } from './trying.svelte';
	import TryStrip from './TryStrip.svelte';

	let { opened, owner, person }: { opened: OpenedCourse; owner: string; person: Person | null } =
		$props();

	const { bench, help, trying, openedId } = untrack(() => {
		const bench = new CourseBench(opened, person);
		return {
			bench,
			help: new CourseHelp(bench),
			trying: new Trying(bench),
			openedId: opened.id
		};
	});
	let isTrying = $state(false);
	let dialog = $state<DialogName | null>(null);
	const closeDialog = () => (dialog = null);
	let drawn = $state.raw<{ drawing: OpenLines; file: string } | null>(null);
	let preview = $state.raw<Laid | undefined>();
	let pane = $state<'floor' | 'tray'>('floor');
	/** What the tray is about, on a phone. */
	const trayWord = $derived.by(() => {
		const { only, selection } = bench;
		if (only) return partWord(only.part);
		return selection.length > 0
			? t('course.selected', { count: selection.length })
			: t('course.tools');
	});

	onMount(() => {
		void bench.restore();
		const hurry = () => bench.saver.hurry();
		addEventListener('online', hurry);
		return () => {
			removeEventListener('online', hurry);
			bench.dispose();
			help.dispose();
			trying.dispose();
		};
	});
	/** Whoever comes from a plan tries that one. */
	onMount(() => {
		const plan = page.url.searchParams.get('plan');
		if (!plan) return;
		isTrying = true;
		void trying.choose(plan);
	});
	$effect(() => help.soon(bench.course, help.kind));
	// What was rehearsed was on the course as it was.
	$effect(() => {
		if (bench.course) untrack(() => trying.runs.forget());
	});
	const robots = $derived.by(() => {
		if (!isTrying || !trying.isReady) return [];
		const places = startPlaces(bench.course, trying.plan.robots.length);
		return trying.plan.robots.map(({ id, kind }, index) => {
			const { at, bearing } = places[index]!;
			const standing = { x: at[0], y: at[1], heading: headingOfBearing(bearing), columns: {} };
			return { id, kind, pose: trying.player.samples[id] ?? standing };
		});
	});
	$effect(() => {
		const kept = bench.saver.secondVersion;
		if (!kept) return;
		replaceState(`/courses/${kept.id}`, {});
		untrack(() => bench.set('name', kept.name));
	});
	// On a phone: who chooses a tool wants the floor next.
	$effect(() => {
		if (bench.tool !== 'select') pane = 'floor';
	});

	function onkeydown(event: KeyboardEvent) {
		// A dialog has taken its Escape, and a field its own.
		if (event.defaultPrevented) return;
		if (event.key === 'Escape') return bench.leave();
		if (isTyping(event.target)) return;
		if (event.key === '?') dialog = 'keys';
		const key = event.key.toLowerCase();
		const isCommand = event.ctrlKey || event.metaKey;
		if (isCommand && key === 'z' && event.shiftKey) bench.redo();
		else if (isCommand && key === 'z') bench.undo();
		else if (isCommand && key === 'y') bench.redo();
		else if (isCommand && key === 'a') bench.selectAll();
		else if (isCommand && key === 'd') bench.duplicate();
		else if (!isCommand && (key === 'delete' || key === 'backspace')) bench.remove();
		else return;
		event.preventDefault();
	}

	function oncopy(event: ClipboardEvent) {
		if (isTyping(event.target) || bench.selection.length === 0) return;
		event.clipboardData?.setData('text/plain', bench.copy());
		event.preventDefault();
		if (event.type === 'cut') bench.remove();
	}
	function onpaste(event: ClipboardEvent) {
		if (isTyping(event.target)) return;
		event.preventDefault();
		bench.paste(event.clipboardData?.getData('text/plain') || undefined);
	}
</script>

<svelte:window {onkeydown} />
<svelte:document {oncopy} oncut={oncopy} {onpaste} />
<svelte:head><title>{bench.course.name} · {t('app.name')}</title></svelte:head>

<div class="desk">
	<DeskBar
		{bench}
		{owner}
		bind:isTrying
		onopen={(name) => (dialog = name)}
		ondrawing={(drawing, file) => (drawn = { drawing, file })}
	/>
	<Notices
		saver={bench.saver}
		otherVersion="/courses/{openedId}"
		refused={bench.voice.failure}
		ondismiss={() => (bench.voice.failure = '')}
		onsavefile={() => downloadDocument(bench.course)}
	/>
	<main class="panes" data-pane={pane}>
		<div class="left">
			<div class="floor-pane">
				<DeskFloor {bench} {preview}>
					{#snippet children(scale)}
						{#if help.found}
							<polyline
								class="way"
								data-testid="way"
								points={help.found.way.points.map((point) => point.join()).join(' ')}
								stroke-width={4 / scale}
								stroke-dasharray="{10 / scale} {7 / scale}"
							/>
						{/if}
						{#if isTrying}
							{#each trying.player.attempt?.runs ?? [] as run, index (run.id)}
								<Trace {run} {index} until={trying.player.index} {scale} />
							{/each}
							{#each robots as { id, kind, pose } (id)}
								<g class="robot" transform="translate({pose.x},{pose.y})">
									<StandingRobot {kind} {pose} columns={pose.columns} />
								</g>
							{/each}
						{/if}
					{/snippet}
				</DeskFloor>
			</div>
			{#if isTrying}<TryStrip {trying} onclose={() => (isTrying = false)} />
			{:else}<PaceLine {bench} bind:preview />{/if}
		</div>
		<div class="right"><Tray {bench} {help} /></div>
	</main>
	<nav class="switch" aria-label={t('bench.pane')}>
		{#each ['floor', 'tray'] as const as name (name)}
			<button
				class="button {pane === name ? 'button-main' : 'button-plain'}"
				aria-pressed={pane === name}
				onclick={() => (pane = name)}
				><span>{name === 'floor' ? t('bench.pane.floor') : trayWord}</span></button
			>
		{/each}
	</nav>
	<div class="sr-only-live" aria-live="assertive" data-testid="announcement">
		{#key bench.voice.announcement.count}<span>{bench.voice.announcement.text}</span>{/key}
	</div>
</div>

{#if dialog === 'save'}
	{#await import('./SaveDialog.svelte') then { default: SaveDialog }}
		<SaveDialog {bench} onclose={closeDialog} />
	{/await}
{/if}
{#if dialog === 'keys'}
	{#await import('$lib/desk/ShortcutSheet.svelte') then { default: ShortcutSheet }}
		<ShortcutSheet {shortcuts} onclose={closeDialog} />
	{/await}
{/if}
{#if drawn}
	{#await import('./DrawingDialog.svelte') then { default: DrawingDialog }}
		<DrawingDialog {bench} {...drawn!} onclose={() => (drawn = null)} />
	{/await}
{/if}
{#if dialog === 'maze'}
	{#await import('./MazeDialog.svelte') then { default: MazeDialog }}
		<MazeDialog {bench} {help} onclose={closeDialog} />
	{/await}
{/if}

<style>
	.way {
		fill: none;
		stroke: var(--lamp-text);
		stroke-linejoin: round;
	}
	.robot {
		pointer-events: none;
	}
	.desk {
		display: flex;
		flex-direction: column;
		height: 100dvh;
		overflow: hidden;
	}
	.panes {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21.5rem;
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
		flex: 1;
		min-height: 0;
	}
	.right {
		min-height: 0;
	}
	.switch {
		display: none;
	}
	@media (max-width: 820px) {
		.panes {
			grid-template-columns: minmax(0, 1fr) 15rem;
		}
	}
	@media (max-width: 560px) {
		.panes {
			grid-template-columns: minmax(0, 1fr);
		}
		.panes[data-pane='floor'] .right,
		.panes[data-pane='tray'] .left {
			display: none;
		}
		.switch span {
			display: block;
		}
		.switch span::first-letter {
			text-transform: uppercase;
		}
		.switch {
			display: grid;
			grid-template-columns: 1fr 1fr;
			gap: 0.5rem;
			padding: 0.4rem 0.6rem;
			border-top: 1px solid var(--line);
			background: var(--paper);
		}
	}
</style>
