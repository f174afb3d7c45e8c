<script lang="ts">
	/** A small drawing of a whole course, of a dialog. */
	import type { Course } from '$core/course/course';
	import CourseDrawing from '$lib/floor/CourseDrawing.svelte';

	let { course, label }: { course: Course; label: string } = $props();
	const { width, height } = $derived(course.size);
</script>

<svg class="drawn on-floor" viewBox="0 0 {width} {height}" role="img" aria-label={label}>
	<g transform="translate(0,{height}) scale(1,-1)"><CourseDrawing {course} isSmall /></g>
</svg>

<style>
	.drawn {
		width: 100%;
		max-height: 20rem;
		border-radius: 0.4rem;
		background: var(--paper-deep);
	}
</style>
