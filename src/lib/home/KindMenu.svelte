<script lang="ts">
	/** The kinds of robot, each with its drawing; the menu opens as it comes. */
	import type { Snippet } from 'svelte';
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import { robotKinds } from '$core/robots/kinds';
	import RobotDrawing from '$lib/floor/RobotDrawing.svelte';
	import { t } from '$lib/i18n';

	let { onchoose, children }: { onchoose: (kind: string) => void; children: Snippet } = $props();
</script>

<Menu
	defaultOpen
	onSelect={({ value }) => onchoose(value)}
	positioning={{ placement: 'bottom-start', gutter: 6 }}
>
	<Menu.Trigger class="button button-main button-icon other" aria-label={t('home.otherRobot')}
		>{@render children()}</Menu.Trigger
	>
	<Menu.Positioner>
		<Menu.Content class="panel menu kinds">
			{#each robotKinds as { kind } (kind)}
				<Menu.Item value={kind} class="menu-item kind-item">
					<svg viewBox="-0.1 -0.1 0.2 0.2" aria-hidden="true">
						<g transform="scale(1 -1) rotate(90)"><RobotDrawing {kind} columns={{}} /></g>
					</svg>
					<span
						><strong>{t(`bench.kind.${kind}`)}</strong><span class="about"
							>{t(`bench.kind.${kind}.explain`)}</span
						></span
					>
				</Menu.Item>
			{/each}
		</Menu.Content>
	</Menu.Positioner>
</Menu>

<style>
	:global(.kind-item) {
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
