<script lang="ts">
	import '@fontsource-variable/atkinson-hyperlegible-next';
	import '@fontsource/young-serif';
	import { onMount } from 'svelte';
	import { guardLeaving } from '$lib/saving/living';
	import '../app.css';

	let { children } = $props();
	onMount(guardLeaving);
</script>

{@render children()}
