<script lang="ts">
	/** Changes one value of a step or trigger. Each change is an edit, seen at once on the tag. */
	import './words';
	import Calculator from '@lucide/svelte/icons/calculator';
	import Sigma from '@lucide/svelte/icons/sigma';
	import { untrack } from 'svelte';
	import { findStep, locateSteps } from '$core/plan/places';
	import { wordsIn, type Step } from '$core/plan/plan';
	import { inputsOf, routinesOf, scopeIn, variableTypes } from '$core/plan/variables';
	import { optionsOf } from '$core/robots/robot';
	import { isExpression, type NameDefinition, type Value } from '$core/steps/definition';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import { robotAt } from '$lib/words/typed';
	import { slotOfKind } from '$lib/words/step-words';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import ChoiceEditor from './ChoiceEditor.svelte';
	import ColourEditor from './ColourEditor.svelte';
	import ExpressionEditor from './ExpressionEditor.svelte';
	import NameEditor from './NameEditor.svelte';
	import NumberEditor from './NumberEditor.svelte';
	import Tries from './Tries.svelte';
	import TextEditor from './TextEditor.svelte';
	import { readExpression } from '$lib/words/expression-words';
	import { showRealSpeed } from '$lib/words/format';
	import { showValue, valueName } from '$lib/words/values';

	let {
		bench,
		step,
		name,
		onclose
	}: {
		bench: Workbench;
		step: Step;
		name: string;
		onclose: () => void;
	} = $props();

	// An editor is opened anew for each value, and may set it while it goes away.
	const { id, kind } = untrack(() => step);
	const slot = untrack(() => name);
	const definition = slotOfKind(kind, slot);
	const label = valueName(kind, slot);
	const valueOf = (step: Step): Value => step.values[slot] ?? definition.initial;
	const value = $derived(valueOf(step));
	/** Beats a minute, where a number says it. */
	const tempo = $derived(Number(step.values.tempo) || 120);

	/** What the person began to type as a number and goes on with as an expression. */
	let draft = $state<string | undefined>();
	let wantsExpression = $state<boolean | null>(null);
	const asExpression = $derived(
		wantsExpression ??
			(isExpression(value) || definition.type === 'anything' || definition.type === 'condition')
	);

	const chainNow = () =>
		locateSteps(bench.plan).get(id)?.chain ??
		bench.plan.chains.find(({ trigger }) => trigger?.id === id);
	const scopeNow = () => scopeIn(bench.plan, chainNow());
	const variables = $derived.by(() => {
		const chain = chainNow();
		return [...(chain ? inputsOf(chain) : []), ...variableTypes(bench.plan).keys()];
	});
	/** cm/s as it was measured, or else with a full battery, of the robot the plan is for. */
	const realSpeed = $derived(showRealSpeed(Number(value)));

	function set(next: Value) {
		const now = findStep(bench.plan, id);
		if (!now || JSON.stringify(next) === JSON.stringify(valueOf(now))) return;
		const shown = showValue(kind, slot, definition, next);
		bench.editing.setValue(id, slot, next, t('say.value', { name: label, value: shown }));
	}

	/** From a file, with its own tempo: one edit. */
	function setMelody(notes: string, tempo: number) {
		const value = showValue(kind, slot, definition, notes);
		const news = t('say.value', { name: label, value });
		bench.editing.setValues(id, { [slot]: notes, tempo }, news);
	}

	const sameWord = (names: Iterable<string>) => [...names].map((word) => ({ name: word, word }));

	function knownNames(of: NameDefinition['of']): { name: string; word: string }[] {
		if (of === 'variable') return sameWord(variableTypes(bench.plan).keys());
		if (of === 'routine') return kind === 'call' ? sameWord(routinesOf(bench.plan).keys()) : [];
		if (of === 'lampPost') {
			const posts = sameWord(bench.course.lampPosts.map(({ id }) => id));
			return [{ name: '', word: t('value.anyPost') }, ...posts];
		}
		return sameWord(of === 'word' ? wordsIn(bench.plan) : messagesOf());
	}

	function messagesOf(): Set<string> {
		const steps = [...locateSteps(bench.plan).values()].map((located) => located.step);
		const triggers = bench.plan.chains.flatMap(({ trigger }) => trigger ?? []);
		const all = [...steps, ...triggers].map(({ values }) => values.message);
		return new Set(all.filter((message) => typeof message === 'string'));
	}
