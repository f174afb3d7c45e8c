<script lang="ts">
	/**
	 * At level First: the bud opens where the next step goes, and what can be tied on stands around it in
	 * the free room beside the cord. Nothing here needs reading; a press that is held speaks.
	 */
	import type { Plan } from '$core/plan/plan';
	import { offersAt, shelfPlace, type Offer } from '$lib/words/typed';
	import { t } from '$lib/i18n';
	import type { TagDragging } from '$lib/ui/drag';
	import { newStepKey } from '$lib/shelf/new-step';
	import Glyph from '$lib/words/Glyph.svelte';
	import { Held } from './held';
	import { tile } from './open-bud';
	import type { BudRow } from './rows';
	import { phrase } from '$lib/words/step-words';

	let {
		plan,
		row,
		dragging,
		knot,
		onadd
	}: {
		plan: Plan;
		row: BudRow;
		dragging: TagDragging;
		knot: string;
		onadd: (offer: Offer) => void;
	} = $props();

	const offers = $derived(offersAt(shelfPlace(plan, 'first', row.holder)));
	const held = new Held();
	const keyOf = ({ definition, values }: Offer) => `${definition.kind} ${JSON.stringify(values)}`;

	function take(offer: Offer) {
		if (!held.wasHeld) onadd(offer);
	}
	function draggable(element: HTMLElement, { definition, values }: Offer) {
		return dragging.tag(element, newStepKey(definition.kind, values));
	}
</script>

<div class="open">
	<span class="mark" aria-hidden="true"></span>
	{#if knot}<span class="knot" aria-hidden="true">{knot}</span>{/if}
	<div
		class="tiles"
		role="listbox"
		tabindex="-1"
		aria-label={t('shelf.label')}
		style:--tile="{tile.size}px"
		style:--gap="{tile.gap}px"
	>
		{#each offers as offer, index (keyOf(offer))}
			{@const { kind } = offer.definition}
			{@const words = phrase(kind, offer.values)}
			<div
				class="tile"
				role="option"
				tabindex="0"
				aria-selected="false"
				aria-label={words}
				title={words}
				data-first-tile={index === 0 ? true : undefined}
				use:draggable={offer}
				onpointerdown={() => held.down(words)}
				onpointermove={(event) => held.move(event)}
				onpointerup={() => held.up()}
				onpointercancel={() => held.up()}
				onpointerleave={() => held.up()}
				oncontextmenu={(event) => event.preventDefault()}
				onclick={(event) => {
					event.stopPropagation();
					take(offer);
				}}
				onkeydown={(event) => {
					if (event.key !== 'Enter' && event.key !== ' ') return;
					event.preventDefault();
					event.stopPropagation();
					onadd(offer);
				}}
			>
				<Glyph {kind} values={offer.values} size={38} />
			</div>
		{/each}
	</div>
</div>

<style>
	.open {
		position: relative;
		display: flex;
		flex: 1;
		align-items: flex-start;
		gap: 0.6rem;
		padding-top: 0.5rem;
	}
	.mark {
		position: relative;
		z-index: 1;
		flex: none;
		width: 1.75rem;
		height: 1.75rem;
		margin-top: 0.6rem;
		border: 2px solid var(--verdigris);
		border-radius: 50%;
		background: var(--verdigris-soft);
		box-shadow: 0 0 0 0.3rem color-mix(in oklch, var(--verdigris) 18%, transparent);
	}
	.knot {
		margin-top: 0.6rem;
		padding: 0.1rem 0.9rem;
		border: 1.5px solid var(--ink-soft);
		border-radius: 1rem;
		font-size: 1.15rem;
		font-weight: 650;
	}
	.tiles {
		display: flex;
		flex: 1;
		flex-wrap: wrap;
		align-content: flex-start;
		gap: var(--gap);
	}
	.tile {
		display: grid;
		place-items: center;
		width: var(--tile);
		height: var(--tile);
		border: 1.5px dashed var(--verdigris);
		border-radius: 0.9rem;
		background: var(--tag);
		cursor: pointer;
		touch-action: manipulation;
		user-select: none;
	}
	.tile:hover,
	.tile:focus-visible {
		border-style: solid;
		background: var(--verdigris-soft);
	}
	@media (prefers-reduced-motion: no-preference) {
		.tile {
			animation: unfold 160ms var(--ease) backwards;
		}
	}
	@keyframes unfold {
		from {
			opacity: 0;
			transform: translateX(-0.8rem) scale(0.8);
		}
	}
</style>
