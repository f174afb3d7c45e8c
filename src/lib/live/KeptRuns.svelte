<script lang="ts">
	/** The runs of this plan that this device has kept, newest first: each can be looked at again. */
	import { onMount } from 'svelte';
	import { markOf } from '$core/course/mark';
	import Moment from '$lib/ui/Moment.svelte';
	import { showTime } from '$lib/ui/time.svelte';
	import { say, t } from '$lib/i18n';
	import { forget, mostKept } from '$workers/kept';
	import { keptRuns, type KeptAttempt } from './kept';
	import type { LiveDesk } from './live-desk.svelte';
	import SidePanel from './SidePanel.svelte';

	let { live }: { live: LiveDesk } = $props();

	const { bench } = $derived(live);
	let list = $state.raw<readonly KeptAttempt[]>([]);
	let isRead = $state(false);
	/** The one that somebody is about to forget. */
	let going = $state('');
	let news = $state('');

	onMount(async () => {
		for await (const kept of keptRuns(bench.saver.id)) list = [...list, kept];
		isRead = true;
	});

	const isoOf = ({ run }: KeptAttempt) => new Date(run.at).toISOString();

	async function show(kept: KeptAttempt) {
		const { courseId, courseMark, plan } = kept.run;
		if (courseId !== bench.courseId) bench.chooseCourse(courseId);
		await bench.arrived;
		bench.runs.showKept(kept.attempt, { plan });
		news = t('runs.shown', { when: showTime(isoOf(kept)) });
		const hasChanged = courseMark !== undefined && courseMark !== markOf(bench.course);
		if (hasChanged) news += ` ${t('runs.otherCourse')}`;
	}

	async function remove({ run }: KeptAttempt) {
		if (going !== run.id) {
			going = run.id;
			return;
		}
		await forget(run.id);
		list = list.filter((kept) => kept.run.id !== run.id);
	}
</script>

<SidePanel title={t('runs.title')} onclose={() => (live.panel = null)}>
	<p>{t(isRead && list.length === 0 ? 'runs.none' : 'runs.about', { most: mostKept })}</p>
	<p class="news" role="status">{news}</p>
	<ul>
		{#each list as kept (kept.run.id)}
			{@const { outcome } = kept.attempt}
			<li>
				<p>
					<strong><Moment iso={isoOf(kept)} /></strong>
					{kept.run.plan.robots.map(({ name }) => name).join(', ')}
				</p>
				<p>{say(outcome.reason)}</p>
				<div class="hands">
					<button
						class="button button-line"
						disabled={bench.runs.isLive}
						onclick={() => void show(kept)}>{t('runs.show')}</button
					>
					<button class="button button-plain" onclick={() => void remove(kept)}
						>{t(going === kept.run.id ? 'runs.sure' : 'runs.forget')}</button
					>
				</div>
			</li>
		{/each}
	</ul>
</SidePanel>

<style>
	.news:empty {
		display: none;
	}
	.news {
		color: var(--verdigris);
	}
	ul {
		display: grid;
		gap: 0.6rem;
	}
	li {
		padding-top: 0.5rem;
		border-top: 1px solid var(--line);
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin-top: 0.3rem;
	}
</style>
