<script lang="ts">
	import { page } from '$app/state';
	import { t } from '$lib/i18n';
</script>

<svelte:head><title>{t('error.title')} · {t('app.name')}</title></svelte:head>

<main class="mx-auto max-w-xl p-8">
	<h1 class="heading mb-3 text-3xl">{t('error.title')}</h1>
	<p class="mb-6">{page.error?.message}</p>
	<a class="button button-main" href="/">{t('error.back')}</a>
</main>
