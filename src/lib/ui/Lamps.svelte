<script lang="ts">
	/** A picture of lamps, or a drawn face, as part of a drawing, 8 by 8, from the top left down. */
	import { colourCode } from '$core/colours';
	import { faceSize, readFace } from '$core/pictures/face';
	import { gridSize, readPicture } from '$core/pictures/picture';

	let { picture }: { picture: string } = $props();

	const lamps = $derived(readPicture(picture));
	const face = $derived(lamps ? null : readFace(picture));
	const ofFace = gridSize.columns / faceSize.columns;
</script>

{#if face}
	<rect width={gridSize.columns} height={gridSize.rows} rx="1" fill={colourCode(face.skin)} />
	{#each face.lamps as lamp, index (index)}
		{#if lamp > 0}
			<!-- They touch: a little over the edge, no line is seen between them. -->
			<rect
				x={(index % faceSize.columns) * ofFace - 0.01}
				y={Math.floor(index / faceSize.columns) * ofFace - 0.01}
				width={ofFace + 0.02}
				height={ofFace + 0.02}
				fill={colourCode(lamp)}
			/>
		{/if}
	{/each}
{:else}
	{#each lamps ?? [] as lamp, index (index)}
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
{/if}
