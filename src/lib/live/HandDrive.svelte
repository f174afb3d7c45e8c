<script lang="ts">
	/** Steers a robot by hand; what was driven can be kept as steps. */
	import ListPlus from '@lucide/svelte/icons/list-plus';
	import PlaneLanding from '@lucide/svelte/icons/plane-landing';
	import PlaneTakeoff from '@lucide/svelte/icons/plane-takeoff';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import { onMount } from 'svelte';
	import { flying } from '$core/devices/flying/device';
	import { lampDevice } from '$core/devices/lamp/device';
	import { patchesDevice } from '$core/devices/patches/device';
	import { pinNumbers, pins } from '$core/devices/pins/device';
	import type { Greeting } from '$core/link/frames';
	import { poseOf } from '$core/link/place';
	import { centred, ordersOf, stepsFrom, type Driven, type Sticks } from '$core/live/driving';
	import { robotKindOf } from '$core/robots/kinds';
	import { canDo } from '$core/robots/robot';
	import { t } from '$lib/i18n';
	import { robots } from '$lib/robots/robots.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import { lampColours } from '$lib/words/format';
	import SidePanel from './SidePanel.svelte';
	import Stick from './Stick.svelte';

	let { live, robot }: { live: LiveDesk; robot: Greeting } = $props();

	/** Milliseconds between two orders, at most so often as a hand can tell. */
	const orderEvery = 100;

	const kind = $derived(robotKindOf(robot.kind));
	const flies = $derived(canDo(kind, [flying]));
	const link = $derived(robots.links[robot.id]);

	let sticks = $state.raw<Sticks>(centred);
	let most = $state(0.4);
	/** How bright the patches are. */
	let shines = $state({ left: 0, right: 0 });
	let moments: Driven[] = [];
	let count = $state(0);
	let began = performance.now();

	const order = (device: string, name: string, values: Record<string, unknown>) =>
		robots.order(robot.id, { device, name, values });
	const set = (changes: Partial<Sticks>) => (sticks = { ...sticks, ...changes });

	onMount(() => {
		let last = '';
		let wasStill = true;
		const timer = setInterval(() => {
			const isStill = Object.values(sticks).every((each) => each === 0);
			const now = JSON.stringify([sticks, most]);
			// What turns by angles is asked again and again, while its stick is held.
			if (now !== last || (flies && !isStill))
				for (const { device, name, values } of ordersOf(kind, sticks, most))
					if (!isStill || !wasStill) order(device, name, values);
			last = now;
			wasStill = isStill;
			const at = link?.at;
			moments.push({ time: (performance.now() - began) / 1000, sticks, at: at && poseOf(at) });
			if (isStill) count = stepsFrom(kind, moments, most).length;
		}, orderEvery);
		return () => {
			clearInterval(timer);
			order('motion', 'stop', { isCoasting: false });
		};
	});

	const keys: Readonly<Record<string, Partial<Sticks>>> = {
		ArrowUp: { y: 1 },
		ArrowDown: { y: -1 },
		ArrowLeft: { x: -1 },
		ArrowRight: { x: 1 },
		w: { rise: 1 },
		s: { rise: -1 },
		a: { turn: -1 },
		d: { turn: 1 },
		' ': centred
	};

	function onkey(event: KeyboardEvent) {
		const target = event.target as HTMLElement;
		if (event.ctrlKey || event.metaKey || target.tagName === 'INPUT') return;
		if (event.key === ' ' && target.tagName === 'BUTTON') return;
		const asked = keys[event.key];
		if (!asked) return;
		event.preventDefault();
		if (event.type === 'keydown') set(asked);
		else set(Object.fromEntries(Object.keys(asked).map((axis) => [axis, 0])));
	}

	function begin() {
		moments = [];
		began = performance.now();
		count = 0;
	}

	function keep() {
		const steps = stepsFrom(kind, moments, most);
		live.bench.editing.addDriven(steps, t('drive.kept', { count: steps.length }));
		begin();
	}

	$effect(() => {
		if (live.halts > 0) sticks = centred;
	});

	const isOn = (number: string) => link?.sensed?.row[`pin${number}`] === true;
