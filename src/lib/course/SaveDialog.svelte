<script lang="ts">
	/** The course as a file, a drawing, a picture, or on paper. */
	import { proxy } from 'comlink';
	import { onDestroy } from 'svelte';
	import { pagesOf } from '$core/course/print/pages';
	import { mostSheets, papers, sheetScales, sheetsOf, type Paper } from '$core/course/print/sheets';
	import { writeSvg } from '$core/course/svg/write';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import { Task } from '$lib/task';
	import TitledDialog from '$lib/ui/TitledDialog.svelte';
	import { download, downloadDocument } from '$lib/files/downloads';
	import type { PrintService } from '$workers/print';
	import type { CourseBench } from './course-bench.svelte';
	import { pictureOf } from '$lib/floor/picture';

	let { bench, onclose }: { bench: CourseBench; onclose: () => void } = $props();

	const kinds = ['json', 'svg', 'png', 'pdf'] as const;
	const mostPixels = 8000;
	let kind = $state<(typeof kinds)[number]>('pdf');
	let paper = $state<Paper>(preferences.lengths === 'inch' ? 'letter' : 'a4');
	let sheetScale = $state<number>();
	let width = $state(1600);
	let fault = $state('');
	const course = $derived(bench.course);
	const countAt = (scale: number) => sheetsOf(course, paper, scale).count;
	const count = $derived(kind === 'pdf' && sheetScale ? countAt(sheetScale) : 0);
	const isTooMany = $derived(count > mostSheets);
	const pages = $derived(kind === 'pdf' && !isTooMany ? pagesOf(course, { paper, sheetScale }) : 0);
	/** Pages from which on one wants to know before. */
	const manyPages = 30;

	/** What writes a tape plan, and which part of it is written. */
	let printing = $state.raw<Task<PrintService> | null>(null);
	let written = $state(0);
	onDestroy(() => printing?.end());

	/** @returns null if it was taken back */
	async function print(): Promise<Uint8Array | null> {
		const worker = new Worker(new URL('../../workers/print.ts', import.meta.url), {
			type: 'module'
		});
		const task = new Task<PrintService>(worker);
		printing = task;
		written = 0;
		const wish = { paper, sheetScale, lengths: preferences.lengths };
		const progress = proxy((share: number) => void (written = share));
		try {
			return await task.ask((service) => service.tapePlan(course, wish, progress));
		} finally {
			task.end();
			printing = null;
		}
	}

	async function save() {
		fault = '';
		try {
			if (kind === 'json') downloadDocument(course);
			else if (kind === 'svg')
				download(course.name, 'svg', new Blob([writeSvg(course)], { type: 'image/svg+xml' }));
			else if (kind === 'pdf') {
				const bytes = await print();
				if (!bytes) return;
				download(course.name, 'pdf', new Blob([bytes as BlobPart], { type: 'application/pdf' }));
			} else {
				const pixels = Math.max(16, Math.min(mostPixels, Math.round(width) || 1600));
				download(course.name, 'png', await pictureOf(course, pixels));
			}
		} catch (error) {
			fault = t('course.save.failed', { detail: (error as Error).message });
			return;
		}
		onclose();
	}
</script>

<TitledDialog title={t('course.save')} width={30} {onclose}>
	<div class="kinds" role="radiogroup" aria-label={t('course.save')}>
		{#each kinds as each (each)}
			<label class="kind">
				<input type="radio" name="save-kind" value={each} bind:group={kind} />
				<span>
					<strong>{t(`course.save.${each}`)}</strong>
					{#if each !== 'png'}<br />{t(`course.save.${each}.explain`)}{/if}
				</span>
			</label>
		{/each}
	</div>
	{#if kind === 'png'}
		<label class="more">
			{t('course.save.width')}
			<input class="field" type="number" min="16" max={mostPixels} bind:value={width} />
		</label>
	{:else if kind === 'pdf'}
		<label class="more">
			{t('course.save.paper')}
			<select class="field" bind:value={paper}>
				{#each Object.keys(papers) as each (each)}
					<option value={each}>{t(`course.save.${each}`)}</option>
				{/each}
			</select>
		</label>
		<label class="more">
			{t('course.save.sheets')}
			<select class="field" bind:value={sheetScale}>
				<option value={undefined}>{t('course.save.sheets.none')}</option>
				{#each sheetScales as scale (scale)}
					{@const values = { scale, count: countAt(scale) }}
					<option value={scale}
						>{t(`course.save.sheets.${scale === 1 ? 'true' : 'scale'}`, values)}</option
					>
				{/each}
			</select>
		</label>
	{/if}
	{#if isTooMany}
		<p class="fault" role="alert">
			{t('course.save.tooMany', { count, most: mostSheets })}
		</p>
	{/if}
	{#if pages > manyPages}<p>{t('course.save.pages', { count: pages })}</p>{/if}
	{#if fault}<p class="fault" role="alert">{fault}</p>{/if}
	{#if printing}
		<label class="more">
			{t('course.save.writing')}
			<progress value={written}></progress>
		</label>
		<button class="button button-line" onclick={() => printing?.end()}
			>{t('course.save.stop')}</button
		>
	{:else}
		<button class="button button-main" disabled={isTooMany} onclick={() => void save()}
			>{t('course.save.make')}</button
		>
	{/if}
</TitledDialog>

<style>
	.kinds {
		display: grid;
		gap: 0.3rem;
	}
	.kind {
		display: flex;
		gap: 0.6rem;
		align-items: flex-start;
		min-height: 2.75rem;
		padding: 0.35rem 0;
	}
	.kind input {
		margin-top: 0.3rem;
	}
	.more {
		display: grid;
	}
	progress {
		width: 100%;
		height: 0.6rem;
		accent-color: var(--verdigris);
	}
</style>
