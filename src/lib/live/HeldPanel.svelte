<script lang="ts">
	/** A run waits behind a leg: somebody measures there, or goes on. Whoever closes it wants no robot to move. */
	import Ruler from '@lucide/svelte/icons/ruler';
	import StepForward from '@lucide/svelte/icons/step-forward';
	import { t } from '$lib/i18n';
	import type { HeldBehind } from '$core/live/live-news';
	import type { LiveDesk } from './live-desk.svelte';
	import SidePanel from './SidePanel.svelte';

	let { live, held }: { live: LiveDesk; held: HeldBehind } = $props();
</script>

<SidePanel title={t('live.held', { number: held.number })} onclose={() => live.halt()}>
	<p>{t('live.heldAbout')}</p>
	<div class="ends">
		<button class="button button-main" onclick={() => live.goOn()}
			><StepForward size={18} />{t('live.goOn')}</button
		>
		<button class="button button-line" onclick={() => void live.bench.leaves.openTruth()}
			><Ruler size={18} />{t('live.measure')}</button
		>
	</div>
</SidePanel>

<style>
	.ends {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
</style>
