<script lang="ts">
	/** A thing of the button board in use. */
	import type { BoardThing } from '$core/plan/board';
	import { t } from '$lib/i18n';
	import type { BoardHand, ThingOf } from './board.svelte';
	import Stick from './Stick.svelte';

	let { thing, name, hand }: { thing: BoardThing; name: string; hand: BoardHand } = $props();

	const keys: Readonly<Record<string, readonly [x: number, y: number]>> = {
		ArrowUp: [0, 1],
		ArrowDown: [0, -1],
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0]
	};

	function onkey(event: KeyboardEvent, stick: ThingOf<'stick'>) {
		const way = keys[event.key];
		if (!way || event.repeat) return;
		event.preventDefault();
		void hand.pull(stick, ...(event.type === 'keydown' ? way : ([0, 0] as const)));
	}
</script>

{#if thing.type === 'button'}
	<button class="button press" onclick={() => void hand.press(thing)}>{name}</button>
{:else if thing.type === 'slider'}
	{@const value = hand.values[thing.variable] ?? thing.from}
	<label class="slide"
		>{thing.variable}: {value}
		<input
			type="range"
			min={Math.min(thing.from, thing.to)}
			max={Math.max(thing.from, thing.to)}
			step={Math.abs(thing.to - thing.from) / 100 || 1}
			{value}
			oninput={(event) => void hand.slide(thing, Number(event.currentTarget.value))}
		/></label
	>
{:else}
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<div
		class="stick-keys"
		role="group"
		tabindex="0"
		aria-label={t('drive.stick')}
		onkeydown={(event) => onkey(event, thing)}
		onkeyup={(event) => onkey(event, thing)}
	>
		<Stick
			label={t('drive.stick')}
			x={hand.pulled.x}
			y={hand.pulled.y}
			onpull={(x, y) => void hand.pull(thing, x, y)}
		/>
	</div>
{/if}

<style>
	.press {
		width: 100%;
		min-height: 4rem;
		border-color: var(--lamp);
		background: var(--lamp-soft);
		white-space: normal;
	}
	.slide {
		display: grid;
		font-variant-numeric: tabular-nums;
	}
	input[type='range'] {
		width: 100%;
		min-height: 2.75rem;
		accent-color: var(--verdigris);
	}
	.stick-keys {
		display: flex;
		justify-content: center;
		padding: 0.3rem;
		border-radius: 0.6rem;
	}
</style>
