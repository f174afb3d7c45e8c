<script lang="ts">
	/** A line is paced out as people say it, and shown before it is laid. */
	import type { Laid } from '$core/course/editing/lay';
	import { readPaces, type PaceWords } from '$core/course/editing/pacing';
	import { say, t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import type { CourseBench } from './course-bench.svelte';
	import { place } from './describe';

	let { bench, preview = $bindable() }: { bench: CourseBench; preview: Laid | undefined } =
		$props();

	const { laying } = $derived(bench);
	let text = $state('');
	const words = $derived<PaceWords>({
		right: t('course.pace.right').split(' '),
		left: t('course.pace.left').split(' '),
		round: t('course.pace.round').split(' '),
		close: t('course.pace.close').split(' '),
		unit: preferences.lengths === 'inch' ? 0.0254 : 0.01
	});
	const read = $derived(readPaces(text, words));
	const laid = $derived(read.ok && read.value.length > 0 ? laying.preview(read.value) : undefined);
	const fault = $derived(!read.ok ? say(read.failure) : laid && !laid.ok ? say(laid.failure) : '');
	$effect(() => {
		preview = laid?.ok ? laid.value : undefined;
	});
	const end = $derived(laying.growing?.end ?? { at: bench.cursor, bearing: 0 });

	function take(event: SubmitEvent) {
		event.preventDefault();
		if (read.ok && read.value.length > 0 && laying.pace(read.value)) text = '';
	}
</script>

<form class="pace" class:idle={laying.pacedPart === null} onsubmit={take}>
	<label for="pace-out">{t('course.pace.label')}</label>
	<input
		id="pace-out"
		class="field"
		type="text"
		autocomplete="off"
		spellcheck="false"
		maxlength="4000"
		placeholder={t('course.pace.example')}
		disabled={laying.pacedPart === null}
		aria-describedby="pace-news"
		aria-invalid={fault !== ''}
		bind:value={text}
	/>
	<button class="button button-line" disabled={!laid?.ok || !laid.value}
		>{t('course.pace.lay')}</button
	>
	<p id="pace-news" class:fault role="status">
		{fault ||
			(laying.pacedPart === null
				? t('course.pace.choose')
				: t('course.pace.from', { place: place(end.at), bearing: Math.round(end.bearing) }))}
	</p>
</form>

<style>
	.pace {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr) auto;
		align-items: center;
		gap: 0.1rem 0.7rem;
		padding: 0.45rem 0.9rem;
		border-top: 1px solid var(--line);
		background: var(--paper);
	}
	label {
		font-weight: 600;
	}
	p {
		grid-column: 1 / -1;
		min-height: 1.4em;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	p.fault {
		color: var(--signal);
	}
	@media (max-width: 560px) {
		.pace {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		label {
			grid-column: 1 / -1;
		}
		/* The floor is small enough. */
		.idle {
			display: none;
		}
	}
</style>
