<script lang="ts">
	/** Where steps are taken from: type what you want, or choose from the families. */
	import { families } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import { phrase } from '$lib/trail/words';
	import { offersFor, type Offer } from './typed';

	let { onchoose }: { onchoose: (offer: Offer) => void } = $props();

	let text = $state('');
	let active = $state(0);

	const offers = $derived(offersFor(text));
	/** Grouped by family while nothing is typed; best first after that. */
	const groups = $derived(
		text.trim() === ''
			? families
					.map((family) => ({
						family,
						offers: offers.filter(({ definition }) => definition.family === family)
					}))
					.filter((group) => group.offers.length > 0)
			: [{ family: null, offers }]
	);
	const ordered = $derived(groups.flatMap((group) => group.offers));
	const chosen = $derived(ordered[active]);

	function onkeydown(event: KeyboardEvent) {
		const count = ordered.length;
		if (event.key === 'ArrowDown') active = (active + 1) % Math.max(1, count);
		else if (event.key === 'ArrowUp') active = (active + count - 1) % Math.max(1, count);
		else if (event.key === 'Enter' && chosen) onchoose(chosen);
		else return;
		event.preventDefault();
	}
</script>

<div class="shelf">
	<input
		class="field"
		data-first-focus
		type="text"
		bind:value={text}
		oninput={() => (active = 0)}
		{onkeydown}
		placeholder={t('shelf.type')}
		aria-label={t('shelf.type')}
		role="combobox"
		aria-expanded="true"
		aria-controls="shelf-list"
		aria-activedescendant={chosen ? `offer-${chosen.definition.kind}` : undefined}
		autocomplete="off"
		spellcheck="false"
	/>
	<div class="list" id="shelf-list" role="listbox" aria-label={t('shelf.label')}>
		{#each groups as group (group.family)}
			<div role="group" aria-label={group.family ? t(`family.${group.family}`) : t('shelf.label')}>
				{#if group.family}<div class="family" aria-hidden="true">
						{t(`family.${group.family}`)}
					</div>{/if}
				{#each group.offers as offer (offer.definition.kind)}
					{@const { kind, glyph } = offer.definition}
					<div
						id="offer-{kind}"
						class="offer"
						class:active={chosen === offer}
						role="option"
						tabindex="-1"
						aria-selected={chosen === offer}
						title={t(`step.${kind}.help`)}
						onpointerenter={() => (active = ordered.indexOf(offer))}
						onclick={() => onchoose(offer)}
						onkeydown={(event) => event.key === 'Enter' && onchoose(offer)}
					>
						<svg viewBox="0 0 24 24" width="22" height="22" aria-hidden="true"
							><path d={glyph} /></svg
						>
						<span>{phrase(kind, offer.values)}</span>
					</div>
				{/each}
			</div>
		{/each}
	</div>
	{#if ordered.length === 0}<p class="nothing" role="status">{t('shelf.nothing', { text })}</p>{/if}
</div>

<style>
	.shelf {
		width: min(21rem, calc(100vw - 2rem));
		padding: 0.6rem;
	}
	.list {
		margin-top: 0.4rem;
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
	svg {
		flex: none;
		fill: none;
		stroke: currentColor;
		stroke-width: 1.9;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.nothing {
		padding: 0.6rem;
		color: var(--ink-soft);
	}
</style>
