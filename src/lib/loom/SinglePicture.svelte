<script lang="ts">
	/** A picture that does not move, on the loom, with its files. */
	import Loom from './Loom.svelte';
	import PictureFiles from './PictureFiles.svelte';

	let { value, onset }: { value: string; onset: (picture: string) => void } = $props();
</script>

<Loom {value} {onset} />
<PictureFiles
	cloths={[{ picture: value, beats: 1 }]}
	shown={value}
	beat={0.5}
	onopen={([first]) => onset(first!.picture)}
/>
