<script lang="ts">
	/** A robot of the list: how it is, in a sentence, and what can be done about it. */
	import BatteryCharging from '@lucide/svelte/icons/battery-charging';
	import BatteryFull from '@lucide/svelte/icons/battery-full';
	import BatteryLow from '@lucide/svelte/icons/battery-low';
	import BatteryMedium from '@lucide/svelte/icons/battery-medium';
	import Ellipsis from '@lucide/svelte/icons/ellipsis';
	import Signal from '@lucide/svelte/icons/signal';
	import SignalLow from '@lucide/svelte/icons/signal-low';
	import SignalMedium from '@lucide/svelte/icons/signal-medium';
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import { robotKinds } from '$core/robots/kinds';
	import RobotDrawing from '$lib/floor/RobotDrawing.svelte';
	import { t } from '$lib/i18n';
	import type { Mine } from './mine';
	import { robots } from './robots.svelte';
	import { stateSentence } from './states';

	let {
		id,
		name,
		kind,
		mine,
		canPair
	}: { id: string; name: string; kind: string; mine?: Mine; canPair: boolean } = $props();

	/** Milliseconds that a menu takes to close. */
	const menuCloses = 80;
	let isRenaming = $state(false);
	let newName = $state('');
	let nameField = $state<HTMLInputElement>();

	const advert = $derived(robots.advertOf(id));
	const link = $derived(robots.links[id]);
	const phase = $derived(link?.state.phase);
	const isPaired = $derived(phase === 'paired');
	const battery = $derived(isPaired ? link?.battery : advert?.battery);
	const isCharging = $derived(isPaired ? link?.isCharging : advert?.state === 'charging');
	const BatteryIcon = $derived(
		isCharging
			? BatteryCharging
			: (battery ?? 1) < 0.2
				? BatteryLow
				: (battery ?? 1) < 0.7
					? BatteryMedium
					: BatteryFull
	);
	const level = $derived(
		(advert?.signal ?? 0) > 0.6 ? 'good' : (advert?.signal ?? 0) > 0.3 ? 'fair' : 'bad'
	);
	const SignalIcon = $derived(
		level === 'good' ? Signal : level === 'fair' ? SignalMedium : SignalLow
	);
	const sentence = $derived(stateSentence({ name, advert, link, isMine: mine !== undefined }));
	const isKnown = $derived(robotKinds.some((one) => one.kind === kind));
	/** What it shows of itself, such as its lamps. */
	const columns = $derived(
		Object.fromEntries(
			Object.entries((isPaired && link?.sensed?.shows) || {}).map(([key, value]) => [
				key,
				value ?? 0
			])
		)
	);
	const isFree = $derived(advert?.state === 'ready' || advert?.state === 'charging');
	/** It can be asked for already, and is had once it is free. */
	const canWait = $derived(advert?.state === 'starting' || advert?.state === 'busy');
	const isAwaited = $derived(robots.awaited.includes(id));
	const hasTrouble = $derived(phase === 'closed' || phase === 'lost');

	function rename(event: SubmitEvent) {
		event.preventDefault();
		if (newName.trim()) robots.send(id, { type: 'rename', name: newName.trim() });
		isRenaming = false;
	}

	const actions = $derived([...(isPaired ? ['rename', 'letGo', 'switchOff'] : []), 'forget']);

	function act(action: string) {
		if (action === 'rename') {
			newName = name;
			isRenaming = true;
			// A menu that closes hands the keyboard back to its button first.
			setTimeout(() => nameField?.select(), menuCloses);
		} else if (action === 'letGo') robots.letGo(id);
		else if (action === 'switchOff') robots.switchOff(id);
		else robots.forget(id);
	}
</script>

