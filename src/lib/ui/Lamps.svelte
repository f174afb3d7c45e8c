<script lang="ts">
	/** A picture of lamps as part of a drawing, each lamp 1 by 1, from the top left down. */
	import { colourCode } from '$core/colours';
	import { gridSize, readPicture } from '$core/pictures/picture';

	let { picture }: { picture: string } = $props();

	const lamps = $derived(readPicture(picture) ?? []);
</script>

{#each lamps as lamp, index (index)}
	{#if lamp > 0}
		<rect
			x={(index % gridSize.columns) + 0.06}
			y={Math.floor(index / gridSize.columns) + 0.06}
			width="0.88"
			height="0.88"
			rx="0.3"
			fill={colourCode(lamp)}
		/>
	{/if}
{/each}
