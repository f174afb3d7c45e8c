<script lang="ts">
	/** What the driven shape is like: figures against what was meant, not grades. */
	import './words';
	import type { Leg } from '$core/attempts/legs';
	import type { DrivenShape, Off } from '$core/attempts/shape';
	import { degrees } from '$core/units/angles';
	import { t } from '$lib/i18n';
	import { showNumber } from '$lib/words/format';

	let { shape }: { shape: DrivenShape } = $props();

	/** A plan that goes on for ever has thousands of them: they are drawn when somebody asks. */
	let isOpen = $state(false);
	const length = (metres: number): string => showNumber('length', metres);
	const angle = (radians: number): string => showNumber('angle', degrees(Math.abs(radians)));
	const rows = $derived([
		...shape.sides.map((side) => ({ what: 'side', show: length, is: side.length, ...side })),
		...shape.corners.map((corner) => ({ what: 'corner', show: angle, is: corner.turn, ...corner })),
		...shape.bends.map((bend) => ({ what: 'bend', show: length, is: bend.radius, ...bend }))
	]);
</script>

{#snippet of(what: string, { span, round }: Leg)}
	{t(`shape.${what}`, { number: span.number })}{round > 1 ? `, ${t('legs.round', { round })}` : ''}
{/snippet}

<details bind:open={isOpen}>
	<summary>{t('shape.title')}</summary>
	{#if isOpen && shape.closing}
		<p data-testid="closing">
			{t('shape.closing', {
				length: length(shape.closing.length),
				angle: angle(shape.closing.turn)
			})}
		</p>
	{/if}
	{#if isOpen}
		<table>
			<thead>
				<tr>
					{#each ['step', 'is', 'meant', 'farthest', 'mean'] as column (column)}
						<th scope="col">{t(`shape.${column}`)}</th>
					{/each}
				</tr>
			</thead>
			<tbody>
				{#each rows as { what, leg, show, is, meant, ...off }, index (index)}
					<tr>
						<th scope="row">{@render of(what, leg)}</th>
						<td>{show(is)}</td>
						<td>{meant === null ? t('shape.unknown') : show(meant)}</td>
						{#each ['farthest', 'mean'] as const as column (column)}
							<td>{column in off ? length((off as Off)[column]) : ''}</td>
						{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</details>

<style>
	details {
		padding: 0 1rem 0.5rem;
		border-top: 1px solid var(--line);
		font-size: 0.9rem;
	}
	summary {
		display: flex;
		align-items: center;
		min-height: 2.75rem;
		cursor: pointer;
		text-decoration: underline dotted;
		text-underline-offset: 3px;
	}
	table {
		border-collapse: collapse;
		font-variant-numeric: tabular-nums;
	}
	th,
	td {
		padding: 0.15rem 1rem 0.15rem 0;
		font-weight: 400;
		text-align: left;
	}
	thead th {
		color: var(--ink-soft);
		font-size: 0.8rem;
	}
</style>
