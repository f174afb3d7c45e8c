<script lang="ts">
	/** The saved plans, to choose one that is taken into this plan. */
	import { planSchema, type Plan } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import { fetchList } from '$lib/saving/lists';
	import { request } from '$lib/saving/send';

	let { onchoose }: { onchoose: (plan: Plan) => void } = $props();

	let failed = $state('');
	const listing = fetchList('plan');

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
	{#await listing then plans}
		<ul>
			{#each plans as { id, name, owner }, index (id)}
				<li>
					<button
						class="button button-plain plan"
						data-first-focus={index === 0 ? true : undefined}
						onclick={() => choose(id)}
						><span class="name">{name}</span><span class="owner">{owner?.name ?? ''}</span></button
					>
				</li>
			{/each}
		</ul>
	{:catch}
		<p role="alert">{t('home.failed')}</p>
	{/await}
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
	.plan {
		width: 100%;
		justify-content: space-between;
		font-weight: 450;
	}
	.name {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.owner {
		color: var(--ink-soft);
	}
</style>
