<script lang="ts">
	/** The name of what is open, to be changed in place, and whose it is. */
	import { t } from '$lib/i18n';

	let {
		label,
		name,
		owner,
		onrename
	}: {
		label: string;
		name: string;
		owner: string;
		/** @returns false when it cannot have that name */
		onrename: (name: string) => boolean;
	} = $props();

	function rename(event: Event & { currentTarget: HTMLInputElement }) {
		const input = event.currentTarget;
		if (input.value.trim() === name) return;
		if (!onrename(input.value)) input.value = name;
	}
</script>

<div class="title-field">
	<input
		class="title heading"
		aria-label={label}
		value={name}
		maxlength="80"
		onchange={rename}
		onkeydown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
	/>
	<span class="owner">{t('bench.owner', { name: owner })}</span>
</div>

<style>
	.title-field {
		display: flex;
		flex-direction: column;
		flex: 1 1 9rem;
		min-width: 6rem;
		line-height: 1.1;
	}
	.title {
		width: 100%;
		padding: 0.1rem 0.35rem;
		border: 1px solid transparent;
		border-radius: 0.4rem;
		background: transparent;
		font-size: 1.08rem;
		text-overflow: ellipsis;
	}
	.title:hover {
		border-color: var(--line);
	}
	.owner {
		padding-left: 0.4rem;
		color: var(--ink-soft);
		font-size: 0.78rem;
	}
</style>
