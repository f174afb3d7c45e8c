/** Runs of a plan that this device has kept. */
import '$lib/robots/words';
import { LiveRecord } from '$core/live/live-news';
import type { Attempt } from '$core/simulation/attempt';
import { newsOf, runsOf, type KeptRun } from '$workers/kept';

export interface KeptAttempt {
	readonly run: KeptRun;
	readonly attempt: Attempt;
}

/** Newest first; those that recorded nothing are left out. */
export async function* keptRuns(planId: string): AsyncGenerator<KeptAttempt> {
	for (const run of await runsOf(planId)) {
		const attempt = await attemptOf(run.id);
		if (attempt) yield { run, attempt };
	}
}

/** @returns null where there is none */
export async function newestRun(planId: string): Promise<KeptAttempt | null> {
	for await (const kept of keptRuns(planId)) return kept;
	return null;
}

async function attemptOf(id: string): Promise<Attempt | null> {
	const record = new LiveRecord();
	for (const news of await newsOf(id)) record.take(news);
	const { attempt } = record;
	if (attempt?.outcome.reason.key !== 'outcome.running') return attempt;
	// The page was left before it was over.
	const seconds = attempt.runs[0]?.trace.time.at(-1) ?? attempt.outcome.seconds;
	const outcome = {
		...attempt.outcome,
		kind: 'halted' as const,
		seconds,
		reason: { key: 'outcome.cutShort' }
	};
	return { ...attempt, outcome };
}
