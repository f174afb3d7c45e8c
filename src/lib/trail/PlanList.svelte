<script lang="ts">
	/** The saved plans, to choose one that is taken into this plan. */
	import './words';
	import { planSchema, type Plan } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import Finder from '$lib/lists/Finder.svelte';
	import { request } from '$lib/saving/send';

	let { onchoose }: { onchoose: (plan: Plan) => void } = $props();

	let failed = $state('');

	async function choose(id: string) {
		try {
			onchoose(planSchema.parse(await request('GET', `/api/documents/${id}`)));
		} catch {
			failed = t('home.failed');
		}
	}
</script>

<div class="plans">
	<h2>{t('trail.takeIn')}</h2>
	<p class="hint">{t('trail.takeInHint')}</p>
	<Finder kind="plan" onchoose={({ id }) => choose(id)} />
	{#if failed}<p role="alert">{failed}</p>{/if}
</div>

<style>
	.plans {
		width: min(22rem, calc(100vw - 2rem));
		padding: 0.8rem;
	}
	h2 {
		font-weight: 650;
	}
	.hint {
		margin: 0.2rem 0 0.4rem;
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
</style>
