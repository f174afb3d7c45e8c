<script lang="ts">
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import { t } from '$lib/i18n';
	import type { Listed } from '$lib/saving/answers';

	let {
		document,
		onclose,
		onrename
	}: {
		document: Listed;
		onclose: () => void;
		onrename: (id: string, name: string) => Promise<unknown>;
	} = $props();

	let name = $derived(document.name);

	async function submit(event: SubmitEvent) {
		event.preventDefault();
		if (name.trim()) await onrename(document.id, name);
		onclose();
	}
</script>

<Dialog open onOpenChange={({ open }) => !open && onclose()}>
	<Portal>
		<Dialog.Positioner class="middle">
			<Dialog.Content class="panel dialog">
				<Dialog.Title class="heading mb-3 text-xl">{t('home.rename')}</Dialog.Title>
				<form onsubmit={submit}>
					<label for="rename-name">{t('home.newName')}</label>
					<input id="rename-name" class="field mt-1" bind:value={name} maxlength="80" required />
					<div class="mt-4 flex justify-end gap-2">
						<button type="button" class="button button-line" onclick={onclose}
							>{t('home.cancel')}</button
						>
						<button class="button button-main">{t('home.save')}</button>
					</div>
				</form>
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>
