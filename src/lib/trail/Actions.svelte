<script lang="ts">
	/** What else can be done with a step or a chain. */
	import './words';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import CircleHelp from '@lucide/svelte/icons/circle-help';
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Copy from '@lucide/svelte/icons/copy';
	import CopyPlus from '@lucide/svelte/icons/copy-plus';
	import GitFork from '@lucide/svelte/icons/git-fork';
	import ListPlus from '@lucide/svelte/icons/list-plus';
	import Link2 from '@lucide/svelte/icons/link-2';
	import MessageSquare from '@lucide/svelte/icons/message-square';
	import PanelRightOpen from '@lucide/svelte/icons/panel-right-open';
	import Play from '@lucide/svelte/icons/play';
	import Power from '@lucide/svelte/icons/power';
	import Radio from '@lucide/svelte/icons/radio';
	import Repeat from '@lucide/svelte/icons/repeat';
	import Scissors from '@lucide/svelte/icons/scissors';
	import Shuffle from '@lucide/svelte/icons/shuffle';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Ungroup from '@lucide/svelte/icons/ungroup';
	import Unlink2 from '@lucide/svelte/icons/unlink-2';
	import Zap from '@lucide/svelte/icons/zap';
	import type { Component } from 'svelte';
	import { definitionOf } from '$core/steps/catalogue';
	import { toClipboard } from '$lib/copied';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import { shownKeys } from '$lib/ui/keys';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { chainKeys, copyKeys, tagKeys, walkKeys } from './key-table';
	import type { HeadRow, StepRow } from './rows';
	import type { Opening } from './Sheet.svelte';

	let {
		bench,
		row,
		onclose,
		onopen
	}: {
		bench: Workbench;
		row: StepRow | HeadRow;
		onclose: (key?: string) => void;
		/** Goes on in another sheet at the same place. */
		onopen: (opening: (anchor: HTMLElement) => Opening) => void;
	} = $props();

	interface Action {
		readonly icon: Component;
		readonly key: string;
		/** The keys that do it on a tag. */
		readonly hint?: string;
		readonly act: () => void;
		/** It leads on to another sheet, so this one is not closed. */
		readonly leadsOn?: boolean;
	}

	const { editing } = $derived(bench);
	const isFirst = $derived(preferences.level === 'first');

	function stepActions({ step, holder, index, size }: StepRow): (Action | false)[] {
		const { id } = step;
		const { isBranch, branches } = definitionOf(step.kind);
		const { copied } = editing;
		const paste = () => copied && editing.paste({ holder, index: index + 1 }, copied);
		return [
			{
				icon: ArrowUp,
				key: 'trail.moveUp',
				hint: shownKeys(tagKeys.move, 0),
				act: () => editing.moving.nudge(id, -1)
			},
			{
				icon: ArrowDown,
				key: 'trail.moveDown',
				hint: shownKeys(tagKeys.move, 1),
				act: () => editing.moving.nudge(id, 1)
			},
			{
				icon: CopyPlus,
				key: 'trail.duplicate',
				hint: shownKeys(tagKeys.duplicate),
				act: () => editing.duplicate(id)
			},
			!isFirst &&
				index + 1 < size && {
					icon: ListPlus,
					key: 'trail.selectNext',
					hint: shownKeys(tagKeys.select, 1),
					act: () => editing.selection.selectNext(id)
				},
			!isFirst && {
				icon: Copy,
				key: 'trail.copy',
				hint: shownKeys(copyKeys.copy),
				act: () => toClipboard(editing.copy(id))
			},
			!isFirst && {
				icon: Scissors,
				key: 'trail.cut',
				hint: shownKeys(copyKeys.cut),
				act: () => toClipboard(editing.cut(id))
			},
			!isFirst &&
				copied !== null &&
				!isBranch && {
					icon: ClipboardPaste,
					key: 'trail.paste',
					hint: shownKeys(copyKeys.paste),
					act: paste
				},
			!isBranch && {
				icon: Repeat,
				key: 'trail.wrapRepeat',
				hint: shownKeys(tagKeys.wrap),
				act: () => editing.wrap(id, 'repeat')
			},
			!isBranch &&
				!isFirst && {
					icon: GitFork,
					key: 'trail.wrapChoose',
					hint: shownKeys(tagKeys.choose),
					act: () => editing.wrap(id, 'choose')
				},
			step.body !== undefined &&
				!isBranch && {
					icon: Ungroup,
					key: branches ? 'trail.unwrapChoice' : 'trail.unwrap',
					hint: shownKeys(tagKeys.unwrap),
					act: () => editing.unwrap(id)
				},
			!isBranch && {
				icon: Power,
				key: step.off ? 'trail.switchOn' : 'trail.switchOff',
				hint: shownKeys(tagKeys.off),
				act: () => editing.switchOff(id)
			},
			!isFirst && comment(id),
			!isBranch && {
				icon: PanelRightOpen,
				key: 'trail.setAside',
				hint: shownKeys(tagKeys.aside),
				act: () => editing.moving.moveTo(id, null)
			},
			help(step.kind),
			{
				icon: Trash2,
				key: 'trail.remove',
				hint: shownKeys(tagKeys.remove),
				act: () => editing.remove(id)
			}
		];
	}

	const comment = (step: string): Action => ({
		icon: MessageSquare,
		key: 'trail.comment',
		hint: shownKeys(tagKeys.comment),
		leadsOn: true,
		act: () => onopen((anchor) => ({ type: 'comment', step, anchor }))
	});

	const help = (kind: string): Action => ({
		icon: CircleHelp,
		key: 'trail.help',
		hint: shownKeys(walkKeys.help),
		leadsOn: true,
		act: () => onopen((anchor) => ({ type: 'help', kind, anchor }))
	});

	function chainActions({ chain: id, trigger }: HeadRow): (Action | false)[] {
		const isRoutine = trigger?.kind === 'routine';
		const untie = () => bench.desk.edit({ type: 'untie', chain: id }, t('say.untied'));
		return [
			{
				icon: Play,
				key: 'trail.runAlone',
				hint: shownKeys(chainKeys.runAlone),
				act: () => void bench.runs.rehearse(id)
			},
			bench.live?.shown?.robot !== undefined && {
				icon: Radio,
				key: 'trail.runAloneLive',
				act: () => void bench.runLive(id)
			},
			!isFirst &&
				!isRoutine && {
					icon: trigger ? Shuffle : Zap,
					key: trigger ? 'trail.changeTrigger' : 'trail.chooseTrigger',
					hint: shownKeys(chainKeys.trigger),
					leadsOn: true,
					act: () => onopen((anchor) => ({ type: 'triggers', chain: id, anchor }))
				},
			trigger
				? !isRoutine && { icon: Unlink2, key: 'trail.untie', act: untie }
				: { icon: Link2, key: 'trail.tieOwn', act: () => editing.tie(id) },
			trigger !== null && {
				icon: Power,
				key: trigger.off ? 'trail.switchOn' : 'trail.switchOff',
				hint: shownKeys(tagKeys.off),
				act: () => editing.switchOff(trigger.id)
			},
			!isFirst && trigger !== null && comment(trigger.id),
			trigger !== null && help(trigger.kind),
			{
				icon: Trash2,
				key: 'trail.removeChain',
				act: () => bench.desk.edit({ type: 'removeChain', chain: id }, t('say.chainRemoved'))
			}
		];
	}

	const actions = $derived(
		(row.type === 'step' ? stepActions(row) : chainActions(row)).filter((action) => !!action)
	);
</script>

<ul class="actions">
	{#each actions as { icon: Icon, key, hint, act, leadsOn } (key)}
		<li>
			<button
				class="button button-plain action"
				data-first-focus={key === actions[0]?.key ? true : undefined}
				onclick={() => {
					act();
					if (!leadsOn) onclose();
				}}
				><Icon size={18} /><span class="word">{t(key)}</span>
				{#if hint}<kbd aria-hidden="true">{hint}</kbd>{/if}</button
			>
		</li>
	{/each}
</ul>

<style>
	.actions {
		padding: 0.35rem;
		min-width: 15rem;
	}
	.action {
		width: 100%;
		min-height: 2.5rem;
		justify-content: flex-start;
		font-weight: 450;
	}
	.word {
		flex: 1;
		text-align: left;
	}
	kbd {
		color: var(--ink-soft);
		font-family: inherit;
		font-size: 0.8rem;
	}
	@media (pointer: coarse) {
		.action {
			min-height: 2.75rem;
		}
		kbd {
			display: none;
		}
	}
</style>
