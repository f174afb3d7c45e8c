<script module lang="ts">
	let drawn: Promise<unknown> = Promise.resolve();

	/** One picture after the other: the page goes on between them. */
	function inTurn(draw: () => Promise<void>): void {
		drawn = drawn.then(draw).then(() => new Promise((next) => setTimeout(next)));
	}
</script>

<script lang="ts">
	/** A small map of a course; its content is fetched when the card comes near the screen. */
	import { courseSchema, type Course } from '$core/course/course';
	import CourseDrawing from '$lib/floor/CourseDrawing.svelte';
	import { request } from '$lib/saving/send';

	let { id, revision }: { id: string; revision: number } = $props();

	/** Pixels below the screen at which a picture is already fetched. */
	const ahead = '300px';
	let course = $state.raw<Course | null>(null);

	async function load() {
		try {
			const content = await request('GET', `/api/documents/${id}?revision=${revision}`);
			course = courseSchema.safeParse(content).data ?? null;
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
	{#if course}
		{@const { width, height } = course.size}
		<svg class="on-floor" viewBox="0 0 {width} {height}" aria-hidden="true">
			<g transform="translate(0,{height}) scale(1,-1)"><CourseDrawing {course} isSmall /></g>
		</svg>
	{/if}
</div>

<style>
	.map {
		flex: none;
		width: 5.5rem;
		height: 4rem;
	}
	svg {
		width: 100%;
		height: 100%;
	}
</style>
