<script lang="ts">
	/**
	 * Lines up a robot: its drawing on the start mark is turned until it points as the robot does. One
	 * whose front nobody sees goes a hand's width and comes back first, and the person says which way
	 * that was. On the floor it is turned by dragging and tapping, here by two keys and a number.
	 */
	import MoveUp from '@lucide/svelte/icons/move-up';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import RotateCw from '@lucide/svelte/icons/rotate-cw';
	import type { Greeting } from '$core/link/frames';
	import { t } from '$lib/i18n';
	import { untrack } from 'svelte';
	import { robotKindOf } from '$core/robots/kinds';
	import { robots } from '$lib/robots/robots.svelte';
	import { isTyping } from '$lib/ui/typing';
	import type { LiveDesk } from './live-desk.svelte';
	import SidePanel from './SidePanel.svelte';

	let { live, robot }: { live: LiveDesk; robot: Greeting } = $props();

	/** Part of the top speed, and milliseconds of way and of rest between. */
	const speed = 0.25;
	const goes = 700;
	const rests = 500;
	/** Degrees of a fine turn of the robot, and of a press here. */
	const fine = 3;
	const press = 5;

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

	const keys: Readonly<Record<string, number>> = { ArrowLeft: -press, ArrowRight: press };
	function onkeydown(event: KeyboardEvent) {
		const degrees = keys[event.key];
		if (degrees === undefined || isTyping(event.target)) return;
		event.preventDefault();
		live.lining.turnFront(degrees);
	}
</script>

<SidePanel
	title={t('lineUp.title', { name: robot.name })}
	onclose={() => live.lining.end()}
	{onkeydown}
>
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
		<div class="turns">
			<button
				class="button button-line button-icon"
				aria-label={t('lineUp.less')}
				title={t('lineUp.less')}
				onclick={() => live.lining.turnFront(-press)}><RotateCcw size={18} /></button
			>
			<label>
				{t(isRound ? 'lineUp.which' : 'lineUp.front')}
				<input
					class="field"
					type="number"
					min="0"
					max="359"
					step="1"
					value={live.lining.went}
					onchange={(event) => live.lining.setFront(event.currentTarget.valueAsNumber)}
				/>°
			</label>
			<button
				class="button button-line button-icon"
				aria-label={t('lineUp.more')}
				title={t('lineUp.more')}
				onclick={() => live.lining.turnFront(press)}><RotateCw size={18} /></button
			>
			<button class="button button-main" onclick={() => live.finishLining(robot)}
				>{t('lineUp.done')}</button
			>
		</div>
		{#if robot.devices.includes('turning')}
			<div class="fine">
				{t('lineUp.turn')}
				<button class="button button-plain" onclick={() => turn(fine)}>{t('lineUp.left')}</button>
				<button class="button button-plain" onclick={() => turn(-fine)}>{t('lineUp.right')}</button>
			</div>
		{/if}
	{/if}
</SidePanel>

<style>
	.turns,
	.fine,
	label {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem;
	}
	.fine {
		color: var(--ink-soft);
	}
	input {
		width: 5.5rem;
		font-variant-numeric: tabular-nums;
	}
	.turns .button-main {
		margin-left: auto;
	}
</style>
