<script lang="ts">
	/**
	 * On the floor, where a robot is lined up: its drawing on the start mark turns after whoever drags or
	 * taps; of one whose front nobody sees, a line shows the way it went.
	 */
	import { headingOfBearing } from '$core/units/angles';
	import { robotKindOf } from '$core/robots/kinds';
	import StandingRobot from '$lib/floor/StandingRobot.svelte';
	import type { LiveDesk } from './live-desk.svelte';

	let {
		live,
		toMetres
	}: {
		live: LiveDesk;
		toMetres: (event: { clientX: number; clientY: number }) => readonly [number, number];
	} = $props();

	/** Metres around the mark in which a drag turns it; farther away it moves the floor. */
	const reach = 0.22;

	const robot = $derived(live.lining.robot!);
	const at = $derived(live.startOf(robot).at);
	const isRound = $derived(robotKindOf(robot.kind).isRound === true);

	function drag(event: PointerEvent & { currentTarget: SVGElement }) {
		if (event.type === 'pointerdown') event.currentTarget.setPointerCapture(event.pointerId);
		else if (event.buttons === 0) return;
		live.point(...toMetres(event));
	}
</script>

<g transform="translate({at[0]},{at[1]})">
	{#if isRound}
		<line class="went" y1="0.05" y2="0.32" transform="rotate({-live.lining.went})" />
	{:else}
		<StandingRobot
			kind={robot.kind}
			pose={{ x: at[0], y: at[1], heading: headingOfBearing(live.lining.went) }}
			columns={{}}
		/>
	{/if}
	<!-- svelte-ignore a11y_no_static_element_interactions, a11y_click_events_have_key_events -->
	<circle
		class="grip"
		data-testid="front"
		r={reach}
		onpointerdown={drag}
		onpointermove={drag}
		data-grip
		onclick={(event) => event.stopPropagation()}
	/>
</g>

<style>
	.grip {
		fill: transparent;
		cursor: grab;
		touch-action: none;
	}
	.went {
		stroke: var(--verdigris);
		stroke-width: 0.014;
		stroke-linecap: round;
	}
</style>
