<script lang="ts">
	/** A plan to read, without anything to change: its chains as lists of sentences. */
	import type { Plan, Step } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import { wordsOf } from './step-words';

	let { plan }: { plan: Plan } = $props();
</script>

{#snippet list(steps: readonly Step[])}
	<ol>
		{#each steps as step (step.id)}
			<li class:off={step.off}>
				{wordsOf(step)}
				{#if step.body?.length}{@render list(step.body)}{/if}
			</li>
		{/each}
	</ol>
{/snippet}

{#each plan.chains as chain (chain.id)}
	<p class="head">{chain.trigger ? wordsOf(chain.trigger) : t('check.unlit')}</p>
	{@render list(chain.steps)}
{/each}

<style>
	.head {
		margin-top: 0.5rem;
		font-weight: 600;
	}
	ol {
		margin-left: 0.4rem;
		padding-left: 0.8rem;
		border-left: 2px solid var(--lamp);
	}
	li {
		padding: 0.1rem 0;
	}
	.off {
		color: var(--ink-soft);
		text-decoration: line-through;
	}
</style>
