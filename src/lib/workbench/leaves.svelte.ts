/**
 * What unfolds under the floor, one leaf at a time: an attempt over time, its legs, and those that were
 * kept.
 */
import { markOf } from '$core/course/mark';
import type { Attempt } from '$core/simulation/attempt';
import { t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import type { AttemptFilter, AttemptList } from '$lib/attempts/attempt-list.svelte';
import type { Made } from '$lib/desk/runs.svelte';
import type { AttemptSeed } from '$lib/saving/protocol';
import type { OpenedAttempt } from '$workers/attempt-shelf';
import type { OverTime } from './over-time.svelte';
import type { Refining } from './refining.svelte';
import type { Workbench } from './workbench.svelte';

/** Letters of an id. */
const mostOfId = 64;

export type Leaf = 'time' | 'legs' | 'attempts';

export class Leaves {
	refining = $state.raw<Refining | null>(null);
	kept = $state.raw<AttemptList | null>(null);
	overTime = $state.raw<OverTime | null>(null);
	readonly open: Leaf | null = $derived.by(() =>
		this.overTime ? 'time' : this.refining ? 'legs' : this.kept ? 'attempts' : null
	);
	/** What was chosen of it stays so while it is folded away. */
	private lookedAt: OverTime | undefined;
	/** The id of the attempt that is on the floor. */
	shown = $state<string | null>(null);
	private hasSaidUnkept = false;

	constructor(private readonly bench: Workbench) {
		bench.runs.onMade = (id, attempt, made) => void this.keep(id, attempt, made);
		bench.runs.onRestored = (seed, attempt) => void this.takeOverSeed(seed, attempt);
	}

	/** Unfolds a leaf in the place of the one before, or folds it away. */
	async toggle(leaf: Leaf): Promise<void> {
		const { open } = this;
		this.refining = this.kept = this.overTime = null;
		if (leaf === open) return;
		if (leaf === 'attempts') return this.openAttempts();
		if (leaf === 'time') {
			const { OverTime } = await import('./over-time.svelte');
			this.overTime = this.lookedAt ??= new OverTime(this.bench.runs);
			return;
		}
		const { Refining } = await import('./refining.svelte');
		this.refining = new Refining(this.bench, this.bench.runs);
	}

	async openAttempts(filter: AttemptFilter = 'all'): Promise<void> {
		const { AttemptList } = await import('$lib/attempts/attempt-list.svelte');
		this.refining = this.overTime = null;
		const list = new AttemptList(this);
		list.filter = filter;
		this.kept = list;
		await this.takeOverRuns();
		await list.read();
	}

	/** Runs that were written down as they came, also by robots themselves, are attempts like all others. */
	private async takeOverRuns(): Promise<void> {
		if (this.bench.runs.isLive) return;
		const [{ keptRuns }, { keeper }] = await Promise.all([
			import('$lib/live/kept'),
			import('$lib/attempts/keeper')
		]);
		const { course } = this.bench;
		for await (const { run, attempt } of keptRuns(this.planId))
			await keeper().takeOver({ courseMark: markOf(course), ...run, course }, attempt);
	}

	/** Attempts of which only the seed was kept are attempts like all others. */
	private async takeOverSeed(seed: AttemptSeed, attempt: Attempt): Promise<void> {
		const { plan, courseId, courseMark, touches, only, at = 0, seed: number } = seed;
		const id = seed.id ?? `${this.planId}-${at}-${number}`.slice(-mostOfId);
		this.shown = id;
		if (seed.id) return;
		const { keeper } = await import('$lib/attempts/keeper');
		const { planId, bench } = this;
		const { course } = bench;
		const keeping = { id, planId, courseId, at, plan, course, courseMark, touches, only };
		await keeper().takeOver(keeping, attempt);
	}

	get planId(): string {
		return this.bench.saver.id;
	}

	get courseId(): string | null {
		return this.bench.courseId;
	}

	get robotName(): string {
		return this.bench.robot.name;
	}

	/** On this device, as it comes: later nobody can have all of it again. */
	private async keep(id: string, attempt: Attempt, made: Made): Promise<void> {
		this.shown = id;
		const { planId, courseId, bench } = this;
		const keeping = { id, planId, courseId, at: Date.now(), ...made, course: bench.course };
		const row = await import('$lib/attempts/keeper').then(
			({ keeper }) => keeper().keep(keeping, attempt, preferences.attemptsKept),
			() => null
		);
		if (row) return this.kept?.put(row);
		if (!this.hasSaidUnkept) bench.voice.notice = t('bench.attemptUnkept');
		this.hasSaidUnkept = true;
	}

	/** Shows an attempt that was kept, on its course. @returns whether it could */
	async show({ row, attempt, plan }: OpenedAttempt): Promise<boolean> {
		const { bench } = this;
		if (bench.runs.isLive) return false;
		if (row.courseId && row.courseId !== bench.courseId) bench.chooseCourse(row.courseId);
		await bench.arrived;
		const { touches, only, modelVersion } = row;
		bench.runs.showKept(attempt, { plan, touches, only }, modelVersion);
		this.shown = row.id;
		if (row.courseMark !== markOf(bench.course)) bench.voice.notice = t('bench.otherCourseThen');
		return true;
	}
}
