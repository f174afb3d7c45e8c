<script lang="ts">
	/** What the end of a leg is pulled by, and the ghost of the way that would be. Metres. */
	import type { PullGoal } from '$core/analysis/nudge';
	import type { RecordedPose, TrialSummary } from '$core/simulation/attempt';
	import { degrees } from '$core/units/angles';
	import { lineOfPath } from './view';

	let {
		end,
		goal,
		isDirection,
		ghost,
		said,
		label,
		isOutOfReach,
		scale,
		toMetres,
		onpull,
		onmove,
		ontake,
		ondrop
	}: {
		/** Where the leg ends now. */
		end: RecordedPose;
		/** Where it is pulled to. */
		goal: PullGoal | null;
		/** Only the direction can be pulled. */
		isDirection: boolean;
		/** The whole way of each robot, with the numbers that follow. */
		ghost: TrialSummary['ends'] | null;
		/** The numbers that it comes to. */
		said: string;
		/** What it is, for whoever does not see it. */
		label: string;
		isOutOfReach: boolean;
		/** Pixels a metre. */
		scale: number;
		toMetres: (event: { clientX: number; clientY: number }) => readonly [number, number];
		onpull: (goal: PullGoal) => void;
		/** Metres east and north, and radians to the left. */
		onmove: (east: number, north: number, left: number) => void;
		ontake: () => void;
		ondrop: () => void;
	} = $props();

	/** Pixels from the robot to what its direction is pulled by. */
	const arm = 74;
	const pixel = $derived(1 / scale);
	const heading = $derived(goal && 'heading' in goal ? goal.heading : end.heading);
	const at = $derived.by(() => {
		if (isDirection)
			return {
				x: end.x + arm * pixel * Math.cos(heading),
				y: end.y + arm * pixel * Math.sin(heading)
			};
		return goal && 'x' in goal ? goal : end;
	});

	/** Pixels between the finger and what it holds. */
	let held = { x: 0, y: 0 };

	function hold(event: PointerEvent & { currentTarget: SVGElement }) {
		event.currentTarget.setPointerCapture(event.pointerId);
		const [x, y] = toMetres(event);
		held = { x: at.x - x, y: at.y - y };
	}

	function pull(event: PointerEvent & { currentTarget: SVGElement }) {
		if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
		const [x, y] = toMetres(event);
		if (isDirection) onpull({ heading: Math.atan2(y + held.y - end.y, x + held.x - end.x) });
		else onpull({ x: x + held.x, y: y + held.y });
	}

	const ways: Readonly<Record<string, readonly [number, number]>> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, 1],
		ArrowDown: [0, -1]
	};

	function onkeydown(event: KeyboardEvent) {
		const way = ways[event.key];
		if (way) {
			const step = event.shiftKey ? 0.001 : 0.01;
			onmove(way[0] * step, way[1] * step, -(way[0] || -way[1]) * (Math.PI / 180));
		} else if (event.key === 'Enter') ontake();
		else if (event.key === 'Escape') ondrop();
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

{#if ghost && goal}
	<g data-testid="nudged">
		{#each ghost as { id, path } (id)}
			{#if path}<polyline
					class="ghost"
					points={lineOfPath(path)}
					stroke-width={2.2 * pixel}
					stroke-dasharray="{6 * pixel} {4 * pixel}"
				/>{/if}
		{/each}
	</g>
{/if}
{#if isDirection}
	<line class="arm" x1={end.x} y1={end.y} x2={at.x} y2={at.y} stroke-width={2 * pixel} />
{/if}
<g transform="translate({at.x},{at.y}) scale({pixel},{-pixel})">
	<g
		class="grip"
		class:pulled={goal}
		class:far={isOutOfReach}
		role="slider"
		tabindex="0"
		aria-label={label}
		aria-valuenow={Math.round(degrees(heading))}
		aria-valuetext={said || label}
		data-testid="nudge-grip"
		data-grip
		onpointerdown={hold}
		onpointermove={pull}
		onpointerup={ontake}
		onpointercancel={ondrop}
		onclick={(event) => event.stopPropagation()}
		{onkeydown}
	>
		<circle class="touch" r="22" />
		<circle class="ring" r="11" />
		<path d="M-5 0H5M0-5V5" />
	</g>
	{#if said && goal}
		<text y="-24" text-anchor="middle">{said}</text>
	{/if}
</g>

<style>
	.ghost {
		fill: none;
		stroke: var(--verdigris);
		stroke-linejoin: round;
	}
	.arm {
		stroke: var(--verdigris);
		stroke-dasharray: 0.02 0.015;
	}
	.grip {
		cursor: grab;
		touch-action: none;
		outline: none;
	}
	.touch {
		fill: transparent;
	}
	.ring {
		fill: color-mix(in oklch, var(--tag) 82%, transparent);
		stroke: var(--verdigris);
		stroke-width: 3;
	}
	.grip path {
		stroke: var(--verdigris);
		stroke-width: 2;
	}
	.grip:focus-visible .touch {
		stroke: var(--focus, var(--ink));
		stroke-width: 2.5;
	}
	.pulled .ring {
		fill: var(--lamp-soft);
	}
	.far .ring {
		stroke: var(--signal);
		stroke-dasharray: 4 3;
	}
	text {
		fill: var(--ink);
		stroke: var(--paper);
		stroke-width: 4px;
		paint-order: stroke;
		font-size: 14px;
		font-weight: 600;
	}
</style>
