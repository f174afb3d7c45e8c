<script lang="ts">
	/**
	 * Lines up a robot whose front nobody sees: it goes a hand's width and comes back, and the person
	 * says which way that was.
	 */
	import { MoveUp, RotateCcw, RotateCw } from '@lucide/svelte';
	import type { Greeting } from '$core/link/frames';
	import { t } from '$lib/i18n';
	import { untrack } from 'svelte';
	import { robotKindOf } from '$core/robots/kinds';
	import RobotDrawing from '$lib/floor/RobotDrawing.svelte';
	import { robots } from '$lib/robots/robots.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import SidePanel from './SidePanel.svelte';

	let { live, robot }: { live: LiveDesk; robot: Greeting } = $props();

	/** Part of the top speed, and milliseconds of way and of rest between. */
	const speed = 0.25;
	const goes = 700;
	const rests = 500;
	/** Degrees of a fine turn. */
	const fine = 3;
	/** Half of the dial, pixels. */
	const radius = 84;

	const ticks = Array.from({ length: 24 }, (_, index) => index * 15);

	let isGoing = $state(false);
	/** Whoever sees its front only turns the drawing. */
	const isRound = $derived(robotKindOf(robot.kind).isRound === true);
	let hasGone = $state(untrack(() => !isRound));

	const wait = (time: number) => new Promise((done) => setTimeout(done, time));
	const start = (power: number) =>
		robots.order(robot.id, { device: 'motion', name: 'start', values: { speed: power } });
	const stop = () =>
		robots.order(robot.id, { device: 'motion', name: 'stop', values: { isCoasting: false } });

	async function go() {
		isGoing = true;
		for (const power of [speed, -speed]) {
			start(power);
			await wait(goes);
			stop();
			await wait(rests);
		}
		isGoing = false;
		hasGone = true;
	}

	const turn = (angle: number) =>
		robots.order(robot.id, {
			device: 'turning',
			name: 'turn',
			values: { angle: (angle * Math.PI) / 180 }
		});

	/** The bearing of a place on the dial. */
	function point(event: PointerEvent & { currentTarget: SVGSVGElement }) {
		if (event.type === 'pointermove' && event.buttons === 0) return;
		const box = event.currentTarget.getBoundingClientRect();
		const x = event.clientX - box.left - box.width / 2;
		const y = event.clientY - box.top - box.height / 2;
		live.went = Math.round((Math.atan2(x, -y) * 180) / Math.PI + 360) % 360;
	}

	const turnDial = (degrees: number) => (live.went = (live.went + degrees + 360) % 360);
	const keys: Readonly<Record<string, number>> = {
		ArrowRight: 5,
		ArrowUp: 5,
		ArrowLeft: -5,
		ArrowDown: -5,
		PageUp: 45,
		PageDown: -45
	};

	function onkeydown(event: KeyboardEvent) {
		const degrees = keys[event.key];
		if (degrees === undefined) return;
		event.preventDefault();
		turnDial(degrees);
	}
</script>

<SidePanel title={t('lineUp.title', { name: robot.name })} onclose={() => (live.lining = null)}>
	<p>{t(isRound ? 'lineUp.how' : 'lineUp.drawing', { name: robot.name })}</p>
	{#if isRound}
		<button
			class="button {hasGone ? 'button-line' : 'button-main'}"
			disabled={isGoing}
			onclick={() => void go()}
			><MoveUp size={18} />{t(isGoing ? 'lineUp.going' : 'lineUp.go')}</button
		>
	{/if}
	{#if hasGone}
		{#if isRound}<p class="which">{t('lineUp.which')}</p>{/if}
		<svg
			viewBox="-100 -100 200 200"
			role="slider"
			tabindex="0"
			aria-label={t('lineUp.dial')}
			aria-valuemin="0"
			aria-valuemax="359"
			aria-valuenow={live.went}
			{onkeydown}
			onpointerdown={point}
			onpointermove={point}
		>
			<circle class="face" r={radius} />
			{#each ticks as degrees (degrees)}
				<line
					class="tick"
					y1={-radius}
					y2={-radius + (degrees % 90 === 0 ? 14 : 7)}
					transform="rotate({degrees})"
				/>
			{/each}
			<g transform="rotate({live.went})">
				{#if !isRound}<g transform="rotate(-90) scale(520 -520)"
						><RobotDrawing kind={robot.kind} columns={{}} /></g
					>{/if}
				{#if isRound}<path class="arrow" d="M0 {-radius + 18}L14 -20H5V34H-5V-20H-14Z" />{/if}
			</g>
		</svg>
		<p class="figure">{live.went}°</p>
		<div class="fine">
			<button class="button button-line" onclick={() => turn(fine)}
				><RotateCcw size={18} />{t('lineUp.left')}</button
			>
			<button class="button button-line" onclick={() => turn(-fine)}
				><RotateCw size={18} />{t('lineUp.right')}</button
			>
		</div>
		<button class="button button-main" onclick={() => live.finishLining(robot)}
			>{t('lineUp.done')}</button
		>
	{/if}
</SidePanel>

<style>
	.which {
		font-weight: 600;
	}
	svg {
		justify-self: center;
		width: 12rem;
		border-radius: 50%;
		cursor: crosshair;
		touch-action: none;
	}
	.face {
		fill: var(--chart);
		stroke: var(--mist);
	}
	.tick {
		stroke: var(--mist);
	}
	.arrow {
		fill: var(--verdigris);
	}
	.figure {
		text-align: center;
		font-variant-numeric: tabular-nums;
	}
	.fine {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.4rem;
	}
</style>
