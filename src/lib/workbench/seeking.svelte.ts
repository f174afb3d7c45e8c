/**
 * Values that somebody looks for by trying: each keeps what was tried, what it gave, and what the person
 * made of it. Nothing is suggested meanwhile: finding out is the lesson. It lies on this device.
 */
import { helpersOffIn, type Helper } from '$core/helpers';
import { parseJson } from '$core/document';
import { findStep } from '$core/plan/places';
import type { Plan } from '$core/plan/plan';
import * as exact from '$core/exact';
import { legsOf, type Attempt } from '$core/simulation/attempt';
import { degrees } from '$core/units/angles';
import { store, stored, unstore } from '$lib/storage';

/** What a person makes of a try: too much, too little, or right. */
export const verdicts = ['more', 'less', 'right'] as const;
export type Verdict = (typeof verdicts)[number];

export interface Tried {
	readonly value: number;
	/** Metres that the step went, and degrees that it turned, without sign; null where it did not run. */
	readonly gave: { readonly length: number; readonly turn: number } | null;
	readonly reachedFinish: boolean;
	readonly says: Verdict | null;
	/** Milliseconds since 1970. */
	readonly at: number;
}

/** A plan, or a course. */
interface HelpersOf {
	readonly helpersOff?: readonly Helper[] | undefined;
}

/** Tries of one value that are kept. */
const most = 12;
/** What is not shown while somebody looks for a value. */
const suggesting: readonly Helper[] = ['mends', 'nudge', 'advice'];

const storedAs = (planId: string): string => `lantern-step.sought.${planId}`;
const keyOf = (step: string, slot: string): string => `${step} ${slot}`;

class Seeking {
	private planId = '';
	/** By the ids of steps and the names of values. */
	private all = $state.raw<Readonly<Record<string, readonly Tried[]>>>({});

	/** Another plan is opened. */
	open(planId: string): void {
		this.planId = planId;
		const read = parseJson(stored(storedAs(planId)) ?? '{}');
		const entries = Object.entries((read.ok && (read.value as typeof this.all | null)) || {});
		this.all = Object.fromEntries(entries.filter(([, tries]) => Array.isArray(tries)));
	}

	private set(all: typeof this.all): void {
		this.all = all;
		if (Object.keys(all).length === 0) unstore(storedAs(this.planId));
		else store(storedAs(this.planId), JSON.stringify(all));
	}

	/** What was tried of a value; undefined where nobody looks for it. */
	triesOf(step: string, slot: string): readonly Tried[] | undefined {
		return this.all[keyOf(step, slot)];
	}

	/** Somebody begins to look for it, or has found it. */
	toggle(step: string, slot: string): void {
		const key = keyOf(step, slot);
		const others = Object.entries(this.all).filter(([other]) => other !== key);
		this.set(Object.fromEntries(this.all[key] ? others : [...others, [key, []]]));
	}

	/** An attempt was made: what is looked for has been tried once more. */
	tried(plan: Plan, attempt: Attempt): void {
		const at = Date.now();
		const all = Object.entries(this.all).map(([key, tries]) => {
			const [id, slot] = key.split(' ') as [string, string];
			const value = findStep(plan, id)?.values[slot];
			if (typeof value !== 'number') return [key, tries];
			const gave = gaveOf(attempt, id);
			const { reachedFinish } = attempt.outcome;
			const own: Tried = { value, gave, reachedFinish, says: null, at };
			return [key, [...tries, own].slice(-most)];
		});
		this.set(Object.fromEntries(all) as typeof this.all);
	}

	judge(step: string, slot: string, { at }: Tried, says: Verdict): void {
		const key = keyOf(step, slot);
		const tries = this.all[key] ?? [];
		const judged = tries.map((each) =>
			each.at === at ? { ...each, says: each.says === says ? null : says } : each
		);
		this.set({ ...this.all, [key]: judged });
	}

	/** Helpers that are off: those of the plan and its course, and whatever suggests while somebody looks. */
	off(...of: readonly HelpersOf[]): Helper[] {
		const isSought = Object.keys(this.all).length > 0;
		return helpersOffIn(...of, ...(isSought ? [{ helpersOff: suggesting }] : []));
	}
}

/** When it ran first. */
function gaveOf(attempt: Attempt, step: string): Tried['gave'] {
	for (const run of attempt.runs) {
		const leg = legsOf(attempt, run).find(({ stepId }) => stepId === step);
		if (!leg) continue;
		const { from, to } = leg;
		return {
			length: exact.lengthOf(to.x - from.x, to.y - from.y),
			turn: Math.abs(degrees(to.heading - from.heading))
		};
	}
	return null;
}

export const seeking = new Seeking();
