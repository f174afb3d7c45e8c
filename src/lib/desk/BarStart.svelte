<script lang="ts">
	/** Where the bar above a desk begins: the way back, and the name of what is open. */
	import ArrowLeft from '@lucide/svelte/icons/arrow-left';
	import type { ComponentProps } from 'svelte';
	import TitleField from './TitleField.svelte';

	let {
		heading,
		back,
		...title
	}: ComponentProps<typeof TitleField> & {
		/** For who hears the page. */
		heading: string;
		/** What the way back leads to. */
		back: string;
	} = $props();
</script>

<h1 class="sr-only-live">{heading}</h1>
<a class="button button-plain button-icon" href="/" aria-label={back} title={back}
	><ArrowLeft size={20} /></a
>
<TitleField {...title} />
