<script lang="ts">
	/** Where steps are taken from: type what you want, or choose from the families. */
	import '$lib/words/step-help';
	import CircleHelp from '@lucide/svelte/icons/circle-help';
	import { eachStep, type Step } from '$core/plan/plan';
	import { definitionOf } from '$core/steps/catalogue';
	import { families } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import type { TagDragging } from '$lib/ui/drag';
	import { newStepKey } from './new-step';
	import Glyph from '$lib/words/Glyph.svelte';
	import { phrase } from '$lib/words/step-words';
	import { isSeveral, readTyped, whyNot } from '$lib/words/short-hand';
	import { offersAt, offersFor, type Offer, type ShelfPlace } from '$lib/words/typed';

	let {
		place,
		dragging,
		isDocked = false,
		onchoose,
		onseveral,
		onhelp
	}: {
		place: ShelfPlace;
		/** Lets steps be dragged from the shelf; missing in a sheet that a drag would close. */
		dragging?: TagDragging | undefined;
		/** It stays open beside the trail. */
		isDocked?: boolean;
		onchoose: (offer: Offer) => void;
		onseveral: (steps: readonly Step[]) => void;
		onhelp: (offer: Offer) => void;
	} = $props();

	let text = $state('');
	let active = $state(0);

	const isTyped = $derived(text.trim() !== '');
	const offers = $derived(isTyped ? offersFor(text, place) : offersAt(place));
	const several = $derived(isSeveral(text) ? readTyped(text, place) : null);
	/** What is wrong with what was typed, and where. */
	const misread = $derived.by(() => {
		const read = several ?? (isTyped && offers.length === 0 ? readTyped(text, place) : null);
		return read?.kind === 'notUnderstood' ? read : null;
	});
	/** How far the field is scrolled, so that the mark under a word goes with it. */
	let scrolled = $state(0);
	/** All that was typed. */
	const inside = $derived.by(() => {
		const steps: Step[] = [];
		if (several?.kind === 'steps') eachStep(several.steps, (step) => steps.push(step));
		return steps;
	});
	const count = $derived(inside.filter(({ kind }) => !definitionOf(kind).isBranch).length);
	/** Grouped by family while nothing is typed; best first after that. */
	const groups = $derived.by(() => {
		if (several) return [];
		if (isTyped || place.isForTrigger) return [{ family: null, offers }];
		return families
			.map((family) => ({
				family,
				offers: offers.filter(({ definition }) => definition.family === family)
			}))
			.filter((group) => group.offers.length > 0);
	});
	const ordered = $derived(groups.flatMap((group) => group.offers));
	const chosen = $derived(ordered[active]);

	/** What is typed is done with; a shelf that closes now draws its other steps no more. */
	function clear() {
		if (isDocked) text = '';
	}

	function take(offer: Offer) {
		clear();
		onchoose(offer);
	}

	function takeSeveral() {
		if (several?.kind !== 'steps') return;
		onseveral(several.steps);
		clear();
	}

	function choose(index: number) {
		active = index;
		const { kind } = ordered[index]?.definition ?? {};
		document.getElementById(`offer-${kind}-${index}`)?.scrollIntoView({ block: 'nearest' });
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Escape') return;
		const count = ordered.length;
		if (event.key === 'ArrowDown') choose((active + 1) % Math.max(1, count));
		else if (event.key === 'ArrowUp') choose((active + count - 1) % Math.max(1, count));
		else if (event.key === 'Enter' && several) takeSeveral();
		else if (event.key === 'Enter' && chosen) take(chosen);
		else return;
		event.preventDefault();
	}

	const keyOf = ({ definition, values }: Offer) => `${definition.kind} ${JSON.stringify(values)}`;

	function draggable(element: HTMLElement, offer: Offer) {
		if (!dragging) return;
		const key = ({ definition, values }: Offer) => newStepKey(definition.kind, values);
		const tag = dragging.tag(element, key(offer));
		return { update: (next: Offer) => tag.update(key(next)), destroy: tag.destroy };
	}
</script>

