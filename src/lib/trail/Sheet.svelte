<script lang="ts" module>
	import type { Place } from '$core/plan/places';
	import type { HeadRow, StepRow } from './rows';

	/** What is open at a tag: the shelf, the editor of a value, or what else can be done. */
	export type Opening = { anchor: HTMLElement } & (
		| { type: 'shelf'; place: Place }
		| { type: 'value'; step: string; name: string }
		| { type: 'actions'; row: StepRow | HeadRow }
	);
</script>

<script lang="ts">
	import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';
	import { locateSteps } from '$core/plan/places';
	import { t } from '$lib/i18n';
	import Shelf from '$lib/shelf/Shelf.svelte';
	import ValueEditor from '$lib/values/ValueEditor.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import Actions from './Actions.svelte';

	let {
		bench,
		opening,
		onclose,
		onadded
	}: {
		bench: Workbench;
		opening: Opening | null;
		onclose: (key?: string) => void;
		onadded: (id: string, hasBody: boolean) => void;
	} = $props();

	const step = $derived(
		opening?.type === 'value' ? locateSteps(bench.plan).get(opening.step)?.step : undefined
	);
	const label = $derived.by(() => {
		if (opening?.type === 'shelf') return t('shelf.label');
		if (opening?.type === 'value' && step) return t(`step.${step.kind}.${opening.name}`);
		return t('trail.chainMenu');
	});
</script>

<Popover
	open={opening !== null}
	onOpenChange={({ open }) => {
		if (!open && opening) onclose();
	}}
	autoFocus
	initialFocusEl={() => document.querySelector<HTMLElement>('[data-first-focus]')}
	positioning={{
		getAnchorElement: () => opening?.anchor ?? null,
		placement: 'bottom-start',
		gutter: 6,
		overflowPadding: 8
	}}
>
	<Portal>
		<Popover.Positioner>
			<Popover.Content class="panel at-tag" aria-label={label}>
				{#if opening?.type === 'shelf'}
					{@const place = opening.place}
					<Shelf
						onchoose={({ definition, values }) => {
							const hasBody = definition.hasBody === true;
							const id = bench.addStep(place, definition.kind, values, hasBody);
							if (id) onadded(id, hasBody);
						}}
					/>
				{:else if opening?.type === 'value' && step}
					<ValueEditor {bench} {step} name={opening.name} onclose={() => onclose()} />
				{:else if opening?.type === 'actions'}
					<Actions {bench} row={opening.row} {onclose} />
				{/if}
			</Popover.Content>
		</Popover.Positioner>
	</Portal>
</Popover>

<style>
	:global(.at-tag) {
		z-index: 40;
		max-width: calc(100vw - 1rem);
		max-height: min(32rem, calc(100vh - 4rem));
		overflow: auto;
		box-shadow: 0 8px 30px oklch(0.2 0.04 258 / 0.28);
	}
</style>
