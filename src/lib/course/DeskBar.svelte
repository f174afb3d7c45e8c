<script lang="ts" module>
	/** What opens over the desk. */
	export type DialogName = 'maze' | 'save';
</script>

<script lang="ts">
	/** Above the desk: the name of the course, and what can be done with the whole of it. */
	import FileDown from '@lucide/svelte/icons/file-down';
	import FileUp from '@lucide/svelte/icons/file-up';
	import Grid3x3 from '@lucide/svelte/icons/grid-3x3';
	import Keyboard from '@lucide/svelte/icons/keyboard';
	import Play from '@lucide/svelte/icons/play';
	import { replacing } from '$core/course/editing/lay';
	import { deskKeys } from '$lib/desk/keys';
	import { say, t } from '$lib/i18n';
	import { shownKeys } from '$lib/ui/keys';
	import { showNumber } from '$lib/words/format';
	import { measuresNow } from '$lib/words/measures';
	import BarStart from '$lib/desk/BarStart.svelte';
	import SavedState from '$lib/desk/SavedState.svelte';
	import UndoButtons from '$lib/desk/UndoButtons.svelte';
	import type { CourseBench } from './course-bench.svelte';
	import type { OpenLines } from '$lib/files/drawings';

	let {
		bench,
		owner,
		isTrying = $bindable(),
		onopen,
		onkeys,
		ondrawing
	}: {
		bench: CourseBench;
		owner: string;
		isTrying: boolean;
		onopen: (dialog: DialogName) => void;
		onkeys: () => void;
		/** Lines were opened of which somebody has to say what they become. */
		ondrawing: (drawing: OpenLines, file: string) => void;
	} = $props();

	let picker: HTMLInputElement;

	async function openFile(event: Event & { currentTarget: HTMLInputElement }) {
		const [file] = event.currentTarget.files ?? [];
		event.currentTarget.value = '';
		if (!file) return;
		const { openDrawing, OpenLines } = await import('$lib/files/drawings');
		const opened = await openDrawing(await file.text());
		if (!opened.ok)
			bench.voice.refuse(
				t('course.drawing.refused', { file: file.name, reason: say(opened.failure) })
			);
		else if (opened.value instanceof OpenLines) ondrawing(opened.value, file.name);
		else bench.desk.edit(replacing(bench.course, opened.value), t('course.drawing.taken'));
	}
</script>

<header class="bar desk-bar">
	<BarStart
		heading="{t('course.title')}: {bench.course.name}"
		back={t('course.back')}
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
	<UndoButtons desk={bench} />
	<button
		class="button button-line"
		aria-label={t('course.maze')}
		title={t('course.maze')}
		onclick={() => onopen('maze')}
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
		onclick={() => onopen('save')}><FileDown size={19} /></button
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
		title="{t('shortcuts.open')} ({shownKeys(deskKeys.keys)})"
		onclick={onkeys}><Keyboard size={19} /></button
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

<style>
	.bar {
		min-height: 3.2rem;
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
	@media (max-width: 960px) {
		.word {
			display: none;
		}
	}
	@media (max-width: 560px) {
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
