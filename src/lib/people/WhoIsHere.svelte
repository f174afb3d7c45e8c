<script lang="ts">
	/** Picks a name on first use. A name, not a login. */
	import { invalidateAll } from '$app/navigation';
	import { t } from '$lib/i18n';
	import { request } from '$lib/saving/send';

	let { people, ondone }: { people: readonly { id: string; name: string }[]; ondone: () => void } =
		$props();

	let name = $state('');
	let refusal = $state('');

	async function take(chosen: string) {
		if (!chosen.trim()) return;
		try {
			await request('POST', '/api/people', { name: chosen });
		} catch (error) {
			refusal = (error as Error).message || t('home.failed');
			return;
		}
		await invalidateAll();
		ondone();
	}
</script>

<section class="panel who" aria-labelledby="who-title">
	<h2 id="who-title" class="heading">{t('person.who')}</h2>
	<p>{t('person.why')}</p>
	<ul>
		{#each people as person (person.id)}
			<li>
				<button class="button button-line" onclick={() => take(person.name)}>{person.name}</button>
			</li>
		{/each}
	</ul>
	<form
		onsubmit={(event) => {
			event.preventDefault();
			void take(name);
		}}
	>
		<label for="new-name">{t('person.new')}</label>
		<div class="line">
			<input id="new-name" class="field" bind:value={name} maxlength="80" autocomplete="off" />
			<button class="button button-main" disabled={!name.trim()}>{t('person.take')}</button>
		</div>
	</form>
	{#if refusal}<p role="alert">{refusal}</p>{/if}
</section>

<style>
	.who {
		max-width: 34rem;
		margin: 1.5rem 0;
		padding: 1.25rem 1.5rem 1.5rem;
	}
	h2 {
		font-size: 1.4rem;
	}
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin: 0.9rem 0;
	}
	.line {
		display: flex;
		gap: 0.5rem;
		margin-top: 0.3rem;
	}
</style>
