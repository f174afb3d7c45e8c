<script lang="ts">
	/** Lets a person pick one file; the same one can be picked again. */
	import FolderOpen from '@lucide/svelte/icons/folder-open';

	let { label, accept, onpick }: { label: string; accept: string; onpick: (file: File) => void } =
		$props();

	let input: HTMLInputElement;

	function pick() {
		const [file] = input.files ?? [];
		input.value = '';
		if (file) onpick(file);
	}
</script>

<button class="button button-line" onclick={() => input.click()}
	><FolderOpen size={16} />{label}</button
>
<input type="file" hidden {accept} aria-label={label} bind:this={input} onchange={pick} />
