<script lang="ts">
	/** What is odd about the course, each with what it is about and what mends it. */
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import type { CourseProblem } from '$core/checks/course';
	import { robotKinds } from '$core/robots/kinds';
	import { say, t } from '$lib/i18n';
	import type { CourseBench } from './course-bench.svelte';
	import type { CourseHelp } from './course-help.svelte';

	let { bench, help }: { bench: CourseBench; help: CourseHelp } = $props();

	/** More than these at once help nobody. */
	const most = 6;
	const shown = $derived(help.problems.slice(0, most));
	const left = $derived(help.problems.length - shown.length);
	/** Robots that go through a course. */
	const kinds = robotKinds.map(({ kind }) => kind);

	function mend({ repair, refs }: CourseProblem) {
		if (!repair || !bench.desk.edit(repair.edit)) return;
		bench.select(refs, false);
		bench.voice.announce(t('course.say.mended'));
	}
</script>

<label class="for">
	{t('course.for')}
	<select class="field" bind:value={help.kind}>
		{#each kinds as kind (kind)}<option value={kind}>{t(`bench.kind.${kind}`)}</option>{/each}
	</select>
</label>
<div aria-live="polite">
	{#if shown.length > 0}
		<h2 class="heading">{t('course.problems', { count: help.problems.length })}</h2>
		<ul>
			{#each shown as problem, index (index)}
				<li>
					<p><TriangleAlert size={16} aria-hidden="true" /> {say(problem.sentence)}</p>
					<div class="hands">
						{#if problem.repair}
							<button class="button button-line" onclick={() => mend(problem)}
								>{t(problem.repair.key)}</button
							>
						{/if}
						{#if problem.refs.length > 0}
							<button
								class="button button-plain"
								onclick={() => {
									bench.choose('select');
									bench.select(problem.refs);
								}}>{t('course.showIt')}</button
							>
						{/if}
					</div>
				</li>
			{/each}
		</ul>
		{#if left > 0}<p class="more">{t('course.moreProblems', { count: left })}</p>{/if}
	{/if}
</div>

<style>
	.for {
		display: grid;
		grid-template-columns: auto 1fr;
		align-items: center;
		gap: 0.6rem;
		font-size: 0.85rem;
	}
	.field {
		min-height: 2.5rem;
		min-width: 0;
	}
	h2 {
		font-size: 1.05rem;
	}
	ul {
		display: grid;
		gap: 0.5rem;
		margin-top: 0.3rem;
	}
	li {
		padding: 0.4rem 0.6rem;
		border-left: 4px solid var(--signal);
		border-radius: 0.3rem;
		background: var(--tag);
		font-size: 0.9rem;
	}
	li :global(svg) {
		display: inline;
		color: var(--signal);
		vertical-align: -0.15em;
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem;
		margin-top: 0.2rem;
	}
	.more {
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
</style>
