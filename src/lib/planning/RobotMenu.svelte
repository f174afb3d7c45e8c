<script lang="ts">
	/** The robot that the plan is for: its state, and the way to its settings. */
	import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';
	import BatteryMedium from '@lucide/svelte/icons/battery-medium';
	import Radio from '@lucide/svelte/icons/radio';
	import { colourCode } from '$core/colours';
	import { robotKindOf } from '$core/robots/kinds';
	import { t } from '$lib/i18n';
	import Lamps from '$lib/ui/Lamps.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let { bench }: { bench: Workbench } = $props();

	let isOpen = $state(false);
	/** What opened in its place has the focus: the button must not take it back, a frame later. */
	let isReplaced = $state(false);
	const robot = $derived(bench.robot);
	const kind = $derived(robotKindOf(robot.kind));
	const sample = $derived(bench.player.sample);
	/** The real robot that does it, if one does. */
	const real = $derived(bench.live?.realOf(robot.id));
	const charge = $derived(real ? real.battery : sample?.columns.battery);
	const source = $derived(t(real ? 'bench.measured' : 'bench.modelled'));
	const battery = $derived(charge === undefined ? null : Math.round(charge * 100));
	const lamps = $derived(
		kind.columns
			.filter(({ unit }) => unit === 'colour')
			.map(({ name }) => sample?.columns[name] ?? 0)
	);
	const kindWord = $derived(t(`bench.kind.${robot.kind}`));
</script>

<Popover
	open={isOpen}
	onOpenChange={({ open }) => {
		isOpen = open;
		isReplaced = false;
	}}
	restoreFocus={!isReplaced}
	positioning={{ placement: 'bottom', gutter: 6, overflowPadding: 8 }}
>
	<Popover.Trigger
		class="button button-plain robot"
		aria-label={t('bench.robotMenu', { name: robot.name, kind: kindWord })}
	>
		<span class="lamps" aria-hidden="true">
			{#each lamps as lamp, index (index)}
				<span class="lamp" class:lit={lamp !== 0} style:--glow={colourCode(lamp)}></span>
			{/each}
		</span>
		{#if sample?.picture}
			<svg class="lamps grid" viewBox="-0.5 -0.5 9 9" aria-hidden="true"
				><Lamps picture={sample.picture} /></svg
			>
		{/if}
		{#if real}<Radio size={16} aria-hidden="true" />{/if}
		<span class="robot-name">{t('bench.robot', { name: robot.name, kind: kindWord })}</span>
		{#if battery !== null}
			<span class="battery" title="{t('bench.battery', { percent: battery })}, {source}"
				><BatteryMedium size={18} aria-hidden="true" /><span class="sr-only-live"
					>{t('bench.battery', { percent: battery })}, {source}</span
				><span aria-hidden="true">{battery} %</span></span
			>
		{/if}
	</Popover.Trigger>
	<Portal>
		<Popover.Positioner>
			<Popover.Content
				class="panel robot-panel"
				aria-label={t('bench.robot', { name: robot.name, kind: kindWord })}
			>
				{#if isOpen}
					{#await import('./RobotPanel.svelte') then { default: RobotPanel }}
						<RobotPanel
							{bench}
							onleave={(takesFocus) => {
								isOpen = false;
								isReplaced = takesFocus;
							}}
						/>
					{/await}
				{/if}
			</Popover.Content>
		</Popover.Positioner>
	</Portal>
</Popover>

<style>
	:global(.robot) {
		flex: none;
		gap: 0.4rem;
		padding: 0 0.4rem;
		font-size: 0.88rem;
		font-weight: 450;
		white-space: nowrap;
	}
	.lamps {
		display: inline-flex;
		gap: 2px;
	}
	.grid {
		width: 2rem;
		border-radius: 0.3rem;
		background: oklch(0.2 0.03 258);
	}
	.lamp {
		width: 0.7rem;
		height: 0.7rem;
		border: 1.5px solid var(--mist);
		border-radius: 50%;
	}
	.lamp.lit {
		background: var(--glow);
		box-shadow: 0 0 8px 2px color-mix(in oklch, var(--glow) 70%, transparent);
	}
	.battery {
		display: inline-flex;
		align-items: center;
		gap: 0.15rem;
		min-width: 4.1rem;
		color: var(--ink-soft);
		font-variant-numeric: tabular-nums;
	}
	:global(.robot-panel) {
		z-index: 40;
		width: min(21rem, calc(100vw - 1rem));
		padding: 0.9rem;
	}
	@media (max-width: 1180px) {
		.robot-name {
			display: none;
		}
	}
</style>
