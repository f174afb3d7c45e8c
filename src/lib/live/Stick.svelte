<script lang="ts">
	/** A stick on the screen: it is pulled from its middle, and goes back there when it is let go. */
	let {
		label,
		x,
		y,
		onpull
	}: { label: string; x: number; y: number; onpull: (x: number, y: number) => void } = $props();

	/** Of the gate and of the knob, in a drawing 200 wide. */
	const gate = 62;

	function pull(event: PointerEvent & { currentTarget: SVGSVGElement }) {
		const { currentTarget: svg } = event;
		if (event.type === 'pointerdown') svg.setPointerCapture(event.pointerId);
		else if (!svg.hasPointerCapture(event.pointerId)) return;
		const box = svg.getBoundingClientRect();
		const reach = (box.width * gate) / 200;
		const right = (event.clientX - box.left - box.width / 2) / reach;
		const ahead = (box.top + box.height / 2 - event.clientY) / reach;
		const far = Math.max(1, Math.hypot(right, ahead));
		onpull(right / far, ahead / far);
	}
</script>

<svg
	viewBox="-100 -100 200 200"
	role="img"
	aria-label={label}
	onpointerdown={pull}
	onpointermove={pull}
	onpointerup={() => onpull(0, 0)}
	onpointercancel={() => onpull(0, 0)}
>
	<circle class="gate" r="96" />
	<path class="mark" d="M0 -88l8 12h-16zM0 88l8 -12h-16zM88 0l-12 8v-16zM-88 0l12 8v-16z" />
	<line class="shaft" x2={x * gate} y2={-y * gate} />
	<circle class="knob" cx={x * gate} cy={-y * gate} r="32" />
</svg>

<style>
	svg {
		width: 100%;
		max-width: 11rem;
		border-radius: 50%;
		cursor: grab;
		touch-action: none;
	}
	.gate {
		fill: var(--tag);
		stroke: var(--mist);
	}
	.mark {
		fill: var(--mist);
	}
	.shaft {
		stroke: var(--ink-soft);
		stroke-width: 12;
		stroke-linecap: round;
	}
	.knob {
		fill: var(--verdigris);
		stroke: var(--ink);
		stroke-width: 2;
	}
</style>
