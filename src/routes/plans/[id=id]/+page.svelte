<script lang="ts">
	import { t } from '$lib/i18n';
	import Workbench from '$lib/planning/PlanDesk.svelte';

	let { data } = $props();
</script>

{#key data.opened.id}
	<Workbench
		opened={data.opened}
		owner={data.opened.owner?.name ?? t('home.nobody')}
		person={data.person}
		courses={data.courses}
		course={data.course}
	/>
{/key}
