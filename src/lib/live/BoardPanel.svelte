<script lang="ts">
	/** A person's own panel: it starts chains, drives, and sets variables, on the model or on the robot. */
	import { ArrowLeft, ArrowRight, Hand, Plus, Trash2 } from '@lucide/svelte';
	import { onDestroy } from 'svelte';
	import { centred, ordersOf } from '$core/live/driving';
	import { mostThings, type Board, type BoardThing } from '$core/plan/board';
	import type { Chain } from '$core/plan/plan';
	import { variableTypes } from '$core/plan/variables';
	import { inputNames } from '$core/steps/own';
	import { robotKindOf } from '$core/robots/kinds';
	import { t } from '$lib/i18n';
	import { robots } from '$lib/robots/robots.svelte';
	import { newId } from '$lib/saving/id';
	import { wordsOf } from '$lib/words/step-words';
	import type { LiveDesk } from './live-desk.svelte';
	import SidePanel from './SidePanel.svelte';
	import Stick from './Stick.svelte';

	let { live }: { live: LiveDesk } = $props();

	/** Milliseconds between two orders of a stick. */
	const orderEvery = 100;
	/** Part of the top speed that a stick asks for at most. */
	const most = 0.5;

	const bench = $derived(live.bench);
	const board: Board = $derived(bench.plan.board ?? []);
	const chains = $derived(
		bench.plan.chains.filter(
			({ trigger }) => trigger?.kind !== 'routine' || inputNames(trigger.values.inputs).length === 0
		)
	);
	const variables = $derived([...variableTypes(bench.plan).keys()]);
	let isLaying = $state(false);
	let dragged = $state<string | null>(null);
	let pulled = $state<{ x: number; y: number }>({ x: 0, y: 0 });
	let values = $state<Record<string, number>>({});
	let lastOrder = 0;
	let waiting: ReturnType<typeof setTimeout> | undefined;

	const lay = (next: Board) =>
		bench.desk.edit({ type: 'setBoard', board: next }, t('board.changed'));
	const change = (id: string, changes: object) =>
		lay(board.map((thing) => (thing.id === id ? ({ ...thing, ...changes } as BoardThing) : thing)));

	function add(type: BoardThing['type']) {
		const id = newId();
		if (type === 'stick') lay([...board, { type, id }]);
		else if (type === 'button') {
			const chain = chains[0];
			if (chain) lay([...board, { type, id, chain: chain.id, label: '' }]);
		} else if (variables[0]) lay([...board, { type, id, variable: variables[0], from: 0, to: 10 }]);
	}

	/** @param to its place among the others */
	function move(id: string, to: number) {
		const from = board.findIndex((thing) => thing.id === id);
		if (from < 0 || to < 0 || to >= board.length || from === to) return;
		lay(board.toSpliced(from, 1).toSpliced(to, 0, board[from]!));
	}

	function chainName(chain: Chain): string {
		const number = bench.plan.chains.indexOf(chain) + 1;
		if (chain.trigger?.kind === 'routine') return String(chain.trigger.values.name);
		const first = chain.steps[0];
		return t('board.chainOf', { number, first: first ? wordsOf(first) : t('board.emptyChain') });
	}

	function nameOf(thing: BoardThing): string {
		if (thing.type === 'stick') return t('board.stick');
		if (thing.type === 'slider') return thing.variable;
		const chain = chains.find(({ id }) => id === thing.chain);
		return thing.label || (chain ? chainName(chain) : t('board.emptyChain'));
	}

	async function press({ chain }: BoardThing & { type: 'button' }) {
		if (!(await live.board.begin())) return;
		for (const [variable, value] of Object.entries(values)) robots.set(variable, value);
		robots.press(chain);
	}

	async function slide({ variable }: BoardThing & { type: 'slider' }, value: number) {
		values[variable] = value;
		if (await live.board.begin()) robots.set(variable, value);
	}

	/** Not more often than a robot can follow; the last one always. */
	async function pull({ robot }: BoardThing & { type: 'stick' }, x: number, y: number) {
		pulled = { x, y };
		clearTimeout(waiting);
		const left = lastOrder + orderEvery - performance.now();
		if (left > 0) {
			waiting = setTimeout(() => void pull({ type: 'stick', id: '', robot }, x, y), left);
			return;
		}
		lastOrder = performance.now();
		if (!(await live.board.begin())) return;
		const wanted = bench.plan.robots.find(({ id }) => id === robot) ?? bench.plan.robots[0]!;
		const address = live.board.addressOf(wanted.id);
		if (address === undefined) return;
		for (const order of ordersOf(robotKindOf(wanted.kind), { ...centred, x, y }, most))
			robots.order(address, order);
	}

	const keys: Readonly<Record<string, readonly [x: number, y: number]>> = {
		ArrowUp: [0, 1],
		ArrowDown: [0, -1],
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0]
	};

	function onkey(event: KeyboardEvent, thing: BoardThing & { type: 'stick' }) {
		const way = keys[event.key];
		if (!way || event.repeat) return;
		event.preventDefault();
		void pull(thing, ...(event.type === 'keydown' ? way : ([0, 0] as const)));
	}

	function close() {
		if (live.isRunning) live.halt();
		live.panel = null;
	}
	onDestroy(() => clearTimeout(waiting));
