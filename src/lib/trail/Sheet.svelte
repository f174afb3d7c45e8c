<script lang="ts" module>
	import './words';
	import type { Place } from '$core/plan/places';
	import type { HeadRow, StepRow } from './rows';

	/** What is open at a tag. */
	export type Opening = { anchor: HTMLElement } & (
		| { type: 'shelf'; place: Place }
		/** What starts a chain; null for a new chain. */
		| { type: 'triggers'; chain: string | null }
		| { type: 'value'; step: string; name: string }
		| { type: 'actions'; row: StepRow | HeadRow }
		| { type: 'comment'; step: string }
		| { type: 'help'; kind: string }
		| { type: 'problems' }
		/** Saved plans, to take one in as a routine. */
		| { type: 'plans' }
	);
</script>

<script lang="ts">
	import { untrack } from 'svelte';
	import FolderInput from '@lucide/svelte/icons/folder-input';
	import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';
	import { findStep } from '$core/plan/places';
	import { robotAt, shelfPlace } from '$lib/words/typed';
	import { isExpression, type Values } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import Shelf from '$lib/shelf/Shelf.svelte';
	import { valueName } from '$lib/words/values';
	import { tellEscape } from '$lib/ui/leaving';
	import ValueEditor from '$lib/values/ValueEditor.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import Actions from './Actions.svelte';
	import CommentEditor from './CommentEditor.svelte';
	import { slotOfKind } from '$lib/words/step-words';

	let {
		bench,
		opening,
		onclose,
		onopen,
		onadded
	}: {
		bench: Workbench;
		opening: Opening | null;
		onclose: (key?: string) => void;
		onopen: (opening: Opening) => void;
		/** @param id of the step or chain that was added */
		onadded: (id: string) => void;
	} = $props();

	let isEscaped = false;
	tellEscape(() => isEscaped);
	let openedAt = 0;
	$effect(() => {
		if (!opening) return;
		isEscaped = false;
		openedAt = performance.now();
	});
	/** The press that opened this sheet is said to be outside it, when it closed another one. */
	function onInteractOutside(event: CustomEvent<{ originalEvent: Event }>) {
		if (event.detail.originalEvent.timeStamp <= openedAt) event.preventDefault();
	}

	const step = $derived(
		opening && 'step' in opening ? findStep(bench.plan, opening.step) : undefined
	);
	/** Where the shelf adds; the sheet closes while the plan changes, so it may be gone by then. */
	const place = $derived(opening?.type === 'shelf' ? opening.place : null);
	/** For the plan as it is when the shelf opens: it closes just after it has changed that. */
	const planThen = $derived(opening ? untrack(() => bench.plan) : null);
	const label = $derived.by(() => {
		if (opening?.type === 'shelf') return t('shelf.label');
		if (opening?.type === 'triggers') return t('family.triggers');
		if (opening?.type === 'value' && step) return valueName(step.kind, opening.name);
		if (opening?.type === 'help') return t('trail.help');
		if (opening?.type === 'plans') return t('trail.takeIn');
		if (opening?.type === 'problems') return t('problems.title');
		return t('trail.chainMenu');
	});

	const large: ReadonlySet<string> = new Set([
		'condition',
		'anything',
		'picture',
		'film',
		'face',
		'clip',
		'notes'
	]);
	/** What is large opens beside the trail, if there is room, so that the steps still show. */
	const isBeside = $derived.by(() => {
		if (opening?.type !== 'value' || !step) return opening?.type === 'problems';
		const { type } = slotOfKind(step.kind, opening.name);
		return large.has(type) || isExpression(step.values[opening.name]);
	});
	function besideAnchor({ type, anchor }: Opening): HTMLElement | null {
		const trail = anchor.closest<HTMLElement>('.trail');
		if (!isBeside || !trail || trail.offsetLeft <= 400) return null;
		return type === 'problems' ? trail : anchor.closest<HTMLElement>('[role=treeitem]');
	}
	/** Without room beside it, what is large opens on the side of its tag that has more. */
	const isLow = ({ anchor }: Opening) =>
		isBeside && anchor.getBoundingClientRect().bottom > innerHeight / 2;
	const placement = $derived.by(() => {
		if (!opening) return 'bottom-start';
		if (opening.type === 'help' || besideAnchor(opening)) return 'left-start';
		return isLow(opening) ? 'top-start' : 'bottom-start';
	});

	const lead = (next: (anchor: HTMLElement) => Opening) => {
		if (opening) onopen(next(opening.anchor));
	};
	const help = (kind: string) => lead((anchor) => ({ type: 'help', kind, anchor }));

	function startChain(chainId: string | null, kind: string, values: Values) {
		const chain = bench.plan.chains.find(({ id }) => id === chainId);
		if (chain) bench.editing.setTrigger(chain, kind, values);
		onadded(chain?.id ?? bench.editing.addChain(kind, values));
	}
