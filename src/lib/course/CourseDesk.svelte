<script lang="ts">
	/** The desk on which a course is laid out. */
	import { onMount, untrack } from 'svelte';
	import {
		ArrowLeft,
		FileDown,
		FileUp,
		Grid3x3,
		Keyboard,
		Play,
		Redo2,
		Undo2
	} from '@lucide/svelte';
	import { replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { headingOfBearing } from '$core/units/angles';
	import { startPlaces } from '$core/world/start-places';
	import { replacing, type Laid } from '$core/course/lay';
	import type { Drawing } from '$core/course/svg/shapes';
	import { say, t } from '$lib/i18n';
	import type { Person } from '$lib/saving/protocol';
	import StandingRobot from '$lib/floor/StandingRobot.svelte';
	import Trace from '$lib/floor/Trace.svelte';
	import TitleField from '$lib/workbench/TitleField.svelte';
	import SavedState from '$lib/workbench/SavedState.svelte';
	import { showNumber } from '$lib/values/format';
	import { measuresNow } from '$lib/values/measures';
	import { CourseBench, type Opened } from './course-bench.svelte';
	import DeskFloor from './DeskFloor.svelte';
	import { partWord } from './describe';
	import { CourseHelp } from './course-help.svelte';
	import PaceLine from './PaceLine.svelte';
	import Tray from './Tray.svelte';
	import { Trying } from './trying.svelte';
	import TryStrip from './TryStrip.svelte';

	let { opened, owner, person }: { opened: Opened; owner: string; person: Person | null } =
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
	let isMazeOpen = $state(false);
	let isSaveOpen = $state(false);
	let showsShortcuts = $state(false);
	let drawn = $state.raw<{ drawing: Drawing; file: string } | null>(null);
	let picker: HTMLInputElement;

	async function openFile(event: Event & { currentTarget: HTMLInputElement }) {
		const [file] = event.currentTarget.files ?? [];
		event.currentTarget.value = '';
		if (!file) return;
		const { openDrawing } = await import('./drawings');
		const opened = openDrawing(await file.text());
		if (!opened.ok)
			bench.voice.refuse(
				t('course.drawing.refused', { file: file.name, reason: say(opened.failure) })
			);
		else if (opened.value.type === 'lines')
			drawn = { drawing: opened.value.drawing, file: file.name };
		else bench.desk.edit(replacing(bench.course, opened.value.course), t('course.drawing.taken'));
	}
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

	const isTyping = (target: EventTarget | null) =>
		target instanceof HTMLInputElement || target instanceof HTMLSelectElement;

	function onkeydown(event: KeyboardEvent) {
		// A dialog has taken its Escape, and a field its own.
		if (event.defaultPrevented) return;
		if (event.key === 'Escape') return bench.leave();
		if (isTyping(event.target)) return;
		if (event.key === '?') showsShortcuts = true;
		const key = event.key.toLowerCase();
		const isCommand = event.ctrlKey || event.metaKey;
		if (isCommand && key === 'z' && event.shiftKey) bench.desk.redo();
		else if (isCommand && key === 'z') bench.undo();
		else if (isCommand && key === 'y') bench.desk.redo();
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
	<header class="bar">
		<h1 class="sr-only-live">{t('course.title')}: {bench.course.name}</h1>
		<a
			class="button button-plain button-icon"
			href="/"
			aria-label={t('course.back')}
			title={t('course.back')}><ArrowLeft size={20} /></a
		>
		<TitleField
			label={t('course.name')}
			name={bench.course.name}
			{owner}
			onrename={(name) => bench.set('name', name)}
		/>
		<SavedState saver={bench.saver} />
		<label class="fine">
			<input type="checkbox" bind:checked={bench.isFine} />{t('course.fine', {
				length: showNumber('length', measuresNow().fine)
			})}
		</label>
		<button
			class="button button-plain button-icon"
			aria-label={t('course.undo')}
			title="{t('course.undo')} (Ctrl Z)"
			disabled={!bench.canUndo}
			onclick={() => bench.undo()}><Undo2 size={19} /></button
		>
		<button
			class="button button-plain button-icon"
			aria-label={t('course.redo')}
			title="{t('course.redo')} (Ctrl Shift Z)"
			disabled={!bench.desk.canRedo}
			onclick={() => bench.desk.redo()}><Redo2 size={19} /></button
		>
		<button
			class="button button-line"
			aria-label={t('course.maze')}
			title={t('course.maze')}
			onclick={() => (isMazeOpen = true)}
			><Grid3x3 size={18} /><span class="word">{t('course.maze')}</span></button
		>
		<button
			class="button button-line"
			aria-label={t('course.try')}
			title={t('course.try')}
			aria-pressed={isTrying}
			onclick={() => (isTrying = !isTrying)}
			><Play size={18} /><span class="word">{t('course.try')}</span></button
		>
		<button
			class="button button-plain button-icon"
			aria-label={t('course.save')}
			title={t('course.save')}
			onclick={() => (isSaveOpen = true)}><FileDown size={19} /></button
		>
		<button
			class="button button-plain button-icon"
			aria-label={t('course.drawing')}
			title={t('course.drawing')}
			onclick={() => picker.click()}><FileUp size={19} /></button
		>
		<button
			class="button button-plain button-icon keys"
			aria-label={t('shortcuts.open')}
			title="{t('shortcuts.open')} (?)"
			onclick={() => (showsShortcuts = true)}><Keyboard size={19} /></button
		>
		<input
			bind:this={picker}
			type="file"
			accept=".svg,image/svg+xml"
			hidden
			data-testid="drawing-file"
			onchange={openFile}
		/>
	</header>
	{#if bench.saver.secondVersion}
		<div class="notice" role="alert">
			<span>{t('save.conflict', { name: bench.saver.secondVersion.name })}</span>
			<a class="button button-line" href="/courses/{openedId}" target="_blank"
				>{t('save.seeOther')}</a
			>
			<button class="button button-line" onclick={() => (bench.saver.secondVersion = null)}
				>{t('save.dismiss')}</button
			>
		</div>
	{/if}
	{#if bench.voice.failure}
		<div class="notice" role="alert">
			<span>{bench.voice.failure}</span>
			<button class="button button-line" onclick={() => (bench.voice.failure = '')}
				>{t('save.dismiss')}</button
			>
		</div>
	{/if}
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

{#if isSaveOpen}
	{#await import('./SaveDialog.svelte') then { default: SaveDialog }}
		<SaveDialog {bench} onclose={() => (isSaveOpen = false)} />
	{/await}
{/if}
{#if showsShortcuts}
	{#await Promise.all( [import('$lib/workbench/ShortcutSheet.svelte'), import('./shortcuts')] ) then [{ default: ShortcutSheet }, { shortcuts }]}
		<ShortcutSheet {shortcuts} onclose={() => (showsShortcuts = false)} />
	{/await}
{/if}
{#if drawn}
	{#await import('./DrawingDialog.svelte') then { default: DrawingDialog }}
		<DrawingDialog {bench} {...drawn!} onclose={() => (drawn = null)} />
	{/await}
{/if}
{#if isMazeOpen}
	{#await import('./MazeDialog.svelte') then { default: MazeDialog }}
		<MazeDialog {bench} {help} onclose={() => (isMazeOpen = false)} />
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
	.bar {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 3.2rem;
		padding: 0.2rem 0.75rem 0.2rem 0.35rem;
		border-bottom: 1px solid var(--line);
		background: var(--paper);
	}
	@media (hover: none) {
		.keys {
			display: none;
		}
	}
	.fine {
		display: flex;
		align-items: center;
		gap: 0.35rem;
		min-height: 2.75rem;
		font-size: 0.85rem;
		white-space: nowrap;
	}
	.notice {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem;
		padding: 0.4rem 1rem;
		background: var(--lamp-soft);
	}
	.notice span {
		flex: 1 1 16rem;
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
	@media (max-width: 960px) {
		.word {
			display: none;
		}
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
		.fine {
			display: none;
		}
		.bar {
			flex-wrap: wrap;
			gap: 0.2rem;
		}
		.bar > :global(.title-field) {
			flex: 1 1 calc(100% - 7rem);
		}
	}
</style>
