<script lang="ts">
	/** An expression: typed with completion, or put together by tapping its pieces. */
	import { onMount, tick, untrack } from 'svelte';
	import type { Scope } from '$core/expressions/typing';
	import { isExpression, type Value, type ValueDefinition } from '$core/steps/definition';
	import { say, t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import type { Figures } from '$lib/timeline/player.svelte';
	import { completionsFor, groupsFor, type Suggestion } from './completion';
	import { documentText, readExpression, showExpression } from '$lib/words/expression-words';
	import { readNumber, toShown, toStored } from '$lib/words/format';
	import { onLeave } from '$lib/ui/leaving';

	let {
		definition,
		value,
		scopeNow,
		variables,
		figures,
		draft,
		onset,
		onclose
	}: {
		definition: ValueDefinition;
		value: Value;
		scopeNow: () => Scope;
		/** Names of variables and inputs that can stand here. */
		variables: readonly string[];
		/** What the sensors say at the moment that is shown. */
		figures: Figures;
		/** What the person has typed already. */
		draft?: string | undefined;
		onset: (value: Value) => void;
		onclose: () => void;
	} = $props();

	const shownValue = (): string => {
		if (isExpression(value)) return showExpression(value.expression);
		if (definition.type === 'number') return String(toShown(definition.quantity, Number(value)));
		return typeof value === 'number' ? String(value) : `“${value}”`;
	};

	// An editor is opened anew for each value: what it begins with never changes.
	const first = shownValue();
	let text = $state(untrack(() => draft ?? first));
	let cursor = $state(0);
	let active = $state(-1);
	let input: HTMLInputElement;
	let isDone = false;

	const groups = $derived(groupsFor(preferences.level, variables, figures));
	const completions = $derived(completionsFor(groups, text, cursor));
	const readNow = () => readExpression(text, definition, scopeNow());
	const read = $derived(readNow());
	const problem = $derived(read.ok || text.trim() === '' ? '' : say(read.failure));

	/** A lone number or a lone text is kept as such. */
	function valueOf(): Value | undefined {
		const number = readNumber(text);
		if (!Number.isNaN(number) && definition.type === 'anything') return number;
		if (!Number.isNaN(number) && definition.type === 'number') {
			const stored = toStored(definition.quantity, number);
			if (stored >= definition.minimum && stored <= definition.maximum) return stored;
		}
		const quoted = /^"([^"]*)"$/.exec(documentText(text));
		if (quoted && definition.type === 'anything') return quoted[1]!;
		const read = readNow();
		return read.ok ? { expression: read.value } : undefined;
	}

	function commit(): boolean {
		const next = valueOf();
		if (next === undefined) return false;
		onset(next);
		return true;
	}

	onMount(() => input.focus());
	onLeave(() => {
		if (!isDone && text !== first) commit();
	});

	async function put(piece: Suggestion, replaced: number) {
		const before = text.slice(0, cursor - replaced);
		const isName = /^[\p{L}“]/u.test(piece.inserted);
		const space = before && !/[\s(]$/.test(before) && piece.inserted !== ')' ? ' ' : '';
		const after = piece.inserted.endsWith('(') ? '' : ' ';
		const start = before + space + piece.inserted + (isName || after ? after : '');
		text = start + text.slice(cursor).trimStart();
		cursor = start.length;
		active = -1;
		await tick();
		input.focus();
		input.setSelectionRange(cursor, cursor);
	}

	const noteCursor = () => (cursor = input.selectionStart ?? text.length);

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Escape') return;
		const { pieces, replaced } = completions;
		if (event.key === 'ArrowDown' && pieces.length > 0) active = (active + 1) % pieces.length;
		else if (event.key === 'ArrowUp' && pieces.length > 0)
			active = (active + pieces.length) % (pieces.length + 1);
		else if (event.key === 'Tab' && pieces.length > 0 && active === -1 && !event.shiftKey)
			void put(pieces[0]!, replaced);
		else if (event.key === 'Enter' && pieces[active]) void put(pieces[active]!, replaced);
		else if (event.key === 'Enter') {
			if (commit()) {
				isDone = true;
				onclose();
			}
		} else return;
		event.preventDefault();
	}
