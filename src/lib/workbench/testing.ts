/** A desk with nothing around it, for tests of what is done there. */
import { nudgedWay, type Pull } from '$core/analysis/nudge';
import { answer, runnerOf } from '$core/analysis/search';
import { planHistory } from '$core/plan/history';
import { eachStep, type Plan } from '$core/plan/plan';
import type { Rehearsal, Trial } from '$core/simulation/simulate';
import { Desk } from '$lib/desk/desk.svelte';
import { TrialPool } from '$lib/desk/trial-pool';
import { Voice } from '$lib/desk/voice.svelte';
import type { Workbench } from './workbench.svelte';

/** @see saves how often it was to be saved */
export function deskOf(plan: Plan) {
	const voice = new Voice();
	let saves = 0;
	const desk = new Desk(plan, planHistory, voice, { changed: () => {}, save: () => (saves += 1) });
	const bench = {
		desk,
		voice,
		get plan() {
			return desk.document;
		}
	} as unknown as Workbench;
	return { desk, voice, bench, saves: () => saves };
}

export function idsOf({ chains }: Plan): string[] {
	const ids: string[] = [];
	for (const { steps } of chains) eachStep(steps, ({ id }) => ids.push(id));
	return ids;
}

/** A pool that runs its trials on this thread. @see asked how many there were */
export function poolHere() {
	let asked = 0;
	const pool = new TrialPool(() => {
		let rehearsal: Omit<Rehearsal, 'seed'> | undefined;
		return {
			open: async (its) => void (rehearsal = its),
			run: async (trials: readonly Trial[]) => {
				asked += trials.length;
				return runnerOf(rehearsal!)(trials);
			},
			pull: (pull: Pull) => answer(nudgedWay(pull), runnerOf(rehearsal!)),
			end: () => {}
		};
	}, 1);
	return { pool, asked: () => asked };
}
