/** A saved plan used inside another: its chain becomes a routine, and its own routines come along. */
import { failure, success, type Result } from '../sentence';
import type { Edit } from './edits';
import { isLit, type Chain, type Plan } from './plan';
import { withNewIds } from './snippet';
import { routinesOf } from './variables';

/** Letters that the name of a routine has at most. */
const longestName = 40;

export interface TakenIn {
	readonly edit: Edit;
	/** The routine that the plan has become. */
	readonly name: string;
	/** Chains of the plan that start by something else than Run, and stay behind. */
	readonly leftOut: number;
}

export function takeIn(into: Plan, saved: Plan, newId: () => string): Result<TakenIn> {
	const lit = saved.chains.filter(isLit);
	const main = lit.find(({ trigger }) => trigger!.kind === 'whenRunPressed');
	if (!main) return failure('edit.nothingToTakeIn', { name: saved.name });

	const taken = new Set(routinesOf(into).keys());
	const name = freeName(saved.name.slice(0, longestName), taken);
	const routine = (called: string, inputs: string, { steps }: Chain): Edit => ({
		type: 'addChain',
		index: into.chains.length,
		chain: {
			id: newId(),
			trigger: { id: newId(), kind: 'routine', values: { name: called, inputs } },
			steps: withNewIds(steps, newId)
		}
	});
	const own = [...routinesOf(saved)]
		.filter(([called]) => !taken.has(called) && called !== name)
		.map(([called, chain]) => routine(called, String(chain.trigger!.values.inputs), chain));
	const edit: Edit = { type: 'together', edits: [...own, routine(name, '', main)] };
	return success({ edit, name, leftOut: lit.length - 1 });
}

function freeName(wanted: string, taken: ReadonlySet<string>): string {
	for (let number = 1; ; number++) {
		const end = number === 1 ? '' : ` ${number}`;
		const name = wanted.slice(0, longestName - end.length) + end;
		if (!taken.has(name)) return name;
	}
}
