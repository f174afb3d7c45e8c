<script lang="ts">
	/** Finds a document that is not among the newest. */
	import './words';
	import { t } from '$lib/i18n';
	import type { DocumentKind } from '$lib/saving/kinds';
	import type { Listed } from '$lib/saving/answers';
	import TitledDialog from '$lib/ui/TitledDialog.svelte';
	import Finder from './Finder.svelte';

	let {
		kind,
		onchoose,
		onclose
	}: { kind: DocumentKind; onchoose: (listed: Listed) => void; onclose: () => void } = $props();
</script>

<TitledDialog title={t(`finder.${kind}`)} width={28} {onclose}>
	<Finder
		{kind}
		onchoose={(listed) => {
			onclose();
			onchoose(listed);
		}}
	/>
</TitledDialog>
