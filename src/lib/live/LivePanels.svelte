<script lang="ts">
	/** What a workbench shows while it has to do with real robots, over everything else. */
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import { t } from '$lib/i18n';
	import RobotLists from '$lib/robots/RobotLists.svelte';
	import SignsDialog from '$lib/robots/SignsDialog.svelte';
	import BoardPanel from './BoardPanel.svelte';
	import HandDrive from './HandDrive.svelte';
	import KeptRuns from './KeptRuns.svelte';
	import LineUp from './LineUp.svelte';
	import type { LiveDesk } from './live-desk.svelte';
	import ReadyList from './ReadyList.svelte';
	import StorePanel from './StorePanel.svelte';

	let { live }: { live: LiveDesk } = $props();
</script>

{#if live.shown?.robot}
	{@const { robot } = live.shown}
	{#key robot.id}
		{#if live.isStoring}<StorePanel {live} {robot} />{/if}
		{#if live.isDriving}<HandDrive {live} {robot} />{/if}
	{/key}
{/if}
{#if live.isLooking}<KeptRuns {live} />{/if}
{#if live.isBoardOpen}<BoardPanel {live} />{/if}
<!-- What is missing lies on top of what misses it. -->
{#if live.isAsked && !live.lining}<ReadyList {live} />{/if}
{#if live.lining}<LineUp {live} robot={live.lining} />{/if}

{#if live.isChoosing}
	<Dialog open onOpenChange={({ open }) => (live.isChoosing = open)}>
		<Portal>
			<Dialog.Positioner class="middle">
				<Dialog.Content class="panel dialog near">
					<div class="title">
						<Dialog.Title class="heading text-xl">{t('robots.title')}</Dialog.Title>
						<Dialog.CloseTrigger class="button button-line">{t('live.close')}</Dialog.CloseTrigger>
					</div>
					{#if !live.person}<p>{t('robots.whoFirstHome')}</p>{/if}
					<RobotLists canPair={live.person !== null} />
				</Dialog.Content>
			</Dialog.Positioner>
		</Portal>
	</Dialog>
{/if}
<SignsDialog />

<style>
	:global(.near) {
		width: min(46rem, calc(100vw - 1rem));
		max-height: calc(100dvh - 2rem);
		overflow-y: auto;
	}
	.title {
		display: flex;
		align-items: center;
		justify-content: space-between;
	}
</style>