<article class="panel card" class:paired={isPaired} data-robot={id}>
	<svg viewBox="-0.13 -0.13 0.26 0.26" aria-hidden="true">
		{#if isKnown}
			<g transform="scale(1 -1) rotate(90)"><RobotDrawing {kind} {columns} /></g>
		{/if}
	</svg>
	<div class="words">
		<h3>
			{name}
			<span class="kind">{isKnown ? t(`bench.kind.${kind}`) : kind}</span>
		</h3>
		<p class="state" class:trouble={hasTrouble} role="status">{sentence}</p>
		{#if isRenaming}
			<form onsubmit={rename}>
				<input
					class="field"
					aria-label={t('robots.newName')}
					bind:value={newName}
					maxlength="80"
					bind:this={nameField}
					onkeydown={(event) => event.key === 'Escape' && (isRenaming = false)}
				/>
				<button class="button button-line">{t('robots.save')}</button>
			</form>
		{/if}
	</div>
	<div class="figures">
		{#if advert}
			<span title={t('robots.signal', { level })}
				><SignalIcon size={18} aria-hidden="true" /><span class="sr-only-live"
					>{t('robots.signal', { level })}</span
				></span
			>
		{/if}
		{#if battery !== undefined}
			<span title={t('robots.battery', { percent: Math.round(battery * 100) })}
				><BatteryIcon size={18} aria-hidden="true" /><span class="sr-only-live"
					>{t('robots.battery', { percent: Math.round(battery * 100) })}</span
				><span aria-hidden="true">{Math.round(battery * 100)} %</span></span
			>
		{/if}
	</div>
	<div class="actions">
		{#if phase === 'lost' || phase === 'connecting'}
			<button class="button button-line" onclick={() => robots.letGo(id)}
				>{t('robots.cancel')}</button
			>
		{:else if phase === 'closed'}
			<button class="button button-line" disabled={!canPair} onclick={() => robots.connect(id)}
				>{t('robots.again')}</button
			>
		{:else if !isPaired && isAwaited}
			<button class="button button-line" onclick={() => robots.dismiss(id)}
				>{t('robots.cancel')}</button
			>
		{:else if !isPaired && canWait}
			<button class="button button-line" disabled={!canPair} onclick={() => robots.await(id)}
				>{t('robots.await')}</button
			>
		{:else if !isPaired && advert}
			<button
				class="button {isFree && advert.version > 0 ? 'button-main' : 'button-line'}"
				aria-label={t('robots.pairName', { name })}
				disabled={!canPair}
				onclick={() => robots.connect(id)}>{t('robots.pair')}</button
			>
		{/if}
		{#if mine}
			<Menu
				onSelect={({ value }) => act(value)}
				positioning={{ placement: 'bottom-end', gutter: 6 }}
			>
				<Menu.Trigger
					class="button button-plain button-icon"
					aria-label={t('robots.more', { name })}><Ellipsis size={20} /></Menu.Trigger
				>
				<Menu.Positioner>
					<Menu.Content class="panel menu">
						{#each actions as action (action)}
							<Menu.Item value={action} class="menu-item">{t(`robots.${action}`)}</Menu.Item>
						{/each}
					</Menu.Content>
				</Menu.Positioner>
			</Menu>
		{/if}
	</div>
</article>

<style>
	.card {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr) auto auto;
		gap: 0.3rem 0.9rem;
		align-items: center;
		padding: 0.6rem 0.8rem;
	}
	.paired {
		border-left: 5px solid var(--verdigris);
	}
	svg {
		width: 3.6rem;
		height: 3.6rem;
	}
	h3 {
		font-weight: 650;
	}
	.kind {
		margin-left: 0.35rem;
		color: var(--ink-soft);
		font-weight: 400;
	}
	.state {
		color: var(--ink-soft);
	}
	.trouble {
		color: var(--signal);
	}
	form {
		display: flex;
		gap: 0.4rem;
		margin-top: 0.3rem;
	}
	.figures {
		display: flex;
		gap: 0.9rem;
		color: var(--ink-soft);
		font-variant-numeric: tabular-nums;
		white-space: nowrap;
	}
	.figures > span {
		display: flex;
		align-items: center;
		gap: 0.25rem;
	}
	.actions {
		display: flex;
		align-items: center;
		gap: 0.3rem;
		justify-self: end;
	}
	@media (max-width: 560px) {
		.card {
			grid-template-columns: auto minmax(0, 1fr);
		}
		svg {
			align-self: start;
		}
		.figures {
			grid-column: 1;
			flex-direction: column;
			gap: 0.2rem;
		}
	}
</style>
