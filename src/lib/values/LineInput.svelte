<script lang="ts">
	/** A line of text with "Done": taken by that, by Enter, or by leaving it in any way but Escape. */
	import { untrack } from 'svelte';
	import { t } from '$lib/i18n';
	import { onLeave } from '$lib/ui/leaving';

	let {
		text = $bindable(),
		isRefused = false,
		maxlength = 200,
		describedby,
		labelledby = 'value-label',
		onset,
		onclose
	}: {
		text: string;
		/** It makes no sense and cannot be taken. */
		isRefused?: boolean;
		maxlength?: number;
		describedby?: string;
		labelledby?: string;
		/** Called only with another text. */
		onset: (text: string) => void;
		onclose: () => void;
	} = $props();

	let taken = untrack(() => text.trim());

	/** @returns whether the line can be left */
	function take(): boolean {
		const next = text.trim();
		if (next === taken) return true;
		if (isRefused) return false;
		taken = next;
		onset(next);
		return true;
	}
	onLeave(take);

	const done = () => {
		if (take()) onclose();
	};
</script>

<div class="line">
	<input
		class="field"
		data-first-focus
		type="text"
		{maxlength}
		bind:value={text}
		aria-labelledby={labelledby}
		aria-describedby={describedby}
		aria-invalid={isRefused}
		onfocus={(event) => event.currentTarget.select()}
		onkeydown={(event) => {
			if (event.key !== 'Enter') return;
			event.preventDefault();
			done();
		}}
	/>
	<button class="button button-main" disabled={isRefused} onclick={done}>{t('value.done')}</button>
</div>

<style>
	.line {
		display: flex;
		gap: 0.4rem;
	}
	.field {
		flex: 1;
		min-width: 0;
	}
</style>
