<script lang="ts">
	/** What was tried of a value that somebody looks for, and what each gave. */
	import './words';
	import { t } from '$lib/i18n';
	import { toShown, unitOf, showNumber } from '$lib/words/format';
	import type { NumberDefinition } from '$core/steps/definition';
	import { seeking, verdicts, type Tried } from '$lib/workbench/seeking.svelte';

	let { step, slot, definition }: { step: string; slot: string; definition: NumberDefinition } =
		$props();

	const tries = $derived(seeking.triesOf(step, slot));
	const gaveWords = ({ gave }: Tried): string =>
		gave === null
			? t('tries.nothing')
			: t('tries.gave', {
					length: showNumber('length', gave.length),
					turn: showNumber('angle', Math.round(gave.turn * 10) / 10)
				});
</script>

<label class="sought"
	><input
		type="checkbox"
		class="checkbox"
		checked={tries !== undefined}
		onchange={() => seeking.toggle(step, slot)}
	/>{t('tries.looking')}</label
>
{#if tries && tries.length === 0}
	<p>{t('tries.none')}</p>
{:else if tries}
	<ul aria-label={t('tries.list')}>
		{#each [...tries].reverse() as tried (tried.at)}
			<li data-try>
				<strong>{toShown(definition.quantity, tried.value)} {unitOf(definition.quantity)}</strong>
				<span>{gaveWords(tried)}</span>
				<span class="verdicts" role="group" aria-label={t('tries.verdict')}>
					{#each verdicts as says (says)}
						<button
							class="button button-plain"
							aria-pressed={tried.says === says}
							onclick={() => seeking.judge(step, slot, tried, says)}>{t(`tries.${says}`)}</button
						>
					{/each}
				</span>
			</li>
		{/each}
	</ul>
{/if}

<style>
	.sought {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
		margin-top: 0.5rem;
		font-size: 0.9rem;
	}
	p,
	span {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	ul {
		max-height: 12rem;
		overflow-y: auto;
	}
	li {
		padding: 0.2rem 0;
		border-top: 1px solid var(--line);
		font-variant-numeric: tabular-nums;
	}
	.verdicts {
		display: flex;
		gap: 0.2rem;
	}
	.verdicts .button {
		min-height: 2rem;
		padding: 0 0.4rem;
		font-size: 0.85rem;
	}
	.verdicts [aria-pressed='true'] {
		background: var(--lamp-soft);
		color: var(--lamp-text);
	}
</style>
