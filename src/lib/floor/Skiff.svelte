<script lang="ts">
	/** The two-wheel car from above, at its true size; its front points along +x. Metres. */
	import { skiff } from '$core/robots/skiff/skiff';

	let { leftLamp, rightLamp }: { leftLamp: number; rightLamp: number } = $props();

	const glowOf = (lamp: number) => (lamp === 0 ? null : `#${lamp.toString(16).padStart(6, '0')}`);
	const lamps = $derived([
		{ side: 'left', y: 0.024, glow: glowOf(leftLamp) },
		{ side: 'right', y: -0.024, glow: glowOf(rightLamp) }
	]);
	const hull = skiff.outline.map((point) => point.join(',')).join(' ');
</script>

<g>
	{#each lamps as { side, y, glow } (side)}
		{#if glow}
			<circle cx="0.02" cy={y * 1.6} r="0.13" fill={glow} opacity="0.16" />
			<circle cx="0.02" cy={y * 1.6} r="0.085" fill={glow} opacity="0.26" />
		{/if}
	{/each}
	<rect class="wheel" x="-0.028" y="0.047" width="0.056" height="0.018" rx="0.005" />
	<rect class="wheel" x="-0.028" y="-0.065" width="0.056" height="0.018" rx="0.005" />
	<polygon class="hull" points={hull} />
	<path class="deck" d="M-.058-.036h.09l.026.02v.032l-.026.02h-.09z" />
	<path class="bow" d="M.056-.018.073 0 .056.018" />
	{#each lamps as { side, y, glow } (side)}
		<circle class="socket" cx="0.012" cy={y} r="0.021" />
		<circle class="bulb" cx="0.012" cy={y} r="0.0145" fill={glow ?? 'var(--paper-deep)'} />
	{/each}
</g>

<style>
	.hull {
		fill: light-dark(oklch(0.42 0.06 255), oklch(0.62 0.045 250));
		stroke: var(--ink);
		stroke-width: 0.003;
	}
	.deck {
		fill: light-dark(oklch(0.52 0.06 250), oklch(0.72 0.04 245));
	}
	.wheel {
		fill: light-dark(oklch(0.2 0.03 258), oklch(0.1 0.02 258));
	}
	.bow {
		fill: none;
		stroke: light-dark(oklch(0.97 0.01 85), oklch(0.16 0.03 258));
		stroke-width: 0.007;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.socket {
		fill: light-dark(oklch(0.25 0.045 258), oklch(0.22 0.03 258));
	}
	.bulb {
		stroke: light-dark(oklch(0.97 0.01 85), oklch(0.9 0.01 85));
		stroke-width: 0.003;
	}
</style>