</script>

<input
	bind:this={input}
	class="field expression"
	data-first-focus
	type="text"
	bind:value={text}
	oninput={noteCursor}
	onkeyup={noteCursor}
	onclick={noteCursor}
	onfocus={noteCursor}
	{onkeydown}
	role="combobox"
	aria-expanded={completions.pieces.length > 0}
	aria-controls="expression-list"
	aria-activedescendant={active >= 0 ? `piece-${active}` : undefined}
	aria-labelledby="value-label"
	aria-describedby="expression-state"
	aria-invalid={problem !== ''}
	autocomplete="off"
	autocapitalize="off"
	spellcheck="false"
	maxlength="300"
/>
<ul id="expression-list" role="listbox" aria-label={t('value.completions')} class="completions">
	{#each completions.pieces as piece, index (piece.word)}
		<!-- svelte-ignore a11y_click_events_have_key_events -->
		<li
			id="piece-{index}"
			role="option"
			aria-selected={index === active}
			class:active={index === active}
			onclick={() => put(piece, completions.replaced)}
		>
			{piece.use ?? piece.word}
			{#if piece.figure}<span class="figure">{piece.figure}</span>{/if}
		</li>
	{/each}
</ul>
<p id="expression-state" class="state" class:refusal={problem} role={problem ? 'alert' : undefined}>
	{problem || (read.ok ? `= ${showExpression(read.value)}` : t('value.expressionHint'))}
</p>
<div class="pieces">
	{#each groups as group (group.name)}
		<div class="group" role="group" aria-label={t(`value.group.${group.name}`)}>
			<span class="group-name" aria-hidden="true">{t(`value.group.${group.name}`)}</span>
			{#each group.pieces as piece (piece.word)}
				<button class="piece" title={piece.use} onclick={() => put(piece, 0)}>
					{piece.word}
					{#if piece.figure}<span class="figure">{piece.figure}</span>{/if}
				</button>
			{/each}
		</div>
	{/each}
</div>
<button
	class="button button-main done"
	disabled={!read.ok}
	onclick={() => {
		if (!commit()) return;
		isDone = true;
		onclose();
	}}>{t('value.done')}</button
>

<style>
	.expression {
		width: 100%;
		font-size: 1.05rem;
		font-weight: 600;
	}
	.completions {
		margin-top: 0.25rem;
	}
	.completions li {
		padding: 0.35rem 0.5rem;
		border-radius: 0.4rem;
		cursor: pointer;
	}
	.completions li.active,
	.completions li:hover {
		background: var(--verdigris-soft);
	}
	.state {
		margin: 0.35rem 0;
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	.refusal {
		color: var(--signal);
		font-weight: 600;
	}
	.pieces {
		max-height: clamp(17vh, calc(var(--available-height, 100vh) - 13rem), 18rem);
		overflow: auto;
	}
	.group {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem;
		padding: 0.25rem 0;
	}
	.group-name {
		flex-basis: 100%;
		color: var(--ink-soft);
		font-size: 0.78rem;
		font-weight: 600;
	}
	.piece {
		min-width: 2.2rem;
		min-height: 2.1rem;
		padding: 0 0.55rem;
		border: 1px solid var(--line);
		border-radius: 0.45rem;
		background: var(--paper-deep);
		cursor: pointer;
	}
	@media (pointer: coarse) {
		.piece {
			min-width: 2.75rem;
			min-height: 2.75rem;
		}
	}
	.figure {
		margin-left: 0.25rem;
		color: var(--ink-soft);
		font-size: 0.82rem;
		font-variant-numeric: tabular-nums;
	}
	.piece:hover {
		border-color: var(--verdigris);
	}
	.done {
		width: 100%;
		margin-top: 0.5rem;
	}
</style>
