<script module lang="ts">
	let drawn: Promise<unknown> = Promise.resolve();

	/** Lets the page do what waits for it. */
	const pause = () => new Promise((next) => setTimeout(next));

	/** One picture after the other: the page goes on between them. */
	function inTurn(draw: () => Promise<void>): void {
		drawn = drawn.then(draw).then(pause);
	}
</script>

<script lang="ts">
	/** A small map of a course; its content is fetched when the card comes near the screen. */
	import type { Course } from '$core/course/course';
	import type CourseDrawing from '$lib/floor/CourseDrawing.svelte';
	import { request } from '$lib/saving/send';

	let { id, revision }: { id: string; revision: number } = $props();

	/** Pixels below the screen at which a picture is already fetched. */
	const ahead = '300px';
	let drawing = $state.raw<{ Drawing: typeof CourseDrawing; course: Course } | null>(null);

	async function load() {
		try {
			const [{ default: Drawing }, { courseSchema }, content] = await Promise.all([
				import('$lib/floor/CourseDrawing.svelte'),
				import('$core/course/course'),
				request('GET', `/api/documents/${id}?revision=${revision}`)
			]);
			await pause();
			const course = courseSchema.safeParse(content).data;
			await pause();
			drawing = course ? { Drawing, course } : null;
		} catch (error) {
			// The card says all that matters without its picture.
			console.warn(error);
		}
	}

	function whenNear(element: HTMLElement) {
		const watcher = new IntersectionObserver(
			([entry]) => {
				if (!entry?.isIntersecting) return;
				watcher.disconnect();
				inTurn(load);
			},
			{ rootMargin: ahead }
		);
		watcher.observe(element);
		return () => watcher.disconnect();
	}
</script>

<div class="map" {@attach whenNear}>
	{#if drawing}
		{@const { Drawing, course } = drawing}
		{@const { width, height } = course.size}
		<svg class="on-floor" viewBox="0 0 {width} {height}" aria-hidden="true">
			<g transform="translate(0,{height}) scale(1,-1)"><Drawing {course} isSmall /></g>
		</svg>
	{/if}
</div>

<style>
	.map {
		flex: none;
		width: 5.5rem;
		height: 4rem;
		/* Of a long list only what is in view is styled and painted. */
		content-visibility: auto;
	}
	svg {
		width: 100%;
		height: 100%;
	}
</style>
