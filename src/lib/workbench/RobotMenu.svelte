<script lang="ts">
	/** The robot that the plan is for: its state, and its settings. */
	import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';
	import { BatteryMedium, Minus, Plus } from '@lucide/svelte';
	import { maximumRobots, type PlanRobot } from '$core/plan/plan';
	import type { RobotKind } from '$core/robots/robot';
	import type { Value } from '$core/steps/definition';
	import { robotKindOf, robotKinds } from '$core/robots/kinds';
	import { sampleRobot } from '$core/robots/robot-document';
	import { hasMessage, t } from '$lib/i18n';
	import SettingField from './SettingField.svelte';
	import type { Workbench } from './workbench.svelte';

	let { bench }: { bench: Workbench } = $props();

	const robot = $derived(bench.robot);
	const crew = $derived(bench.plan.robots);
	const kind = $derived(robotKindOf(robot.kind));
	const sample = $derived(bench.player.sample);
	const charge = $derived(sample?.columns.battery);
	const battery = $derived(charge === undefined ? null : Math.round(charge * 100));
	const glow = (lamp: number) => `#${lamp.toString(16).padStart(6, '0')}`;
	const lamps = $derived(
		kind.columns
			.filter(({ unit }) => unit === 'colour')
			.map(({ name }) => sample?.columns[name] ?? 0)
	);
	const optionWord = (option: string) => {
		const key = `setting.${robot.kind}.option.${option}`;
		return hasMessage(key) ? t(key) : option;
	};
	const kindWord = $derived(t(`bench.kind.${robot.kind}`));

	function change(changes: Partial<PlanRobot>) {
		const next = { ...robot, ...changes };
		if (next.name.trim()) bench.setRobot(next);
	}

	/** Settings that the new kind does not have are those of a new robot of it. */
	function changeKind(next: RobotKind) {
		const isSame = Object.keys(next.settings).join() === Object.keys(kind.settings).join();
		change({ kind: next.kind, ...(!isSame && { settings: sampleRobot(next).settings }) });
	}

	/** Of settings that may not be the same, the other one takes what this one had. */
	function set(name: string, value: Value) {
		const { distinct = [] } = kind;
		const other = distinct.includes(name)
			? distinct.find((other) => other !== name && robot.settings[other] === value)
			: undefined;
		const swapped = other ? { [other]: robot.settings[name]! } : {};
		change({ settings: { ...robot.settings, ...swapped, [name]: value } });
	}
</script>

<Popover positioning={{ placement: 'bottom', gutter: 6, overflowPadding: 8 }}>
	<Popover.Trigger
		class="button button-plain robot"
		aria-label={t('bench.robotMenu', { name: robot.name, kind: kindWord })}
	>
		<span class="lamps" aria-hidden="true">
			{#each lamps as lamp, index (index)}
				<span class="lamp" class:lit={lamp !== 0} style:--glow={glow(lamp)}></span>
			{/each}
		</span>
		<span class="robot-name">{t('bench.robot', { name: robot.name, kind: kindWord })}</span>
		{#if battery !== null}
			<span
				class="battery"
				title="{t('bench.battery', { percent: battery })}, {t('bench.modelled')}"
				><BatteryMedium size={18} aria-hidden="true" /><span class="sr-only-live"
					>{t('bench.battery', { percent: battery })}, {t('bench.modelled')}</span
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
				{#if crew.length > 1}
					<fieldset class="crew">
						<legend>{t('bench.crew')}</legend>
						{#each crew as { id, name } (id)}
							<label class="member">
								<input
									type="radio"
									name="crew"
									checked={id === robot.id}
									onchange={() => bench.show(id)}
								/>{name}
							</label>
						{/each}
					</fieldset>
				{/if}
				<label>
					{t('bench.robotName')}
					<input
						class="field"
						value={robot.name}
						maxlength="80"
						onchange={(event) => change({ name: event.currentTarget.value })}
					/>
				</label>
				<fieldset>
					<legend>{t('bench.robotKind')}</legend>
					{#each robotKinds as one (one.kind)}
						<label class="kind">
							<input
								type="radio"
								name="robot-kind"
								value={one.kind}
								checked={robot.kind === one.kind}
								onchange={() => changeKind(one)}
							/>
							<span
								><strong>{t(`bench.kind.${one.kind}`)}</strong>
								{#if robot.kind === one.kind}{t(`bench.kind.${one.kind}.explain`)}{/if}</span
							>
						</label>
					{/each}
				</fieldset>
				{#if Object.keys(kind.settings).length > 0}
					<fieldset>
						<legend>{t(`bench.kind.${robot.kind}.settings`)}</legend>
						<div class="settings">
							{#each Object.entries(kind.settings) as [name, setting] (name)}
								<SettingField
									label={t(`setting.${robot.kind}.${name}`)}
									{optionWord}
									definition={setting}
									value={robot.settings[name] ?? setting.initial}
									onset={(value) => set(name, value)}
								/>
							{/each}
						</div>
					</fieldset>
				{/if}
				<div class="hands">
					<button
						class="button button-line"
						disabled={crew.length >= maximumRobots}
						onclick={() => bench.addRobot()}><Plus size={16} />{t('bench.addRobot')}</button
					>
					{#if crew.length > 1}
						<button class="button button-line" onclick={() => bench.removeRobot(robot)}
							><Minus size={16} />{t('bench.removeRobot', { name: robot.name })}</button
						>
					{/if}
				</div>
			</Popover.Content>
		</Popover.Positioner>
	</Portal>
</Popover>

<style>
	:global(.robot) {
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
	label {
		display: block;
	}
	.field {
		width: 100%;
		margin-top: 0.2rem;
	}
	fieldset {
		margin-top: 0.8rem;
	}
	legend {
		font-weight: 600;
	}
	.kind {
		display: flex;
		align-items: flex-start;
		gap: 0.5rem;
		min-height: 2.75rem;
		padding: 0.35rem 0;
	}
	.kind input {
		margin-top: 0.3rem;
	}
	.crew {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0.9rem;
		margin: 0 0 0.7rem;
	}
	.member {
		display: flex;
		align-items: center;
		gap: 0.4rem;
		min-height: 2.75rem;
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-top: 0.9rem;
	}
	.settings {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.6rem;
		margin-top: 0.3rem;
	}
	@media (max-width: 1180px) {
		.robot-name {
			display: none;
		}
	}
</style>