</script>

<Popover
	open={opening !== null}
	onOpenChange={({ open }) => {
		if (!open && opening) onclose();
	}}
	restoreFocus={false}
	{onInteractOutside}
	onEscapeKeyDown={() => (isEscaped = true)}
	autoFocus
	initialFocusEl={() => document.querySelector<HTMLElement>('.at-tag [data-first-focus]')}
	positioning={{
		getAnchorElement: () => opening && (besideAnchor(opening) ?? opening.anchor),
		placement,
		gutter: 6,
		overflowPadding: 8
	}}
>
	<Portal>
		<Popover.Positioner>
			<Popover.Content class="panel at-tag" aria-label={label}>
				{#if place && planThen}
					<Shelf
						place={shelfPlace(planThen, preferences.level, place.holder)}
						onchoose={({ definition, values }) => {
							const id = bench.editing.addStep(place, definition.kind, values);
							if (id) onadded(id);
						}}
						onseveral={(steps) => {
							const id = bench.editing.addSteps(place, steps);
							if (id) onadded(id);
						}}
						onhelp={({ definition }) => help(definition.kind)}
					/>
				{:else if opening?.type === 'triggers' && planThen}
					{@const { chain } = opening}
					<Shelf
						place={{
							plan: planThen,
							level: preferences.level,
							holder: null,
							robot: robotAt(planThen, chain),
							isForTrigger: true
						}}
						onchoose={({ definition, values }) => startChain(chain, definition.kind, values)}
						onseveral={() => {}}
						onhelp={({ definition }) => help(definition.kind)}
					/>
					{#if chain === null && preferences.level === 'full'}
						<button
							class="button button-plain take-in"
							onclick={() => lead((anchor) => ({ type: 'plans', anchor }))}
							><FolderInput size={17} />{t('trail.takeIn')}</button
						>
					{/if}
				{:else if opening?.type === 'value' && step}
					{#key opening}
						<ValueEditor {bench} {step} name={opening.name} onclose={() => onclose()} />
					{/key}
				{:else if opening?.type === 'actions'}
					<Actions {bench} row={opening.row} {onclose} onopen={lead} />
				{:else if opening?.type === 'comment' && step}
					<CommentEditor {bench} {step} onclose={() => onclose()} />
				{:else if opening?.type === 'help'}
					{@const { kind } = opening}
					{#await import('$lib/help/HelpCard.svelte') then { default: HelpCard }}
						<HelpCard {kind} />
					{/await}
				{:else if opening?.type === 'plans'}
					{#await import('./PlanList.svelte') then { default: PlanList }}
						<PlanList
							onchoose={(plan) => {
								const id = bench.editing.takeIn(plan);
								if (id) onadded(id);
								else onclose();
							}}
						/>
					{/await}
				{:else if opening?.type === 'problems'}
					{#await import('./ProblemList.svelte') then { default: ProblemList }}
						<ProblemList {bench} onjump={onclose} />
					{/await}
				{/if}
			</Popover.Content>
		</Popover.Positioner>
	</Portal>
</Popover>

<style>
	.take-in {
		width: 100%;
		border-top: 1px solid var(--line);
		border-radius: 0;
		font-weight: 450;
	}
	:global(.at-tag) {
		z-index: 40;
		max-width: calc(100vw - 1rem);
		max-height: min(34rem, calc(var(--available-height, 100vh) - 0.5rem));
		overflow: auto;
		box-shadow: 0 8px 30px oklch(0.2 0.04 258 / 0.28);
	}
</style>
