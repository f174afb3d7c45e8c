<script lang="ts">
	/** A small drawing of each kind of part. */
	import type { PartName } from '$core/course/course';

	let { part, size = 26 }: { part: PartName; size?: number } = $props();

	const lines: Readonly<Partial<Record<PartName, string>>> = {
		tapes: 'M3 19h7l4-6 3-8h4',
		walls: 'M4 4v16h16M4 4h7',
		rails: 'M3 9h18M3 15h18M6 6.5v11M11 6.5v11M16 6.5v11M20 6.5v11',
		patches: 'M4 8l9-4 7 6-3 9-11 1z',
		surfaces: 'M4 5h16v14H4zM4 10q4-3 8 0t8 0M4 15q4-3 8 0t8 0',
		table: 'M4 6l13-2 3 12-10 4-6-4z',
		starts: 'M4 7h9l6 5-6 5H4zM11 10l3 2-3 2',
		finish: 'M12 3a9 9 0 1 0 0 18 9 9 0 0 0 0-18zM12 8a4 4 0 1 0 0 8 4 4 0 0 0 0-8z',
		lampPosts: 'M12 8l4 4-4 4-4-4zM12 3v2M12 19v2M3 12h2M19 12h2',
		gates: 'M6 20V7h12v13M4 20h4M16 20h4M12 12v5M10 15l2 2 2-2',
		pads: 'M12 4a8 8 0 1 0 0 16 8 8 0 0 0 0-16zM12 8l4 4-4 4-4-4z',
		crates: 'M5 5h14v14H5zM5 5l14 14M19 5L5 19'
	};
	/** Of a kind without one of its own. */
	const spot = 'M12 6a6 6 0 1 0 0 12 6 6 0 0 0 0-12z';
	/** What is laid on the floor looks thick, what is marked on it dashed. */
	const isThick = $derived(part === 'walls' || part === 'tapes');
	const isDashed = $derived(part === 'table' || part === 'starts');
</script>

<svg viewBox="0 0 24 24" width={size} height={size} aria-hidden="true">
	<path
		d={lines[part] ?? spot}
		fill="none"
		stroke="currentColor"
		stroke-width={isThick ? 3 : 1.6}
		stroke-linejoin="round"
		stroke-linecap={part === 'walls' ? 'square' : 'round'}
		stroke-dasharray={isDashed ? '3 2.4' : undefined}
	/>
</svg>
