<script lang="ts">
	/** Asks which signs the robot shows that is being paired, so that it is the right one. */
	import { untrack } from 'svelte';
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import { signColours, signCount, signsLast, signValues } from '$core/link/signs';
	import { t } from '$lib/i18n';
	import { robots } from './robots.svelte';

	const values = Array.from({ length: signValues }, (_, index) => index + 1);
	const asked = $derived(
		Object.entries(robots.links).find(([, { state }]) => state.phase === 'confirm')
	);
	const id = $derived(asked?.[0] ?? '');
	const confirm = $derived(asked?.[1].state.phase === 'confirm' ? asked[1].state : null);
	const name = $derived(robots.near[id]?.advert.name ?? '');
	// The page's clock goes by seconds: it may be older than the robot's word.
	const seconds = $derived(
		confirm ? Math.min(signsLast, Math.max(0, Math.ceil((confirm.until - robots.now) / 1000))) : 0
	);

	let signs = $state<(number | null)[]>(Array(signCount).fill(null));
	let radios = $state<HTMLInputElement[][]>(Array.from({ length: signCount }, () => []));
	const isWhole = $derived(signs.every((sign) => sign !== null));

	const isWrong = $derived(confirm?.isWrong ?? false);
	// Other signs are others to pick, from the first one on.
	$effect(() => {
		void id;
		if (untrack(() => !confirm?.isTold)) signs = Array(signCount).fill(null);
		if (isWrong) untrack(() => radios[0]![0]!.focus());
	});

	function send(event: SubmitEvent) {
		event.preventDefault();
		if (isWhole && !confirm?.isTold) robots.tell(id, signs as number[]);
	}

	/** A number that is typed fills the first sign that is open, or the one in focus. */
	function onkeydown(event: KeyboardEvent) {
		const sign = Number(event.key);
		if (!values.includes(sign) || event.ctrlKey || event.metaKey || event.altKey) return;
		event.preventDefault();
		const focused = radios.findIndex((row) => row.includes(document.activeElement as never));
		const open = signs.indexOf(null);
		const at = open >= 0 ? open : Math.max(0, focused);
		signs[at] = sign;
		radios[at]![sign - 1]!.focus();
	}
</script>

{#if confirm}
	<Dialog
		open
		onOpenChange={({ open }) => !open && robots.dismiss(id)}
		closeOnInteractOutside={false}
	>
		<Portal>
			<Dialog.Positioner class="middle">
				<Dialog.Content class="panel dialog signs">
					<Dialog.Title class="heading text-xl">{t('signs.title', { name })}</Dialog.Title>
					<Dialog.Description>{t('signs.how')}</Dialog.Description>
					<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
					<form onsubmit={send} {onkeydown}>
						<div class="rows">
							{#each signs as sign, nth (nth)}
								<fieldset>
									<legend>{t('signs.nth', { nth })}</legend>
									<div class="choices">
										{#each values as value (value)}
											<label
												class="choice"
												class:chosen={sign === value}
												style:--sign={signColours[value - 1]}
											>
												<input
													class="sr-only-live"
													type="radio"
													name="sign-{nth}"
													{value}
													checked={sign === value}
													aria-label={t('signs.blinks', { count: value })}
													bind:this={radios[nth]![value - 1]}
													onchange={() => (signs[nth] = value)}
												/>
												<span class="pips" aria-hidden="true">
													{#each values.slice(0, value) as pip (pip)}<span class="pip"
														></span>{/each}
												</span>
												<span class="number" aria-hidden="true">{value}</span>
											</label>
										{/each}
									</div>
								</fieldset>
							{/each}
						</div>
						<p class="news" class:calm={confirm?.isTold} role="alert">
							{#if confirm?.isTold}{t(confirm.hand ? 'signs.press' : 'signs.told', { name })}
							{:else}
								{#if confirm?.isWrong}{t('signs.wrong', { name })}{/if}
								{#if confirm?.hand}{t('signs.wantsHand', { name })}{/if}
							{/if}
						</p>
						<div class="end">
							<span class="left">{t('signs.left', { seconds })}</span>
							<button type="button" class="button button-line" onclick={() => robots.dismiss(id)}
								>{t('robots.cancel')}</button
							>
							<button class="button button-main" disabled={!isWhole || confirm?.isTold}
								>{t('signs.check')}</button
							>
						</div>
					</form>
				</Dialog.Content>
			</Dialog.Positioner>
		</Portal>
	</Dialog>
{/if}

<style>
	:global(.signs) {
		display: grid;
		gap: 0.8rem;
		width: min(36rem, 100%);
	}
	.rows {
		display: grid;
		gap: 0.5rem;
	}
	fieldset {
		display: flex;
		align-items: center;
	}
	legend {
		float: left;
		flex: none;
		width: 4.5rem;
		font-weight: 600;
	}
	.choices {
		display: grid;
		flex: 1;
		grid-template-columns: repeat(4, minmax(0, 1fr));
		gap: 0.5rem;
	}
	.choice {
		display: grid;
		justify-items: center;
		padding: 0.35rem 0.3rem 0.1rem;
		border: 2px solid var(--line);
		border-radius: 0.7rem;
		cursor: pointer;
	}
	.choice:hover {
		border-color: var(--mist);
	}
	.chosen {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
	}
	.choice:focus-within {
		outline: 2px solid var(--verdigris);
		outline-offset: 2px;
	}
	.pips {
		display: flex;
		gap: 0.25rem;
		align-items: center;
		min-height: 1.1rem;
	}
	.pip {
		width: 0.95rem;
		height: 0.95rem;
		border: 1px solid var(--ink);
		border-radius: 50%;
		background: var(--sign);
	}
	.number {
		color: var(--ink-soft);
		font-variant-numeric: tabular-nums;
	}
	.news {
		min-height: 1.5em;
		margin-top: 0.6rem;
		color: var(--signal);
	}
	.news.calm {
		color: var(--ink);
		font-weight: 600;
	}
	.end {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		justify-content: flex-end;
	}
	.left {
		flex: 1 1 8rem;
		color: var(--ink-soft);
		font-variant-numeric: tabular-nums;
	}
	@media (max-width: 430px) {
		.pips {
			gap: 0.15rem;
		}
		.pip {
			width: 0.6rem;
			height: 0.6rem;
		}
	}
</style>
