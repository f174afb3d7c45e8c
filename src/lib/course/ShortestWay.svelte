<script lang="ts">
	/** A way as it is wished, its figures, its par when asked for, and the plan that follows it. */
	import Footprints from '@lucide/svelte/icons/footprints';
	import { goto } from '$app/navigation';
	import { wayWishes } from '$core/course/search/driven-way';
	import { t } from '$lib/i18n';
	import { newId } from '$lib/saving/id';
	import { Refused } from '$lib/saving/send';
	import { sendSave } from '$lib/saving/send-save';
	import { showNumber } from '$lib/words/format';
	import { downloadDocument } from '$lib/files/downloads';
	import type { CourseBench } from './course-bench.svelte';
	import type { CourseHelp } from './course-help.svelte';

	let { bench, help }: { bench: CourseBench; help: CourseHelp } = $props();

	const found = $derived(help.found);
	const isPastGates = $derived(
		bench.course.gates.length > 0 && Object.keys(found?.way.gates ?? {}).length === 0
	);

	/** The plan stands beside this course from now on, for whoever opens it. */
	async function keepPlan() {
		if (!found?.plan) return;
		const id = newId();
		const work = { kind: 'plan' as const, content: found.plan };
		const own = { courseId: bench.saver.id, variation: 'classroom' as const, attempts: [] };
		try {
			await sendSave(id, { work, bench: own, baseRevision: 0, saveId: newId(), unanswered: [] });
			await goto(`/plans/${id}`);
		} catch (error) {
			bench.voice.refuse(error instanceof Refused ? error.message : t('home.failed'));
		}
	}
</script>

<div class="way">
	<div class="ask">
		<select
			class="field"
			aria-label={t('course.way.wish')}
			bind:value={help.wish}
			onchange={() => help.wishAnew()}
		>
			{#each wayWishes as wish (wish)}
				<option value={wish}>{t(`course.way.wish.${wish}`)}</option>
			{/each}
		</select>
		<button class="button button-line" disabled={help.isSearching} onclick={() => help.search()}
			><Footprints size={18} />{t('course.way')}</button
		>
	</div>
	<label>
		<input type="checkbox" bind:checked={help.isTapeWall} onchange={() => help.wishAnew()} />
		{t('course.way.tape')}
	</label>
	<div role="status">
		{#if found === null}
			<p>{t('course.way.none')}</p>
		{:else if found}
			<p>
				{t('course.way.figures', {
					length: showNumber('length', found.way.length),
					turns: found.way.turns
				})}
				{#if help.isParShown}
					{found.par === undefined
						? t('course.way.noPar')
						: t('course.way.parIs', { seconds: Math.round(found.par * 10) / 10 })}
				{/if}
				{#if isPastGates}{t('course.way.gates')}{/if}
			</p>
		{/if}
	</div>
	{#if found && !help.isSearching}
		<div class="hands">
			{#if !help.isParShown}
				<button class="button button-plain" onclick={() => (help.isParShown = true)}
					>{t('course.way.par')}</button
				>
			{/if}
			{#if found.plan}
				<button class="button button-plain" title={t('course.way.steps.explain')} onclick={keepPlan}
					>{t('course.way.steps')}</button
				>
				<button
					class="button button-plain"
					title={t('course.way.file.explain')}
					onclick={() => downloadDocument(found.plan!)}>{t('course.way.file')}</button
				>
			{/if}
			<button class="button button-plain" onclick={() => help.hideWay()}
				>{t('course.way.hide')}</button
			>
		</div>
	{/if}
</div>

<style>
	.way {
		display: grid;
		gap: 0.3rem;
		font-size: 0.9rem;
	}
	.ask {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
	.ask select {
		flex: 1 1 9rem;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.2rem;
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
	}
</style>
