<script lang="ts">
	/** The desk on which a course is laid out. */
	import { onDestroy, onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import { headingOfBearing } from '$core/units/angles';
	import { startPlaces } from '$core/world/start-places';
	import type { Laid } from '$core/course/editing/lay';
	import { downloadDocument } from '$lib/files/downloads';
	import { t } from '$lib/i18n';
	import type { Person } from '$lib/saving/answers';
	import StandingRobot from '$lib/floor/StandingRobot.svelte';
	import Trace from '$lib/floor/Trace.svelte';
	import DeskShell from '$lib/desk/DeskShell.svelte';
	import { press } from '$lib/ui/keys';
	import { isTyping } from '$lib/ui/typing';
	import { CourseBench, type OpenedCourse } from './course-bench.svelte';
	import type { OpenLines } from '$lib/files/drawings';
	import DeskBar, { type DialogName } from './DeskBar.svelte';
	import DeskFloor from './DeskFloor.svelte';
	import { partWord } from './describe';
	import { CourseHelp } from './course-help.svelte';
	import PaceLine from './PaceLine.svelte';
	import { courseKeys, courseSheet, leaveKeys } from './keys';
	import Tray from './Tray.svelte';
	import { Trying } from './trying.svelte';
	import TryStrip from './TryStrip.svelte';

	let { opened, owner, person }: { opened: OpenedCourse; owner: string; person: Person | null } =
		$props();

	const { bench, help, trying } = untrack(() => {
		const bench = new CourseBench(opened, person);
		return { bench, help: new CourseHelp(bench), trying: new Trying(bench) };
	});
	let isTrying = $state(false);
	let showsKeys = $state(false);
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

	onDestroy(() => {
		help.dispose();
		trying.dispose();
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
			const heading = headingOfBearing(bearing);
			const standing = { x: at[0], y: at[1], heading, columns: {}, picture: undefined };
			return { id, kind, pose: trying.player.samples[id] ?? standing };
		});
	});
	// On a phone: who chooses a tool wants the floor next.
	$effect(() => {
		if (bench.tool !== 'select') pane = 'floor';
	});

	const onkey = (event: KeyboardEvent) =>
		press(event, leaveKeys, { leave: () => bench.leave() }) ||
		(!isTyping(event.target) &&
			press(event, courseKeys, {
				selectAll: () => bench.selectAll(),
				duplicate: () => bench.duplicate(),
				remove: () => bench.remove()
			}));

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

<svelte:document {oncopy} oncut={oncopy} {onpaste} />

<DeskShell
	{bench}
	desk={bench}
	name={bench.course.name}
	onsavefile={() => downloadDocument(bench.course)}
	path="/courses/"
	onrename={(name) => bench.set('name', name)}
	side="tray"
	sideWord={trayWord}
	bind:pane
	keys={courseSheet}
	bind:showsKeys
	{onkey}
	columns={{ wide: 'minmax(0, 1fr) 21.5rem', narrow: 'minmax(0, 1fr) 15rem' }}
>
	{#snippet bar()}
		<DeskBar
			{bench}
			{owner}
			bind:isTrying
			onopen={(name) => (dialog = name)}
			onkeys={() => (showsKeys = true)}
			ondrawing={(drawing, file) => (drawn = { drawing, file })}
		/>
	{/snippet}
	{#snippet floor()}
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
							<StandingRobot {kind} {pose} columns={pose.columns} picture={pose.picture} />
						</g>
					{/each}
				{/if}
			{/snippet}
		</DeskFloor>
	{/snippet}
	{#snippet below()}
		{#if isTrying}<TryStrip {trying} onclose={() => (isTrying = false)} />
		{:else}<PaceLine {bench} bind:preview />{/if}
	{/snippet}
	{#snippet other()}<Tray {bench} {help} />{/snippet}
</DeskShell>

{#if dialog === 'save'}
	{#await import('./SaveDialog.svelte') then { default: SaveDialog }}
		<SaveDialog {bench} onclose={closeDialog} />
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
</style>
