<script lang="ts">
	/** What a workbench shows while it has to do with real robots: docked under its floor. */
	import { t } from '$lib/i18n';
	import RobotLists from '$lib/robots/RobotLists.svelte';
	import SignsDialog from '$lib/robots/SignsDialog.svelte';
	import TitledDialog from '$lib/ui/TitledDialog.svelte';
	import BoardPanel from './BoardPanel.svelte';
	import HandDrive from './HandDrive.svelte';
	import HeldPanel from './HeldPanel.svelte';
	import LineUp from './LineUp.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import ReadyList from './ReadyList.svelte';
	import StorePanel from './StorePanel.svelte';

	let { live }: { live: LiveDesk } = $props();
</script>

{#if live.shown?.robot}
	{@const { robot } = live.shown}
	{#key robot.id}
		{#if live.panel === 'store'}<StorePanel {live} {robot} />{/if}
		{#if live.panel === 'drive'}<HandDrive {live} {robot} />{/if}
	{/key}
{/if}
{#if live.panel === 'board'}<BoardPanel {live} />{/if}
<!-- What is missing lies on top of what misses it. -->
{#if live.isAsked && !live.lining.robot}<ReadyList {live} />{/if}
<!-- Whoever measures goes on from there. -->
{#if live.told.held && !live.bench.leaves.opened.truth}<HeldPanel
		{live}
		held={live.told.held}
	/>{/if}
{#if live.lining.robot}<LineUp {live} robot={live.lining.robot} />{/if}

{#if live.isChoosing}
	<TitledDialog title={t('robots.title')} width={46} onclose={() => (live.isChoosing = false)}>
		{#if !live.person}<p>{t('robots.whoFirstHome')}</p>{/if}
		<RobotLists canPair={live.person !== null} />
	</TitledDialog>
{/if}
<SignsDialog />
