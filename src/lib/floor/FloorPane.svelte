<script lang="ts">
	/** A floor that one looks at through a window which moves and zooms, with its scale. */
	import type { Snippet } from 'svelte';
	import type { SVGAttributes } from 'svelte/elements';
	import type { FloorWindow } from './floor-window.svelte';
	import ScaleBar from './ScaleBar.svelte';
	import ZoomButtons from './ZoomButtons.svelte';

	let {
		label,
		view,
		width = $bindable(),
		height = $bindable(),
		sceneId,
		cursor,
		children,
		over,
		said,
		buttons,
		...svg
	}: SVGAttributes<SVGSVGElement> & {
		label: string;
		view: FloorWindow;
		/** Pixels. */
		width: number;
		height: number;
		/** Of what is drawn, for who draws it once more. */
		sceneId?: string;
		/** Of the pointer over it. */
		cursor: string;
		/** In metres. */
		children: Snippet;
		/** Over the floor. */
		over?: Snippet;
		/** Beside the scale. */
		said?: Snippet;
		/** Beside the buttons that zoom. */
		buttons?: Snippet;
	} = $props();

	const { x, y, scale } = $derived(view);
</script>

<section class="floor" aria-label={label}>
	<div class="sheet" bind:clientWidth={width} bind:clientHeight={height}>
		<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
		<svg
			class="on-floor"
			{@attach view.on}
			{width}
			{height}
			tabindex="0"
			style:--cursor={cursor}
			class:grab={cursor === 'grab'}
			{...svg}
		>
			<g id={sceneId} transform="translate({x},{y}) scale({scale},{-scale})">
				{@render children()}
			</g>
		</svg>
	</div>
	{@render over?.()}
	<ScaleBar {view}>{@render said?.()}</ScaleBar>
	<ZoomButtons {view}>{@render buttons?.()}</ZoomButtons>
</section>

<style>
	.floor {
		position: relative;
		min-height: 0;
		height: 100%;
		background: var(--paper-deep);
	}
	.sheet {
		position: absolute;
		inset: 0;
		overflow: hidden;
	}
	svg {
		display: block;
		touch-action: none;
		user-select: none;
		cursor: var(--cursor);
	}
	.grab:active {
		cursor: grabbing;
	}
	svg:focus-visible {
		outline-offset: -3px;
	}
</style>
