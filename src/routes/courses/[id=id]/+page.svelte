<script lang="ts">
	import CourseDesk from '$lib/course/CourseDesk.svelte';
	import { t } from '$lib/i18n';

	let { data } = $props();
</script>

{#key data.opened.id}
	<CourseDesk
		opened={data.opened}
		owner={data.opened.owner?.name ?? t('home.nobody')}
		person={data.person}
	/>
{/key}
