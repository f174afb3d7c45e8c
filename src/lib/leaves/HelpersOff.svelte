<script lang="ts">
	/** Which helpers are switched off, and why; here those of the plan are switched. */
	import { helpers, helpersOffIn, switched, type Helper } from '$core/helpers';
	import { t } from '$lib/i18n';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let { bench }: { bench: Workbench } = $props();

	/** For the plan, or for its course. */
	const off = $derived(helpersOffIn(bench.plan, bench.course));
	const own = $derived(bench.plan.helpersOff ?? []);
	const ofCourse = $derived(off.filter((each) => !own.includes(each)));
	const names = (list: readonly Helper[]) => list.map((each) => t(`helpers.${each}`)).join(', ');
</script>

{#if own.length > 0}<p>{t('helpers.ofPlan', { names: names(own) })}</p>{/if}
{#if ofCourse.length > 0}<p>{t('helpers.ofCourse', { names: names(ofCourse) })}</p>{/if}
<details>
	<summary>{t('helpers.title')}</summary>
	<div>
		{#each helpers as helper (helper)}
			<label>
				<input
					type="checkbox"
					class="checkbox"
					checked={!off.includes(helper)}
					disabled={ofCourse.includes(helper)}
					onchange={({ currentTarget: { checked } }) =>
						bench.desk.edit(
							{ type: 'setHelpers', off: switched(own, helper, checked) },
							t(checked ? 'helpers.on' : 'helpers.off', { name: t(`helpers.${helper}`) })
						)}
				/>{t(`helpers.${helper}`)}
			</label>
		{/each}
	</div>
</details>

<style>
	p,
	summary {
		padding: 0.3rem 1rem;
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	summary {
		cursor: pointer;
	}
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 1.2rem;
		padding: 0 1rem 0.6rem;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
		min-height: 2.2rem;
		font-size: 0.9rem;
	}
</style>