<div class="shelf" class:docked={isDocked}>
	{#if place.level !== 'first'}
		<div class="typed">
			<input
				class="field"
				aria-invalid={misread !== null}
				aria-describedby={misread ? 'shelf-misread' : undefined}
				data-first-focus={isDocked ? undefined : true}
				type="text"
				bind:value={text}
				oninput={() => (active = 0)}
				{onkeydown}
				onscroll={(event) => (scrolled = event.currentTarget.scrollLeft)}
				placeholder={t('shelf.type')}
				aria-label={t('shelf.type')}
				role="combobox"
				aria-expanded="true"
				aria-controls="shelf-list"
				aria-activedescendant={chosen ? `offer-${chosen.definition.kind}-${active}` : undefined}
				autocomplete="off"
				spellcheck="false"
			/>
			{#if misread}
				<div class="marks" aria-hidden="true">
					<span style:margin-left="{-scrolled}px"
						>{text.slice(0, misread.from)}<u>{text.slice(misread.from, misread.to) || ' '}</u></span
					>
				</div>
			{/if}
		</div>
	{/if}
	<div
		class="list"
		class:empty={several !== null}
		id="shelf-list"
		role="listbox"
		aria-label={t('shelf.label')}
	>
		{#each groups as group (group.family)}
			<div
				class="group"
				role="group"
				aria-label={group.family ? t(`family.${group.family}`) : t('shelf.label')}
			>
				{#if group.family}<div class="family" aria-hidden="true">
						{t(`family.${group.family}`)}
					</div>{/if}
				{#each group.offers as offer (keyOf(offer))}
					{@const { kind } = offer.definition}
					{@const index = ordered.indexOf(offer)}
					<div
						id="offer-{kind}-{index}"
						class="offer"
						class:active={chosen === offer}
						role="option"
						tabindex={-1}
						aria-selected={chosen === offer}
						aria-label={phrase(kind, offer.values)}
						title={t(`step.${kind}.help`)}
						use:draggable={offer}
						onpointerenter={() => (active = index)}
						onclick={() => take(offer)}
						onkeydown={(event) => {
							if (event.key !== 'Enter' && event.key !== ' ') return;
							event.preventDefault();
							take(offer);
						}}
					>
						<Glyph {kind} values={offer.values} size={22} />
						<span class="words">{phrase(kind, offer.values)}</span>
					</div>
				{/each}
			</div>
		{/each}
	</div>
	{#if several?.kind === 'steps'}
		<button class="button button-main several" onclick={takeSeveral}
			>{t('shelf.several', { count })}</button
		>
		<p class="preview">
			{inside.map(({ kind, values }) => phrase(kind, values)).join(' · ')}
		</p>
	{:else if misread}
		<p class="nothing" id="shelf-misread" role="alert">{whyNot(text, misread)}</p>
	{/if}
	{#if chosen && !several}
		{@const { kind } = chosen.definition}
		<div class="about">
			<p>{t(`step.${kind}.help`)}</p>
			<button class="button button-plain" onclick={() => onhelp(chosen)}
				><CircleHelp size={16} />{t('shelf.help')}</button
			>
		</div>
	{/if}
</div>

<style>
	.shelf {
		width: min(22rem, calc(100vw - 2rem));
		padding: 0.6rem;
	}
	.shelf.docked {
		width: auto;
	}
	.typed {
		position: relative;
	}
	.typed .field {
		width: 100%;
	}
	/* Lies over the field, letter on letter, and shows only the line under what is wrong. */
	.marks {
		position: absolute;
		inset: 0 0.8rem;
		display: flex;
		align-items: center;
		overflow: hidden;
		color: transparent;
		white-space: pre;
		pointer-events: none;
	}
	.marks u {
		text-decoration: underline wavy var(--signal) 1.5px;
		text-underline-offset: 0.25em;
	}
	.list {
		margin-top: 0.4rem;
	}
	.shelf:not(.docked) {
		display: flex;
		flex-direction: column;
		max-height: min(30rem, calc(var(--available-height, 100vh) - 1rem));
	}
	.shelf:not(.docked) .list {
		flex: 1;
		min-height: 8rem;
		overflow: auto;
	}
	.docked .list {
		max-height: 13.5rem;
		overflow: auto;
	}
	.docked .group {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
	}
	.docked .family {
		grid-column: 1 / -1;
	}
	.shelf .list.empty {
		display: none;
	}
	.family {
		padding: 0.45rem 0.5rem 0.1rem;
		color: var(--ink-soft);
		font-size: 0.8rem;
		font-weight: 600;
	}
	.offer {
		display: flex;
		align-items: center;
		gap: 0.65rem;
		min-height: 2.75rem;
		padding: 0 0.5rem;
		border-radius: 0.5rem;
		cursor: pointer;
	}
	.offer.active {
		background: var(--verdigris-soft);
	}
	.words {
		flex: 1;
		min-width: 0;
		line-height: 1.2;
	}
	.about {
		position: sticky;
		bottom: -0.6rem;
		display: flex;
		align-items: center;
		gap: 0.5rem;
		margin: 0.4rem -0.6rem -0.6rem;
		padding: 0.35rem 0.6rem 0.45rem 1.1rem;
		border-top: 1px solid var(--line);
		background: var(--paper-deep);
		color: var(--ink-soft);
		font-size: 0.86rem;
		line-height: 1.25;
	}
	.about p {
		flex: 1;
		min-height: 2.5em;
	}
	.about .button {
		flex: none;
		padding: 0 0.4rem;
		font-size: 0.86rem;
	}
	.several {
		width: 100%;
		margin-top: 0.5rem;
	}
	.preview {
		padding: 0.4rem 0.2rem 0;
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	.nothing {
		padding: 0.6rem;
		color: var(--ink-soft);
	}
</style>
