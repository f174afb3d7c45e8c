<script lang="ts">
	import Home from '$lib/home/Home.svelte';

	let { data } = $props();
</script>

<Home {...data} />
