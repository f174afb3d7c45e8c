<script lang="ts">
	/** A lamp colour: named ones, or any other. */
	import { t } from '$lib/i18n';
	import { lampColours } from '$lib/words/format';

	let {
		value,
		onset,
		ondone
	}: { value: string; onset: (value: string) => void; ondone: (value: string) => void } = $props();
</script>

<div class="colours" role="group" aria-labelledby="value-label">
	{#each lampColours as [name, colour] (colour)}
		<button
			class="colour"
			aria-pressed={colour === value}
			data-first-focus={colour === value ? true : undefined}
			onclick={() => ondone(colour)}
		>
			<span class="swatch" style:background={colour}></span>{t(`colour.${name}`)}
		</button>
	{/each}
</div>
<label class="other">
	{t('colour.other')}
	<input type="color" {value} onchange={(event) => onset(event.currentTarget.value)} />
</label>

<style>
	.colours {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.3rem;
	}
	.colour {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.75rem;
		padding: 0 0.6rem;
		border: 1.5px solid transparent;
		border-radius: 0.5rem;
		cursor: pointer;
	}
	.colour:hover {
		background: var(--verdigris-soft);
	}
	.colour[aria-pressed='true'] {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
	}
	.swatch {
		width: 1.25rem;
		height: 1.25rem;
		border: 1px solid var(--mist);
		border-radius: 50%;
	}
	.other {
		display: flex;
		align-items: center;
		justify-content: space-between;
		min-height: 2.75rem;
		padding: 0 0.6rem;
	}
	input {
		width: 3rem;
		height: 2.2rem;
	}
</style>
