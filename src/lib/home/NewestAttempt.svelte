<script lang="ts">
	/** Where the robot went in the newest attempt of a plan, if there is one. */
	import { onMount } from 'svelte';
	import type TracePicture from '$lib/leaves/TracePicture.svelte';
	import type { ListedAttempt } from '$core/attempts/kept';
	import { newestOf } from './newest';

	let { planId }: { planId: string } = $props();

	let drawn = $state.raw<{ Picture: typeof TracePicture; row: ListedAttempt } | null>(null);

	onMount(async () => {
		const row = await newestOf(planId);
		if (!row) return;
		const { default: Picture } = await import('$lib/leaves/TracePicture.svelte');
		drawn = { Picture, row };
	});
</script>

{#if drawn}
	{@const { Picture, row } = drawn}
	<Picture summary={row.summary} course={null} />
{/if}
