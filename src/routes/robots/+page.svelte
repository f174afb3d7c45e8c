<script lang="ts">
	import RobotsView from '$lib/robots/RobotsView.svelte';

	let { data } = $props();
</script>

<RobotsView {...data} />
