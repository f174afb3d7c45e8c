<script lang="ts">
	/** Whether the work is safe, and where. */
	import CloudOff from '@lucide/svelte/icons/cloud-off';
	import LoaderCircle from '@lucide/svelte/icons/loader-circle';
	import Check from '@lucide/svelte/icons/check';
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { t } from '$lib/i18n';
	import type { Saver } from '$lib/saving/saver.svelte';

	let { saver }: { saver: Saver } = $props();

	const icons = {
		saved: Check,
		saving: LoaderCircle,
		kept: CloudOff,
		unkept: TriangleAlert,
		refused: TriangleAlert
	};
	const Icon = $derived(icons[saver.state]);
	const text = $derived(t(`save.${saver.state}`, { reason: saver.refusal }));
	const short = $derived(
		saver.state === 'saved' || saver.state === 'saving' ? text : t(`save.${saver.state}Short`)
	);
</script>

<span
	class="state {saver.state}"
	role="status"
	title={text}
	data-testid="saved-state"
	data-state={saver.state}
>
	<Icon size={16} aria-hidden="true" /><span class="words">{short}</span>
</span>

<style>
	.state {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		min-width: 5.2rem;
		max-width: 16rem;
		color: var(--ink-soft);
		font-size: 0.88rem;
		white-space: nowrap;
	}
	.words {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.kept {
		color: var(--lamp-text);
		font-weight: 600;
	}
	.unkept,
	.refused {
		color: var(--signal);
		font-weight: 600;
	}
	@media (max-width: 720px) {
		.state {
			min-width: 0;
		}
	}
	/* The plan's name needs the room; the mark says it. */
	@media (max-width: 560px), (min-width: 901px) and (max-width: 1100px) {
		.state {
			min-width: 0;
		}
		.saved .words,
		.saving .words {
			position: absolute;
			width: 1px;
			height: 1px;
			clip-path: inset(50%);
		}
	}
</style>
