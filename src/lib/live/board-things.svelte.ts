/** What lies on the button board of a plan: laid, named, put in order and taken away. */
import type { Board, BoardThing } from '$core/plan/board';
import type { Chain } from '$core/plan/plan';
import { variableTypes } from '$core/plan/variables';
import { inputNames } from '$core/steps/own';
import { t } from '$lib/i18n';
import { newId } from '$lib/saving/id';
import { wordsOf } from '$lib/words/step-words';
import type { LiveDesk } from './live-desk.svelte';

export class BoardThings {
	private readonly plan = $derived.by(() => this.desk().plan);
	readonly list = $derived.by((): Board => this.plan.board ?? []);
	/** Chains that a button can start. */
	readonly chains = $derived.by(() =>
		this.plan.chains.filter(
			({ trigger }) => trigger?.kind !== 'routine' || inputNames(trigger.values.inputs).length === 0
		)
	);
	/** Variables that a slider can set. */
	readonly variables = $derived.by(() => [...variableTypes(this.plan).keys()]);

	constructor(private readonly desk: () => Pick<LiveDesk['bench'], 'plan' | 'desk'>) {}

	private lay(next: Board): void {
		this.desk().desk.edit({ type: 'setBoard', board: next }, t('board.changed'));
	}

	add(type: BoardThing['type']): void {
		const thing = this.made(type);
		if (thing) this.lay([...this.list, thing]);
	}

	private made(type: BoardThing['type']): BoardThing | undefined {
		const id = newId();
		if (type === 'stick') return { type, id };
		const [chain] = this.chains;
		if (type === 'button') return chain && { type, id, chain: chain.id, label: '' };
		const [variable] = this.variables;
		return variable === undefined ? undefined : { type, id, variable, from: 0, to: 10 };
	}

	change(id: string, changes: object): void {
		const changed = (thing: BoardThing) => ({ ...thing, ...changes }) as BoardThing;
		this.lay(this.list.map((thing) => (thing.id === id ? changed(thing) : thing)));
	}

	remove(gone: string): void {
		this.lay(this.list.filter(({ id }) => id !== gone));
	}

	/** @param to its place among the others */
	move(id: string, to: number): void {
		const { list } = this;
		const from = list.findIndex((thing) => thing.id === id);
		if (from < 0 || to < 0 || to >= list.length || from === to) return;
		this.lay(list.toSpliced(from, 1).toSpliced(to, 0, list[from]!));
	}

	chainName(chain: Chain): string {
		const number = this.plan.chains.indexOf(chain) + 1;
		if (chain.trigger?.kind === 'routine') return String(chain.trigger.values.name);
		const [first] = chain.steps;
		return t('board.chainOf', { number, first: first ? wordsOf(first) : t('board.emptyChain') });
	}

	nameOf(thing: BoardThing): string {
		if (thing.type === 'stick') return t('board.stick');
		if (thing.type === 'slider') return thing.variable;
		const chain = this.chains.find(({ id }) => id === thing.chain);
		return thing.label || (chain ? this.chainName(chain) : t('board.emptyChain'));
	}
}
