<script lang="ts">
	/** How high what flies is, beside the floor: a scale from the floor up, with what stands on the course. */
	import { type Course } from '$core/course/course';
	import { t } from '$lib/i18n';
	import { topOfCrate } from '$core/course/parts/crates';
	import { topOfWall } from '$core/course/parts/walls';

	let {
		course,
		flyers
	}: {
		course: Course;
		flyers: readonly { readonly id: string; readonly name: string; readonly height: number }[];
	} = $props();

	/** Pixels. */
	const high = 190;
	const wide = 88;
	const pad = 12;
	const tops = $derived([
		...new Set([...course.walls.map(topOfWall), ...course.crates.map(topOfCrate)])
	]);
	/** Metres at the top: a bit more than anything there is, at least this. */
	const top = $derived(
		Math.min(
			course.ceiling,
			Math.max(1.5, ...flyers.map(({ height }) => height + 0.2), ...tops.map((one) => one + 0.2))
		)
	);
	const gates = $derived([...new Set(course.gates.map(({ height }) => height))]);
	const at = (metres: number) => high - pad - (metres / top) * (high - 2 * pad);
	const marks = $derived(Array.from({ length: Math.floor(top / 0.5) + 1 }, (_, i) => i / 2));
	const words = $derived(
		flyers
			.map(({ name, height }) => t('floor.height', { name, centimetres: height * 100 }))
			.join(' ')
	);
</script>

<div class="strip" data-testid="heights">
	<svg width={wide} height={high} role="img" aria-label={words}>
		{#each tops as height (height)}
			<rect class="stands" x="46" width="16" y={at(height)} height={at(0) - at(height)} />
		{/each}
		{#each gates as height (height)}
			<ellipse class="gate" cx="54" cy={at(height)} rx="8" ry="4" />
		{/each}
		<line class="axis" x1="44" x2="44" y1={at(top)} y2={at(0)} />
		{#each marks as metres (metres)}
			<line class="axis" x1="40" x2="44" y1={at(metres)} y2={at(metres)} />
			<text x="37" y={at(metres) + 4}>{t('floor.metres', { metres })}</text>
		{/each}
		<line class="ground" x1="40" x2={wide - 4} y1={at(0)} y2={at(0)} />
		{#each flyers as { id, height } (id)}
			<g class="flyer" transform="translate(70,{at(height)})">
				<line x1="-26" x2="0" y1="0" y2="0" />
				<path d="M-9-3h18M-7-3v-3h-3M7-3v-3h3M-4 0h8v-3h-8z" />
			</g>
		{/each}
	</svg>
	<p aria-hidden="true">
		{#each flyers as { id, height } (id)}<span
				>{t('floor.heightShort', { centimetres: height * 100 })}</span
			>{/each}
	</p>
</div>

<style>
	.strip {
		position: absolute;
		right: 0.75rem;
		top: 50%;
		transform: translateY(-58%);
		padding: 0.2rem 0.2rem 0.1rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		background: color-mix(in oklch, var(--tag) 88%, transparent);
		pointer-events: none;
	}
	svg {
		display: block;
	}
	text {
		fill: var(--ink-soft);
		font-size: 11px;
		text-anchor: end;
		font-variant-numeric: tabular-nums;
	}
	p {
		text-align: center;
		font-size: 0.8rem;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
	.axis {
		stroke: var(--mist);
	}
	.ground {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.stands {
		fill: var(--wall);
		opacity: 0.45;
	}
	.gate {
		fill: none;
		stroke: var(--lamp-text);
		stroke-width: 2;
	}
	.flyer line {
		stroke: var(--trace);
		stroke-dasharray: 3 2;
	}
	.flyer path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
	@media (max-width: 560px) {
		.strip {
			top: 3.5rem;
			transform: scale(0.8);
			transform-origin: top right;
		}
	}
</style>
