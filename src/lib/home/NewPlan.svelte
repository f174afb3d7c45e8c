<script lang="ts">
	/** Begins a plan: at once for the robot of last time, or for one of another kind. */
	import { ChevronDown, Plus } from '@lucide/svelte';
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import type { RobotKind } from '$core/robots/robot';
	import { robotKinds } from '$core/robots/kinds';
	import RobotDrawing from '$lib/floor/RobotDrawing.svelte';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';

	let { onnew }: { onnew: (kind: RobotKind) => void } = $props();

	const kindOf = (name: string | null) => robotKinds.find(({ kind }) => kind === name);
	const usual = $derived(kindOf(preferences.lastKind) ?? robotKinds[0]!);

	function begin(kind: RobotKind) {
		preferences.choose({ lastKind: kind.kind });
		onnew(kind);
	}
</script>

<div class="new-plan">
	<button
		class="button button-main now"
		aria-label={t('home.newPlanFor', { kind: t(`bench.kind.${usual.kind}`) })}
		onclick={() => begin(usual)}><Plus size={18} />{t('home.newPlan')}</button
	>
	<Menu
		onSelect={({ value }) => begin(kindOf(value)!)}
		positioning={{ placement: 'bottom-start', gutter: 6 }}
	>
		<Menu.Trigger class="button button-main button-icon other" aria-label={t('home.otherRobot')}
			><ChevronDown size={18} /></Menu.Trigger
		>
		<Menu.Positioner>
			<Menu.Content class="panel menu kinds">
				{#each robotKinds as one (one.kind)}
					<Menu.Item value={one.kind} class="menu-item kind-item">
						<svg viewBox="-0.1 -0.1 0.2 0.2" aria-hidden="true">
							<g transform="scale(1 -1) rotate(90)">
								<RobotDrawing kind={one.kind} columns={{}} />
							</g>
						</svg>
						<span
							><strong>{t(`bench.kind.${one.kind}`)}</strong><span class="about"
								>{t(`bench.kind.${one.kind}.explain`)}</span
							></span
						>
					</Menu.Item>
				{/each}
			</Menu.Content>
		</Menu.Positioner>
	</Menu>
</div>

<style>
	.new-plan {
		display: flex;
		gap: 2px;
	}
	.now {
		border-start-end-radius: 0.3rem;
		border-end-end-radius: 0.3rem;
	}
	.new-plan :global(.other) {
		border-start-start-radius: 0.3rem;
		border-end-start-radius: 0.3rem;
	}
	.new-plan :global(.kinds) {
		max-width: min(24rem, calc(100vw - 2rem));
	}
	.new-plan :global(.kind-item) {
		justify-content: flex-start;
		gap: 0.75rem;
		height: auto;
		padding-block: 0.4rem;
	}
	svg {
		flex: none;
		width: 3rem;
		height: 3rem;
	}
	strong {
		display: block;
	}
	.about {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
</style>
