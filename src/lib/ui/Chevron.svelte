<!--
@component Lucide's chevron, to the right or, of what is open, down; in one line of markup for the same
reason as `MoreDots`.
-->
<script lang="ts">
	let { isOpen }: { isOpen: boolean } = $props();
</script>

<svg
	width="16"
	height="16"
	viewBox="0 0 24 24"
	fill="none"
	stroke="currentColor"
	stroke-width="2"
	stroke-linecap="round"
	stroke-linejoin="round"
	aria-hidden="true"><path d={isOpen ? 'm6 9 6 6 6-6' : 'm9 18 6-6-6-6'} /></svg
>