</script>

<SidePanel title={t('board.title')} onclose={close}>
	<div class="row">
		<label class="on"
			>{t('board.on')}
			<select
				class="field"
				value={live.board.isOnModel ? 'model' : 'robot'}
				onchange={(event) => {
					if (live.isRunning) live.halt();
					live.board.isOnModel = event.currentTarget.value === 'model';
				}}
			>
				<option value="model">{t('board.model')}</option>
				<option value="robot">{live.roles[0]?.robot?.name ?? t('board.robot')}</option>
			</select></label
		>
		<button
			class="button button-line"
			aria-pressed={isLaying}
			onclick={() => (isLaying = !isLaying)}>{t(isLaying ? 'board.use' : 'board.edit')}</button
		>
	</div>
	{#if board.length === 0}
		<p>{t('board.empty')}</p>
	{:else if isLaying}
		<p class="hint">{t('board.hint')}</p>
	{/if}
	<ul class="board" class:laying={isLaying}>
		{#each board as thing, index (thing.id)}
			<li
				data-type={thing.type}
				class:dragged={dragged === thing.id}
				draggable={isLaying}
				ondragstart={() => (dragged = thing.id)}
				ondragend={() => (dragged = null)}
				ondragover={(event) => isLaying && event.preventDefault()}
				ondrop={() => dragged && move(dragged, index)}
			>
				{#if isLaying}
					<strong><Hand size={16} aria-hidden="true" /> {nameOf(thing)}</strong>
					{#if thing.type === 'button'}
						<label
							>{t('board.chain')}
							<select
								class="field"
								value={thing.chain}
								onchange={(event) => change(thing.id, { chain: event.currentTarget.value })}
							>
								{#each chains as chain (chain.id)}
									<option value={chain.id}>{chainName(chain)}</option>
								{/each}
							</select></label
						>
						<label
							>{t('board.label')}
							<input
								class="field"
								maxlength="30"
								value={thing.label}
								onchange={(event) => change(thing.id, { label: event.currentTarget.value })}
							/></label
						>
					{:else if thing.type === 'slider'}
						<label
							>{t('board.variable')}
							<select
								class="field"
								value={thing.variable}
								onchange={(event) => change(thing.id, { variable: event.currentTarget.value })}
							>
								{#each variables as variable (variable)}<option>{variable}</option>{/each}
							</select></label
						>
						<div class="row ends">
							{#each ['from', 'to'] as const as end (end)}
								<label
									>{t(`board.${end}`)}
									<input
										class="field"
										type="number"
										value={thing[end]}
										onchange={(event) =>
											change(thing.id, { [end]: Number(event.currentTarget.value) || 0 })}
									/></label
								>
							{/each}
						</div>
					{/if}
					<div class="row">
						<button
							class="button button-plain button-icon"
							aria-label={t('board.earlier', { name: nameOf(thing) })}
							disabled={index === 0}
							onclick={() => move(thing.id, index - 1)}><ArrowLeft size={18} /></button
						>
						<button
							class="button button-plain button-icon"
							aria-label={t('board.later', { name: nameOf(thing) })}
							disabled={index === board.length - 1}
							onclick={() => move(thing.id, index + 1)}><ArrowRight size={18} /></button
						>
						<button
							class="button button-plain button-icon"
							aria-label={t('board.remove', { name: nameOf(thing) })}
							onclick={() => lay(board.filter(({ id }) => id !== thing.id))}
							><Trash2 size={18} /></button
						>
					</div>
				{:else if thing.type === 'button'}
					<button class="button press" onclick={() => void press(thing)}>{nameOf(thing)}</button>
				{:else if thing.type === 'slider'}
					<label class="slide"
						>{thing.variable}: {values[thing.variable] ?? thing.from}
						<input
							type="range"
							min={Math.min(thing.from, thing.to)}
							max={Math.max(thing.from, thing.to)}
							step={Math.abs(thing.to - thing.from) / 100 || 1}
							value={values[thing.variable] ?? thing.from}
							oninput={(event) => void slide(thing, Number(event.currentTarget.value))}
						/></label
					>
				{:else}
					<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
					<div
						class="stick-keys"
						role="group"
						tabindex="0"
						aria-label={t('drive.stick')}
						onkeydown={(event) => onkey(event, thing)}
						onkeyup={(event) => onkey(event, thing)}
					>
						<Stick
							label={t('drive.stick')}
							x={pulled.x}
							y={pulled.y}
							onpull={(x, y) => void pull(thing, x, y)}
						/>
					</div>
				{/if}
			</li>
		{/each}
	</ul>
	{#if isLaying || board.length === 0}
		<div class="row">
			{#each [['button', 'board.addButton'], ['stick', 'board.addStick'], ['slider', 'board.addSlider']] as const as [type, key] (type)}
				<button
					class="button button-line"
					disabled={board.length >= mostThings ||
						(type === 'slider' && variables.length === 0) ||
						(type === 'button' && chains.length === 0)}
					onclick={() => {
						isLaying = true;
						add(type);
					}}><Plus size={16} />{t(key)}</button
				>
			{/each}
		</div>
		{#if variables.length === 0}<p class="hint">{t('board.noVariables')}</p>{/if}
	{/if}
</SidePanel>

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: end;
	}
	.on {
		flex: 1;
	}
	.board {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.6rem;
	}
	.laying {
		grid-template-columns: 1fr;
	}
	[data-type='stick'],
	[data-type='slider'] {
		grid-column: 1 / -1;
	}
	.laying li {
		display: grid;
		gap: 0.4rem;
		padding: 0.6rem;
		border: 1px dashed var(--mist);
		border-radius: 0.6rem;
		cursor: grab;
	}
	.dragged {
		opacity: 0.5;
	}
	strong {
		display: flex;
		gap: 0.35rem;
		align-items: center;
	}
	.ends label {
		flex: 1;
	}
	.press {
		width: 100%;
		min-height: 4rem;
		border-color: var(--lamp);
		background: var(--lamp-soft);
		white-space: normal;
	}
	.slide {
		display: grid;
		font-variant-numeric: tabular-nums;
	}
	input[type='range'] {
		width: 100%;
		min-height: 2.75rem;
		accent-color: var(--verdigris);
	}
	.stick-keys {
		display: flex;
		justify-content: center;
		padding: 0.3rem;
		border-radius: 0.6rem;
	}
	.hint {
		color: var(--ink-soft);
	}
</style>