</script>

<div
	class="editor"
	class:wide={asExpression}
	class:loom={['picture', 'film', 'face', 'clip', 'notes'].includes(definition.type)}
>
	<div class="head">
		<p class="value-name" id="value-label">{label}</p>
		{#if definition.type === 'number' && preferences.level !== 'first'}
			<button
				class="button button-plain mode"
				aria-pressed={asExpression}
				onclick={() => {
					wantsExpression = !asExpression;
					if (isExpression(value)) set(definition.initial);
				}}
			>
				{#if asExpression}<Calculator size={16} />{t('value.asNumber')}
				{:else}<Sigma size={16} />{t('value.asExpression')}{/if}
			</button>
		{/if}
	</div>
	{#if asExpression}
		<ExpressionEditor
			{definition}
			{value}
			{scopeNow}
			{variables}
			figures={{ ...bench.player.sensed, ...bench.player.unread }}
			{draft}
			onset={set}
			{onclose}
		/>
	{:else if definition.type === 'number'}
		<NumberEditor
			{definition}
			value={isExpression(value) ? definition.initial : Number(value)}
			onset={set}
			onexpression={preferences.level === 'first'
				? undefined
				: (text) => {
						const read = readExpression(text, definition, scopeNow());
						if (read.ok) set({ expression: read.value });
						draft = text;
						wantsExpression = true;
					}}
			{onclose}
		/>
		{#if definition.quantity === 'power' && preferences.speeds === 'percent'}
			<p class="hint">{realSpeed}</p>
		{/if}
		{#if preferences.level !== 'first' && !isExpression(value)}
			<Tries step={id} {slot} {definition} />
		{/if}
	{:else if definition.type === 'choice'}
		<ChoiceEditor
			options={optionsOf(robotAt(bench.plan, chainNow()?.id ?? null), slot, definition)}
			{kind}
			name={slot}
			value={String(value)}
			onset={(next) => {
				set(next);
				onclose();
			}}
		/>
	{:else if definition.type === 'colour'}
		<ColourEditor
			value={String(value)}
			onset={set}
			ondone={(next) => {
				set(next);
				onclose();
			}}
		/>
	{:else if definition.type === 'name'}
		<NameEditor
			of={definition.of}
			value={String(value)}
			known={knownNames(definition.of)}
			canBeNew={definition.of !== 'lampPost' && kind !== 'call'}
			onset={set}
			{onclose}
		/>
	{:else if definition.type === 'notes'}
		{#await import('$lib/staff/MelodyEditor.svelte') then { default: MelodyEditor }}
			<MelodyEditor value={String(value)} {tempo} onset={set} onopen={setMelody} {onclose} />
		{/await}
	{:else if definition.type === 'clip'}
		{#await import('$lib/recording/SoundEditor.svelte') then { default: SoundEditor }}
			<SoundEditor plan={bench.plan} value={String(value)} onset={set} />
		{/await}
	{:else if definition.type === 'picture'}
		{#await import('$lib/loom/SinglePicture.svelte') then { default: SinglePicture }}
			<SinglePicture value={String(value)} onset={set} />
		{/await}
	{:else if definition.type === 'face'}
		{#await import('$lib/loom/FaceEditor.svelte') then { default: FaceEditor }}
			<FaceEditor value={String(value)} onset={set} />
		{/await}
	{:else if definition.type === 'film'}
		{#await import('$lib/loom/Strip.svelte') then { default: Strip }}
			<Strip value={String(value)} beat={60 / tempo} onset={set} />
		{/await}
	{:else}
		<TextEditor {definition} value={String(value)} onset={set} {onclose} />
	{/if}
</div>

<style>
	.editor {
		width: min(18.5rem, calc(100vw - 2rem));
		padding: 0.8rem;
	}
	.editor.wide {
		width: min(23rem, calc(100vw - 2rem));
	}
	.editor.loom {
		width: min(34rem, calc(100vw - 2rem));
	}
	.head {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 0.5rem;
		margin-bottom: 0.5rem;
	}
	.value-name {
		font-weight: 600;
	}
	.mode {
		min-height: 2.2rem;
		padding: 0 0.5rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
		font-weight: 450;
	}
	.hint {
		margin-top: 0.4rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
</style>
