<script lang="ts">
	/** Light, dark, or as the device is set. Kept on the device. */
	import Moon from '@lucide/svelte/icons/moon';
	import Sun from '@lucide/svelte/icons/sun';
	import SunMoon from '@lucide/svelte/icons/sun-moon';
	import { onMount } from 'svelte';
	import { t } from '$lib/i18n';

	const modes = ['system', 'light', 'dark'] as const;
	type Mode = (typeof modes)[number];
	const icons = { system: SunMoon, light: Sun, dark: Moon };

	let mode = $state<Mode>('system');
	const Icon = $derived(icons[mode]);
	const label = $derived(`${t('theme.label')}: ${t(`theme.${mode}`)}`);

	onMount(() => {
		mode = (document.documentElement.dataset.mode as Mode) || 'system';
	});

	function next() {
		mode = modes[(modes.indexOf(mode) + 1) % modes.length]!;
		document.documentElement.dataset.mode = mode === 'system' ? '' : mode;
		const year = 365 * 24 * 3600;
		document.cookie = `lantern-mode=${mode}; path=/; max-age=${mode === 'system' ? 0 : year}; samesite=lax`;
	}
</script>

<button class="button button-plain button-icon" aria-label={label} title={label} onclick={next}
	><Icon size={20} /></button
>
