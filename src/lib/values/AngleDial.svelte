<script lang="ts">
	/** A dial for an angle, snapping at 15 degrees; any other number can be typed beside it. */
	import { t } from '$lib/i18n';

	let {
		angle,
		isTurn,
		onset
	}: {
		angle: number;
		/** Straight up is a whole turn, not none. */
		isTurn: boolean;
		onset: (angle: number) => void;
	} = $props();

	const snap = 15;
	const quick = $derived([45, 90, 180, isTurn ? 360 : 0]);
	let dial: SVGSVGElement;

	const shown = $derived(((angle % 360) + 360) % 360);
	const hand = $derived(((shown - 90) * Math.PI) / 180);
	const tip = $derived({ x: 42 * Math.cos(hand), y: 42 * Math.sin(hand) });
	const sweep = $derived(
		`M0-42A42 42 0 ${shown > 180 ? 1 : 0} 1 ${tip.x.toFixed(2)} ${tip.y.toFixed(2)}`
	);

	function point(event: PointerEvent) {
		const box = dial.getBoundingClientRect();
		const x = event.clientX - box.left - box.width / 2;
		const y = event.clientY - box.top - box.height / 2;
		const pointed = (Math.atan2(y, x) * 180) / Math.PI + 90;
		const snapped = Math.round(((pointed + 360) % 360) / snap) * snap;
		onset(snapped === 0 && isTurn ? 360 : snapped % 360);
	}
</script>

<div class="dial">
	<svg
		bind:this={dial}
		viewBox="-56 -56 112 112"
		width="132"
		height="132"
		role="img"
		aria-label={t('value.dial')}
		onpointerdown={(event) => {
			event.currentTarget.setPointerCapture(event.pointerId);
			point(event);
		}}
		onpointermove={(event) => event.buttons && point(event)}
	>
		<circle r="50" class="face" />
		{#each { length: 24 }, index (index)}
			<line y1="-50" y2={index % 6 === 0 ? -42 : -46} transform="rotate({index * 15})" />
		{/each}
		<path d={sweep} class="sweep" />
		<path d="M0 0 {tip.x} {tip.y}" class="hand" />
		<circle cx={tip.x} cy={tip.y} r="6" class="tip" />
	</svg>
	<div class="quick">
		{#each quick as value (value)}
			<button class="button button-line" aria-pressed={value === angle} onclick={() => onset(value)}
				>{value}°</button
			>
		{/each}
	</div>
</div>

<style>
	.dial {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 0.5rem;
		margin-top: 0.6rem;
	}
	svg {
		touch-action: none;
		cursor: pointer;
	}
	.face {
		fill: var(--paper-deep);
		stroke: var(--line);
		stroke-width: 1.5;
	}
	line {
		stroke: var(--mist);
		stroke-width: 1.2;
	}
	.sweep {
		fill: none;
		stroke: var(--verdigris);
		stroke-width: 3;
	}
	.hand {
		stroke: var(--verdigris);
		stroke-width: 2;
	}
	.tip {
		fill: var(--verdigris);
	}
	.quick {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.35rem;
	}
	.quick .button {
		padding: 0 0.5rem;
	}
</style>
