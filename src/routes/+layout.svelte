<script lang="ts">
	import '@fontsource-variable/atkinson-hyperlegible-next';
	import '@fontsource/young-serif';
	import '../app.css';

	let { children } = $props();
</script>

{@render children()}
