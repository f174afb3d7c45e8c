<script lang="ts">
	/** Finds a course that is not among the newest. */
	import { t } from '$lib/i18n';
	import Finder from '$lib/lists/Finder.svelte';
	import TitledDialog from '$lib/theme/TitledDialog.svelte';
	import type { Workbench } from './workbench.svelte';

	let { bench, onclose }: { bench: Workbench; onclose: () => void } = $props();
</script>

<TitledDialog title={t('finder.course')} width={28} {onclose}>
	<Finder
		kind="course"
		onchoose={({ id }) => {
			bench.chooseCourse(id);
			onclose();
		}}
	/>
</TitledDialog>
