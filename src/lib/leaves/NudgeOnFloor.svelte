<script lang="ts">
	/** The end of the leg that is looked at, to be pulled. */
	import './words';
	import NudgeGrip from '$lib/floor/NudgeGrip.svelte';
	import { t } from '$lib/i18n';
	import type { Nudging } from '$lib/workbench/nudging.svelte';
	import { turnedWords } from './nudge-words';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let {
		bench,
		nudging,
		scale,
		toMetres
	}: {
		bench: Workbench;
		nudging: Nudging;
		/** Pixels a metre. */
		scale: number;
		toMetres: (event: { clientX: number; clientY: number }) => readonly [number, number];
	} = $props();
</script>

{#if nudging.leg && nudging.knobs.length > 0}
	<NudgeGrip
		end={nudging.leg.span.to}
		goal={nudging.goal}
		isDirection={nudging.isDirection}
		ghost={nudging.ghost}
		said={turnedWords(bench.plan, nudging)}
		label={t(nudging.isDirection ? 'nudge.direction' : 'nudge.place', {
			number: nudging.leg.span.number
		})}
		isOutOfReach={nudging.isOutOfReach !== false}
		{scale}
		{toMetres}
		onpull={(goal) => nudging.pull(goal)}
		onmove={(...way) => nudging.move(...way)}
		ontake={() => void nudging.take()}
		ondrop={() => nudging.drop()}
	/>
{/if}
