<script lang="ts" generics="Side extends string">
	/**
	 * What every desk is: a bar, what has to be said, the floor at the left and the other side at the
	 * right; on a phone one of them. It opens, keeps and leaves what lies on it.
	 */
	import { onMount, untrack, type Snippet } from 'svelte';
	import { replaceState } from '$app/navigation';
	import { t } from '$lib/i18n';
	import type { Saver } from '$lib/saving/saver.svelte';
	import { preferences } from '$lib/preferences.svelte';
	import { press, type KeySheet } from '$lib/ui/keys';
	import { isTyping } from '$lib/ui/typing';
	import Border from './Border.svelte';
	import { deskKeys } from './keys';
	import Notices from './Notices.svelte';
	import type { UndoDesk } from './UndoButtons.svelte';
	import type { Voice } from './voice.svelte';

	interface Bench {
		readonly saver: Saver;
		readonly voice: Voice;
		restore(): Promise<void>;
		dispose(): void;
	}

	let {
		bench,
		desk,
		name,
		onsavefile,
		path,
		onrename,
		side,
		sideWord,
		pane = $bindable(),
		keys,
		showsKeys = $bindable(),
		onkey,
		columns,
		stacks = false,
		bar,
		floor,
		docked,
		below,
		other
	}: {
		bench: Bench;
		desk: UndoDesk;
		/** Of the document. */
		name: string;
		onsavefile: () => void;
		/** Before its id. */
		path: string;
		/** Another device made the same one longer: this is a second version, of that name. */
		onrename: (name: string) => void;
		/** What is at the right, and how it is called. */
		side: Side;
		sideWord: string;
		/** What a phone shows. */
		pane: 'floor' | Side;
		keys: KeySheet;
		/** The sheet of keys is open. */
		showsKeys: boolean;
		/** Keys of this desk, before those of every desk. @returns whether it was one */
		onkey: (event: KeyboardEvent) => boolean;
		/** Of a grid with the floor and the side; on a narrow screen the same, if not given. */
		columns: { readonly wide: string; readonly narrow?: string };
		/** On a tablet upright the side lies below the floor, with a border that can be moved. */
		stacks?: boolean;
		bar: Snippet;
		floor: Snippet;
		/** Panels for a moment, over at most two fifths of the floor. */
		docked?: Snippet | undefined;
		/** Below the floor. */
		below: Snippet;
		other: Snippet;
	} = $props();

	const opened = untrack(() => bench.saver.id);

	onMount(() => {
		void bench.restore();
		// What an edit, or something pasted, may be refused for.
		void import('$lib/i18n/refusals');
		const hurry = () => bench.saver.hurry();
		addEventListener('online', hurry);
		return () => {
			removeEventListener('online', hurry);
			bench.dispose();
		};
	});
	$effect(() => {
		const kept = bench.saver.secondVersion;
		if (!kept) return;
		replaceState(path + kept.id, {});
		untrack(() => onrename(kept.name));
	});

	function onkeydown(event: KeyboardEvent) {
		// A dialog has taken its Escape, and a field its own.
		if (event.defaultPrevented) return;
		const isOurs = () =>
			!isTyping(event.target) &&
			press(event, deskKeys, {
				undo: () => desk.undo(),
				redo: () => desk.redo(),
				keys: () => (showsKeys = true)
			});
		if (onkey(event) || isOurs()) event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />
<svelte:head><title>{name} · {t('app.name')}</title></svelte:head>

<div class="desk" style:--wide={columns.wide} style:--narrow={columns.narrow ?? columns.wide}>
	{@render bar()}
	<Notices
		saver={bench.saver}
		otherVersion={path + opened}
		refused={bench.voice.notice}
		ondismiss={() => (bench.voice.notice = '')}
		{onsavefile}
	/>
	<main
		class="panes"
		class:stacks
		data-pane={pane === 'floor' ? 'floor' : 'side'}
		style:--share={preferences.floorShare}
	>
		<div class="left">
			<div class="floor-pane">{@render floor()}</div>
			{#if docked}<div class="dock">{@render docked()}</div>{/if}
			<div class="below">{@render below()}</div>
		</div>
		{#if stacks}
			<div class="between">
				<Border
					share={preferences.floorShare}
					onshare={(floorShare) => preferences.choose({ floorShare })}
				/>
			</div>
		{/if}
		<div class="right">{@render other()}</div>
	</main>
	<nav class="switch" aria-label={t('bench.pane')}>
		{#each ['floor', side] as const as name (name)}
			<button
				class="button {pane === name ? 'button-main' : 'button-plain'}"
				aria-pressed={pane === name}
				onclick={() => (pane = name)}
				><span>{name === 'floor' ? t('bench.pane.floor') : sideWord}</span></button
			>
		{/each}
	</nav>
	<div class="sr-only-live" aria-live="assertive" data-testid="announcement">
		{#key bench.voice.announcement.count}<span>{bench.voice.announcement.text}</span>{/key}
	</div>
</div>

{#if showsKeys}
	{#await import('./ShortcutSheet.svelte') then { default: ShortcutSheet }}
		<ShortcutSheet {keys} onclose={() => (showsKeys = false)} />
	{/await}
{/if}

<style>
	.desk {
		display: flex;
		flex-direction: column;
		height: 100dvh;
		overflow: hidden;
	}
	.panes {
		display: grid;
		grid-template-columns: var(--wide);
		flex: 1;
		min-height: 0;
	}
	.left {
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 0;
	}
	.floor-pane {
		position: relative;
		flex: 1;
		min-height: 0;
	}
	.dock {
		flex: none;
		max-height: 42%;
		overflow-y: auto;
	}
	.right {
		min-width: 0;
		min-height: 0;
		border-left: 1px solid var(--line);
	}
	.switch,
	.between {
		display: none;
	}
	@media (max-width: 820px) {
		.panes {
			grid-template-columns: var(--narrow);
		}
		/* A panel takes half of the floor, and what is below makes room for it. */
		.dock {
			max-height: 55%;
		}
		.dock:has(> :global(*)) ~ .below {
			display: none;
		}
	}
	/* A tablet upright: floor above, the other side below. */
	@media (min-width: 561px) and (max-width: 820px) and (min-height: 700px) {
		.stacks {
			grid-template-columns: minmax(0, 1fr);
			grid-template-rows: calc(var(--share) * 100%) auto minmax(0, 1fr);
		}
		/* A panel, or a leaf, stands in the floor's part. */
		.stacks:has(.dock > :global(*), .below :global(section.leaf)) {
			grid-template-rows: minmax(calc(var(--share) * 100%), 66%) auto minmax(0, 1fr);
		}
		.between {
			display: block;
		}
		.stacks .right {
			border-left: 0;
		}
	}
	@media (max-width: 560px), (max-width: 820px) and (max-height: 699px) {
		.panes {
			grid-template-columns: minmax(0, 1fr);
		}
		.panes[data-pane='floor'] .right,
		.panes[data-pane='side'] .left {
			display: none;
		}
		.right {
			border-left: 0;
		}
		.switch {
			display: grid;
			grid-template-columns: 1fr 1fr;
			gap: 0.4rem;
			padding: 0.35rem 0.6rem;
			border-top: 1px solid var(--line);
			background: var(--paper);
		}
		.switch span {
			display: block;
		}
		.switch span::first-letter {
			text-transform: uppercase;
		}
	}
</style>