</script>

<svelte:window onkeydown={onkey} onkeyup={onkey} onblur={() => (sticks = centred)} />

<SidePanel title={t('drive.title', { name: robot.name })} onclose={() => (live.panel = null)}>
	<p>{t('drive.how')}</p>
	<div class="sticks">
		{#if flies}
			<Stick
				label={t('drive.second')}
				x={sticks.turn}
				y={sticks.rise}
				onpull={(turn, rise) => set({ turn, rise })}
			/>
		{/if}
		<Stick label={t('drive.stick')} x={sticks.x} y={sticks.y} onpull={(x, y) => set({ x, y })} />
	</div>
	<label>
		{t('drive.most', { percent: Math.round(most * 100) })}
		<input type="range" min="0.1" max="1" step="0.05" bind:value={most} />
	</label>
	{#if flies}
		<div class="row">
			<button class="button button-line" onclick={() => order(flying.id, 'takeOff', {})}
				><PlaneTakeoff size={18} />{t('drive.takeOff')}</button
			>
			<button class="button button-line" onclick={() => order(flying.id, 'land', {})}
				><PlaneLanding size={18} />{t('drive.land')}</button
			>
		</div>
	{/if}
	{#if canDo(kind, [lampDevice])}
		<div class="row">
			<span>{t('drive.lamp')}</span>
			{#each lampColours as [name, colour] (colour)}
				<button
					class="button button-line button-icon"
					aria-label="{t('drive.lamp')}: {t(`colour.${name}`)}"
					onclick={() =>
						order(lampDevice.id, 'shine', { side: 'both', colour, brightness: 1, period: 0 })}
					><span class="bulb" style:background={colour}></span></button
				>
			{/each}
		</div>
	{/if}
	{#if canDo(kind, [pins])}
		<fieldset>
			<legend>{t('drive.pins')}</legend>
			<div class="row">
				{#each pinNumbers as number (number)}
					<button
						class="button button-line button-icon pin"
						class:on={isOn(number)}
						aria-pressed={isOn(number)}
						aria-label={t('drive.pin', { number })}
						onclick={() => order(pins.id, 'set', { pins: [number], isOn: !isOn(number) })}
						>{number}</button
					>
				{/each}
			</div>
		</fieldset>
	{/if}
	{#if canDo(kind, [patchesDevice])}
		<fieldset>
			<legend>{t('drive.patches')}</legend>
			{#each ['left', 'right'] as const as side (side)}
				<label
					>{t('drive.patch', { side })}
					<input
						type="range"
						min="0"
						max="1"
						step="0.05"
						bind:value={shines[side]}
						oninput={() => order(patchesDevice.id, 'shine', { ...shines })}
					/></label
				>
			{/each}
		</fieldset>
	{/if}
	<p class="count" role="status">{count > 0 ? t('drive.count', { count }) : t('drive.nothing')}</p>
	<div class="row">
		<button class="button button-main" disabled={count === 0} onclick={keep}
			><ListPlus size={18} />{t('drive.keep')}</button
		>
		<button class="button button-line" disabled={count === 0} onclick={begin}
			><RotateCcw size={16} />{t('drive.again')}</button
		>
	</div>
</SidePanel>

<style>
	.sticks {
		display: flex;
		gap: 0.8rem;
		justify-content: center;
	}
	label {
		display: grid;
		font-variant-numeric: tabular-nums;
	}
	input[type='range'] {
		width: 100%;
		min-height: 2rem;
		accent-color: var(--verdigris);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	.bulb {
		width: 1.2rem;
		height: 1.2rem;
		border: 1px solid var(--ink);
		border-radius: 50%;
	}
	.pin.on {
		border-color: var(--lamp);
		background: var(--lamp-soft);
		font-weight: 700;
	}
	.count {
		color: var(--ink-soft);
	}
</style>
