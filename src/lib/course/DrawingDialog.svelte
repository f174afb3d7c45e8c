<script lang="ts">
	/** Says what each layer or colour of a drawing becomes, and shows it before it is taken in. */
	import { onMount } from 'svelte';
	import { replacing } from '$core/course/editing/lay';
	import { placedParts } from '$core/course/parts';
	import { takings, type Taken, type Taking } from '$core/course/svg/take';
	import { say, t } from '$lib/i18n';
	import TitledDialog from '$lib/ui/TitledDialog.svelte';
	import { showNumber } from '$lib/words/format';
	import type { CourseBench } from './course-bench.svelte';
	import CourseView from './CourseView.svelte';
	import type { OpenLines } from '$lib/files/drawings';

	let {
		bench,
		drawing,
		file,
		onclose
	}: { bench: CourseBench; drawing: OpenLines; file: string; onclose: () => void } = $props();

	let by = $state<'layer' | 'colour'>('layer');
	let chosen = $state<Record<string, Taking>>({});
	let isBeside = $state(false);
	let taken = $state.raw<Taken | null>(null);
	let fault = $state('');
	const { size, groups: grouped } = $derived(drawing.lines);
	const groups = $derived(grouped[by]);

	onMount(() => () => drawing.close());
	$effect(() => {
		if (groups.length === 0) return;
		let isOld = false;
		void drawing.take(by, $state.snapshot(chosen), bench.course.name).then((answer) => {
			if (isOld) return;
			taken = answer.ok ? answer.value : null;
			fault = answer.ok ? '' : say(answer.failure);
		});
		return () => (isOld = true);
	});

	function keep() {
		if (!taken) return;
		const { course } = taken;
		const isDone = isBeside
			? bench.add(
					placedParts(course).map(({ ref, value }) => ({ part: ref.part, value })),
					0
				)
			: bench.desk.edit(replacing(bench.course, course), t('course.drawing.taken'));
		if (isDone) onclose();
	}
</script>

<TitledDialog title={t('course.drawing')} width={54} {onclose}>
	<p>
		{t('course.drawing.about', {
			file,
			width: showNumber('length', size.width),
			height: showNumber('length', size.height)
		})}
	</p>
	<div class="both">
		<div>
			<label class="by">
				{t('course.drawing.by')}
				<select class="field" bind:value={by} onchange={() => (chosen = {})}>
					<option value="layer">{t('course.drawing.by.layer')}</option>
					<option value="colour">{t('course.drawing.by.colour')}</option>
				</select>
			</label>
			{#if groups.length === 0}<p>{t('course.drawing.empty')}</p>{/if}
			<ul>
				{#each groups as { key, colour, count, usual } (key)}
					<li>
						<span class="swatch" style:background={colour} aria-hidden="true"></span>
						<label>
							<span class="key">{key || t('course.drawing.noLayer')}</span>
							<span class="count">{t('course.drawing.count', { count })}</span>
							<select
								class="field"
								value={chosen[key] ?? usual}
								onchange={(event) =>
									(chosen = { ...chosen, [key]: event.currentTarget.value as Taking })}
							>
								{#each takings as taking (taking)}
									<option value={taking}>{t(`course.drawing.${taking}`)}</option>
								{/each}
							</select>
						</label>
					</li>
				{/each}
			</ul>
		</div>
		<div>
			{#if taken}
				<CourseView course={taken.course} label={t('course.drawing.picture')} />
				{#if taken.left > 0}
					<p class="fault" role="status">{t('course.drawing.left', { count: taken.left })}</p>
				{/if}
			{/if}
			{#if fault}<p class="fault" role="alert">{fault}</p>{/if}
		</div>
	</div>
	<label class="where">
		<input type="radio" name="where" value={false} bind:group={isBeside} />
		{t('course.drawing.replace')}
	</label>
	<label class="where">
		<input type="radio" name="where" value={true} bind:group={isBeside} />
		{t('course.drawing.add')}
	</label>
	<button class="button button-main" disabled={!taken} onclick={keep}
		>{t('course.maze.keep')}</button
	>
</TitledDialog>

<style>
	.by {
		display: grid;
		grid-template-columns: auto 1fr;
		align-items: center;
		gap: 0.6rem;
		margin-bottom: 0.5rem;
	}
	ul {
		display: grid;
		gap: 0.4rem;
		max-height: 17rem;
		overflow-y: auto;
	}
	li {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.6rem;
		align-items: center;
	}
	li label {
		display: grid;
		grid-template-columns: 1fr auto;
	}
	li .field {
		grid-column: 1 / -1;
	}
	.key {
		overflow-wrap: anywhere;
		font-weight: 600;
	}
	.count {
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.swatch {
		width: 1.3rem;
		height: 2.6rem;
		border: 1px solid var(--line);
		border-radius: 0.3rem;
	}
	.where {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.2rem;
	}
</style>
