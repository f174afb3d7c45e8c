<script lang="ts">
	/** Earlier contents of a plan or course: when, by whom, a look, and the way back. */
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import { z } from 'zod';
	import { courseSchema, type Course } from '$core/course/course';
	import { planSchema, type Plan } from '$core/plan/plan';
	import CourseDrawing from '$lib/floor/CourseDrawing.svelte';
	import { t } from '$lib/i18n';
	import { versionSchema, type Listed, type Version } from '$lib/saving/answers';
	import { request } from '$lib/saving/send';
	import PlanInWords from '$lib/words/PlanInWords.svelte';
	import { showSummary } from '$lib/lists/summary';
	import Moment from '$lib/ui/Moment.svelte';

	let {
		document,
		onclose,
		ongoback
	}: {
		document: Listed;
		onclose: () => void;
		ongoback: (version: Version) => Promise<unknown>;
	} = $props();

	const address = $derived(`/api/documents/${document.id}/versions`);
	const listing = $derived(list(address));
	let chosen = $state.raw<Version | null>(null);
	let look = $state.raw<Plan | Course | null>(null);
	let refusal = $state('');

	async function list(from: string): Promise<Version[]> {
		return z.array(versionSchema).parse(await request('GET', from));
	}

	async function choose(version: Version) {
		chosen = version;
		look = null;
		refusal = '';
		try {
			const content = await request('GET', `${address}/${version.id}`);
			if (chosen === version) look = z.union([planSchema, courseSchema]).parse(content);
		} catch (error) {
			refusal = error instanceof z.ZodError ? t('home.unreadable') : (error as Error).message;
		}
	}

	async function goBack(version: Version) {
		await ongoback(version);
		onclose();
	}
</script>

<Dialog open onOpenChange={({ open }) => !open && onclose()}>
	<Portal>
		<Dialog.Positioner class="middle">
			<Dialog.Content class="panel dialog versions">
				<Dialog.Title class="heading text-xl"
					>{t('versions.title', { name: document.name })}</Dialog.Title
				>
				<p class="hint">{t('versions.hint')}</p>
				{#await listing then versions}
					{#if versions.length === 0}
						<p class="none">{t('versions.none')}</p>
					{:else}
						<div class="both">
							<ul>
								{#each versions as version (version.id)}
									<li>
										<button
											class="version"
											aria-pressed={chosen?.id === version.id}
											onclick={() => choose(version)}
										>
											<Moment iso={version.savedAt} />
											<span class="hint"
												>{t('versions.by', { name: version.by ?? t('home.nobody') })} · {showSummary(
													version.summary
												)}</span
											>
										</button>
									</li>
								{/each}
							</ul>
							<div class="look" aria-live="polite" data-testid="version-look">
								{#if refusal}
									<p role="alert">{refusal}</p>
								{:else if look && 'chains' in look}
									<h3>{look.name}</h3>
									<PlanInWords plan={look} />
								{:else if look}
									<h3>{look.name}</h3>
									<svg
										class="on-floor"
										viewBox="0 0 {look.size.width} {look.size.height}"
										aria-hidden="true"
									>
										<g transform="translate(0,{look.size.height}) scale(1,-1)"
											><CourseDrawing course={look} isSmall /></g
										>
									</svg>
								{:else if !chosen}
									<p class="hint">{t('versions.choose')}</p>
								{/if}
							</div>
						</div>
					{/if}
				{:catch}
					<p role="alert">{t('home.failed')}</p>
				{/await}
				<div class="mt-4 flex justify-end gap-2">
					<button type="button" class="button button-line" onclick={onclose}
						>{t('home.cancel')}</button
					>
					<button
						class="button button-main"
						disabled={!chosen || !look}
						onclick={() => chosen && goBack(chosen)}>{t('versions.goBack')}</button
					>
				</div>
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>

<style>
	:global(.dialog.versions) {
		width: min(52rem, 100%);
	}
	.hint {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	.none {
		padding: 1.5rem 0;
	}
	.both {
		display: grid;
		grid-template-columns: minmax(12rem, 2fr) 3fr;
		gap: 1rem;
		margin-top: 0.75rem;
	}
	.both > * {
		max-height: min(24rem, 55vh);
		overflow: auto;
	}
	.version {
		display: flex;
		flex-direction: column;
		width: 100%;
		min-height: 2.75rem;
		padding: 0.35rem 0.6rem;
		border-left: 3px solid transparent;
		text-align: left;
		cursor: pointer;
	}
	.version[aria-pressed='true'] {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
	}
	.look {
		padding: 0.5rem 0.75rem;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
	}
	h3 {
		margin-bottom: 0.4rem;
		font-weight: 650;
		overflow-wrap: anywhere;
	}
	svg {
		width: 100%;
		max-height: 18rem;
	}
	@media (max-width: 620px) {
		.both {
			grid-template-columns: minmax(0, 1fr);
		}
		.both > * {
			max-height: 30vh;
		}
	}
</style>
