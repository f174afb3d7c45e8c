<script lang="ts" module>
	/** What can be undone, and done again. */
	export interface UndoDesk {
		readonly canUndo: boolean;
		readonly canRedo: boolean;
		undo(): void;
		redo(): void;
	}
</script>

<script lang="ts">
	/** Undo and do again. */
	import Redo2 from '@lucide/svelte/icons/redo-2';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { t } from '$lib/i18n';
	import { shownKeys } from '$lib/ui/keys';
	import { deskKeys } from './keys';

	let { desk }: { desk: UndoDesk } = $props();
</script>

<button
	class="button button-plain button-icon"
	aria-label={t('bench.undo')}
	title="{t('bench.undo')} ({shownKeys(deskKeys.undo)})"
	disabled={!desk.canUndo}
	onclick={() => desk.undo()}><Undo2 size={19} /></button
>
<button
	class="button button-plain button-icon"
	aria-label={t('bench.redo')}
	title="{t('bench.redo')} ({shownKeys(deskKeys.redo)})"
	disabled={!desk.canRedo}
	onclick={() => desk.redo()}><Redo2 size={19} /></button
>
