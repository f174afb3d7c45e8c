<script lang="ts">
	/** What lies under a finger, larger and beside it. */
	import type { Point } from '$core/course/measure';

	let { raw, x, y, scale }: { raw: Point; x: number; y: number; scale: number } = $props();

	/** Half of what it shows, pixels of the floor. */
	const half = 34;
	const middle = $derived([x + raw[0] * scale, y - raw[1] * scale]);
</script>

<svg
	class="loupe"
	viewBox="{middle[0]! - half} {middle[1]! - half} {2 * half} {2 * half}"
	aria-hidden="true"
>
	<use href="#desk-scene" />
</svg>

<style>
	.loupe {
		position: absolute;
		top: 0.75rem;
		left: 0.75rem;
		width: 9rem;
		height: 9rem;
		border: 2px solid var(--ink);
		border-radius: 50%;
		background: var(--paper-deep);
		box-shadow: var(--shadow);
		pointer-events: none;
	}
</style>
