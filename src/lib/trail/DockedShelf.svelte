<script lang="ts">
	/** The shelf beside the trail: it adds where the trail is. */
	import type { Place } from '$core/plan/places';
	import { preferences } from '$lib/preferences.svelte';
	import Shelf from '$lib/shelf/Shelf.svelte';
	import type { TagDragging } from '$lib/ui/drag';
	import { shelfPlace } from '$lib/words/typed';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let {
		bench,
		place,
		dragging,
		onadded,
		onhelp
	}: {
		bench: Workbench;
		place: Place;
		dragging: TagDragging;
		onadded: (id: string | null) => void;
		onhelp: (kind: string) => void;
	} = $props();
</script>

<div class="dock">
	<Shelf
		place={shelfPlace(bench.plan, preferences.level, place.holder)}
		{dragging}
		isDocked
		onchoose={({ definition, values }) =>
			onadded(bench.editing.addStep(place, definition.kind, values))}
		onseveral={(steps) => onadded(bench.editing.addSteps(place, steps))}
		onhelp={({ definition }) => onhelp(definition.kind)}
	/>
</div>

<style>
	.dock {
		border-top: 1px solid var(--line);
		background: var(--paper-deep);
	}
</style>
