<script lang="ts">
	/** Undo and do again. */
	import { Redo2, Undo2 } from '@lucide/svelte';
	import { t } from '$lib/i18n';

	let {
		desk
	}: {
		desk: {
			readonly canUndo: boolean;
			readonly canRedo: boolean;
			undo(): void;
			redo(): void;
		};
	} = $props();
</script>

<button
	class="button button-plain button-icon"
	aria-label={t('bench.undo')}
	title="{t('bench.undo')} (Ctrl Z)"
	disabled={!desk.canUndo}
	onclick={() => desk.undo()}><Undo2 size={19} /></button
>
<button
	class="button button-plain button-icon"
	aria-label={t('bench.redo')}
	title="{t('bench.redo')} (Ctrl Shift Z)"
	disabled={!desk.canRedo}
	onclick={() => desk.redo()}><Redo2 size={19} /></button
>
