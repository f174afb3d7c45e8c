<script lang="ts">
	/** When something was, as a person says it; the date in a tooltip. */
	import { saidNow, showTime } from './time.svelte';

	let { iso }: { iso: string } = $props();
</script>

<time datetime={iso} title={showTime(iso)}>{saidNow(iso)}</time>
