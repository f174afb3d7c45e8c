<script lang="ts">
	/** The settings of a robot of the plan, the other robots of it, and the way to real ones. */
	import Gamepad2 from '@lucide/svelte/icons/gamepad-2';
	import HardDriveDownload from '@lucide/svelte/icons/hard-drive-download';
	import History from '@lucide/svelte/icons/history';
	import LayoutGrid from '@lucide/svelte/icons/layout-grid';
	import Minus from '@lucide/svelte/icons/minus';
	import Plus from '@lucide/svelte/icons/plus';
	import Radio from '@lucide/svelte/icons/radio';
	import { maximumRobots, type PlanRobot } from '$core/plan/plan';
	import type { RobotKind } from '$core/robots/robot';
	import type { Value } from '$core/steps/definition';
	import { robotKindOf, robotKinds } from '$core/robots/kinds';
	import { sampleRobot } from '$core/robots/robot-document';
	import { hasMessage, t } from '$lib/i18n';
	import type { LiveDesk } from '$lib/live/live-desk.svelte';
	import { hasRun } from '$lib/robots/held';
	import SettingField from './SettingField.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let {
		bench,
		onleave
	}: {
		bench: Workbench;
		/** Something else opens. @param takesFocus it has the focus from then on */
		onleave: (takesFocus: boolean) => void;
	} = $props();

	const robot = $derived(bench.robot);
	const crew = $derived(bench.plan.robots);
	const kind = $derived(robotKindOf(robot.kind));
	/**
	 * Opens something that has to do with real robots, in place of this.
	 *
	 * @param isPanel it keeps the focus; a dialog gives it back to where it was
	 */
	async function goTo(open: (live: LiveDesk) => void, isPanel = true) {
		onleave(isPanel);
		open(await bench.openLive());
	}
	function openRuns() {
		onleave(false);
		void bench.leaves.openAttempts('runs');
	}
	/** Asked again when a run begins or ends. */
	const hasRuns = $derived(!bench.runs.isLive && hasRun(bench.saver.id));
	const optionWord = (option: string) => {
		const key = `setting.${robot.kind}.option.${option}`;
		return hasMessage(key) ? t(key) : option;
	};
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
	<button class="button button-line" onclick={() => goTo((live) => live.choose(), false)}
		><Radio size={16} />{t('bench.robotsNear')}</button
	>
	<button class="button button-line" onclick={() => goTo((live) => (live.panel = 'board'))}
		><LayoutGrid size={16} />{t('bench.board')}</button
	>
	{#if bench.live?.shown?.robot}
		<button class="button button-line" onclick={() => goTo((live) => live.openDrive())}
			><Gamepad2 size={16} />{t('live.drive')}</button
		>
		<button class="button button-line" onclick={() => goTo((live) => live.openStore())}
			><HardDriveDownload size={16} />{t('live.store')}</button
		>
	{/if}
	{#if hasRuns}
		<button class="button button-line" onclick={() => openRuns()}
			><History size={16} />{t('bench.keptRuns')}</button
		>
	{/if}
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

<style>
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
</style>
