/**
 * How attempts of a workbench come to be kept: as they are made, or taken over from where they were kept
 * before. Marks of one lie with it, or on this device for as long as its run goes on.
 */
import { marksSchema, type Mark } from '$core/attempts/marks';
import type { Course } from '$core/course/course';
import { markOf } from '$core/course/mark';
import { parseJson } from '$core/document';
import type { Attempt } from '$core/simulation/attempt';
import { keeper } from '$lib/attempts/keeper';
import { keptRuns } from '$lib/live/kept';
import { preferences } from '$lib/preferences.svelte';
import type { AttemptSeed } from '$lib/saving/protocol';
import { store, stored, unstore } from '$lib/storage';
import type { Keeping } from '$workers/attempt-store';

/** Letters of an id. */
const mostOfId = 64;

/** On this device, as it comes: later nobody can have all of it again. */
export const keep = (keeping: Keeping, attempt: Attempt, marks: readonly Mark[]) =>
	keeper().keep(keeping, attempt, preferences.attemptLimits, { marks });

const keyOf = (id: string): string => `lantern-step.marks.${id}`;

/** @param isLive its run goes on, so it is not kept itself yet @returns whether they are kept */
export async function keepMarks(
	id: string,
	marks: readonly Mark[],
	isLive: boolean
): Promise<boolean> {
	if (isLive) return store(keyOf(id), JSON.stringify(marks));
	return (await keeper().mark(id, { marks })) !== null;
}

export async function marksOf(id: string): Promise<readonly Mark[]> {
	return (await keeper().find(id))?.marks ?? [];
}

/** Of a run whose page was left. */
function marksInRun(id: string): readonly Mark[] {
	const value = parseJson(stored(keyOf(id)) ?? '[]');
	const read = value.ok ? marksSchema.safeParse(value.value) : undefined;
	return read?.data ?? [];
}

/** Runs that were written down as they came, also by robots themselves, are attempts like all others. */
export async function takeOverRuns(planId: string, course: Course): Promise<void> {
	for await (const { run, attempt } of keptRuns(planId)) {
		const keeping = { courseMark: markOf(course), ...run, course };
		const marks = marksInRun(run.id);
		await keeper().takeOver(keeping, attempt, marks.length > 0 ? { marks } : {});
		if (marks.length > 0 && (await keeper().find(run.id))) unstore(keyOf(run.id));
	}
}

/** Attempts of which only the seed was kept are attempts like all others. @returns the id under which it is kept */
export async function takeOverSeed(
	planId: string,
	course: Course,
	{ id, plan, courseId, courseMark, touches, only, at = 0, seed }: AttemptSeed,
	attempt: Attempt
): Promise<string> {
	if (id) return id;
	const own = `${planId}-${at}-${seed}`.slice(-mostOfId);
	const keeping = { id: own, planId, courseId, at, plan, course, courseMark, touches, only };
	await keeper().takeOver(keeping, attempt, {});
	return own;
}
