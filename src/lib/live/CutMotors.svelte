<script lang="ts">
	/** Lets what flies fall: for an emergency, so it takes two presses within a moment. */
	import ShieldAlert from '@lucide/svelte/icons/shield-alert';
	import { t } from '$lib/i18n';
	import type { LiveDesk } from './live-desk.svelte';

	let { live }: { live: LiveDesk } = $props();

	/** Milliseconds for which the second press counts. */
	const armedFor = 2500;
	let isArmed = $state(false);
	let timer: ReturnType<typeof setTimeout> | undefined;

	function press() {
		clearTimeout(timer);
		if (isArmed) live.cut();
		isArmed = !isArmed;
		if (isArmed) timer = setTimeout(() => (isArmed = false), armedFor);
	}
</script>

<button class="button {isArmed ? 'button-stop' : 'button-line'}" onclick={press}
	><ShieldAlert size={18} />{t(isArmed ? 'live.cutSure' : 'live.cut')}</button
>
