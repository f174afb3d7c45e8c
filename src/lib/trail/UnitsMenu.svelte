<script lang="ts">
	/** The units that the person at this device reads. */
	import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';
	import Ruler from '@lucide/svelte/icons/ruler';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';

	const choices = [
		{
			name: 'lengths',
			options: ['cm', 'inch'],
			current: () => preferences.lengths,
			choose: (lengths: string) => preferences.choose({ lengths: lengths as 'cm' | 'inch' })
		},
		{
			name: 'speeds',
			options: ['percent', 'perSecond'],
			current: () => preferences.speeds,
			choose: (speeds: string) => preferences.choose({ speeds: speeds as 'percent' | 'perSecond' })
		}
	] as const;
</script>

<Popover positioning={{ placement: 'bottom-end', gutter: 6, overflowPadding: 8 }}>
	<Popover.Trigger
		class="button button-plain units-trigger"
		aria-label={t('units.label')}
		title={t('units.label')}><Ruler size={17} /></Popover.Trigger
	>
	<Portal>
		<Popover.Positioner>
			<Popover.Content class="panel units-panel" aria-label={t('units.label')}>
				{#each choices as { name, options, current, choose } (name)}
					<fieldset>
						<legend>{t(`bench.${name}`)}</legend>
						{#each options as option (option)}
							<label>
								<input
									type="radio"
									name="units-{name}"
									checked={current() === option}
									onchange={() => choose(option)}
								/>
								{t(`bench.${name}.${option}`)}
							</label>
						{/each}
					</fieldset>
				{/each}
			</Popover.Content>
		</Popover.Positioner>
	</Portal>
</Popover>

<style>
	:global(.units-trigger) {
		min-width: 1.85rem;
		min-height: 2.2rem;
		padding: 0;
	}
	:global(.units-panel) {
		z-index: 40;
		padding: 0.7rem 1rem;
	}
	fieldset {
		padding: 0.2rem 0;
	}
	legend {
		font-weight: 600;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.4rem;
	}
	@media (pointer: coarse) {
		:global(.units-trigger) {
			min-width: 2.75rem;
			min-height: 2.75rem;
		}
	}
</style>
