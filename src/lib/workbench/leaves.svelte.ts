/**
 * What unfolds under the floor, one leaf at a time: an attempt over time, its legs, those that were
 * kept, how far many of them spread, what a robot is like.
 */
import { markOf } from '$core/course/mark';
import type { ListedAttempt } from '$core/attempts/kept';
import type { Mark } from '$core/attempts/marks';
import type { Attempt } from '$core/simulation/attempt';
import { t } from '$lib/i18n';
import type { AttemptFilter, AttemptList, LaidOver } from '$lib/attempts/attempt-list.svelte';
import type { Made } from '$lib/desk/runs.svelte';
import type { AttemptSeed } from '$lib/saving/protocol';
import type { OpenedAttempt } from '$workers/attempt-shelf';
import type { Comparing } from './comparing.svelte';
import type { Modelling } from './modelling.svelte';
import type { OverTime } from './over-time.svelte';
import type { Refining } from './refining.svelte';
import { seeking } from './seeking.svelte';
import type { Spreading } from './spreading.svelte';
import type { Truth } from './truth.svelte';
import type { Workbench } from './workbench.svelte';

/** What each leaf shows. */
interface OpenedLeaves {
	readonly time: OverTime;
	readonly legs: Refining;
	readonly attempts: AttemptList;
	readonly spread: Spreading;
	readonly model: Modelling;
	readonly truth: Truth;
}

export type Leaf = keyof OpenedLeaves;

export class Leaves {
	/** One at the most. */
	opened = $state.raw<Partial<OpenedLeaves>>({});
	readonly open = $derived((Object.keys(this.opened)[0] as Leaf | undefined) ?? null);
	/** What was chosen of it stays so while it is folded away. */
	private lookedAt: OverTime | undefined;
	/** The attempt on the floor beside another one. */
	comparing = $state.raw<Comparing | null>(null);
	/** The id of the attempt that is on the floor. */
	shown = $state<string | null>(null);
	/** What hands have marked of it on the real floor. */
	marks = $state.raw<readonly Mark[]>([]);
	private hasSaidUnkept = false;
	/** A hand may have changed the same attempt: that is no new try. */
	private triedLast: string | null = null;

	constructor(private readonly bench: Workbench) {
		bench.runs.onMade = (id, attempt, made) => void this.keep(id, attempt, made);
		bench.runs.onBegun = (id) => this.setShown(id);
		bench.runs.onRestored = (seed, attempt) => void this.takeOver(seed, attempt);
	}

	/** Unfolds a leaf in the place of the one before, or folds it away. */
	async toggle(leaf: Leaf): Promise<void> {
		const { open, bench } = this;
		this.opened.spread?.stop();
		this.comparing = null;
		this.opened = {};
		if (leaf === open) return;
		if (leaf === 'truth') return this.openTruth();
		if (leaf === 'attempts') return this.openAttempts();
		if (leaf === 'time') {
			const { OverTime } = await import('./over-time.svelte');
			this.opened = { time: (this.lookedAt ??= new OverTime(bench.runs)) };
		} else if (leaf === 'spread') {
			const { Spreading } = await import('./spreading.svelte');
			this.opened = { spread: new Spreading(bench) };
		} else if (leaf === 'model') {
			const { Modelling } = await import('./modelling.svelte');
			this.opened = { model: new Modelling(bench) };
			await this.takeOverRuns();
		} else {
			const { Refining } = await import('./refining.svelte');
			const legs = new Refining(bench, bench.runs);
			this.opened = { legs };
			const { Nudging } = await import('./nudging.svelte');
			legs.nudging = new Nudging(bench, legs);
		}
	}

	async openAttempts(filter: AttemptFilter = 'all'): Promise<void> {
		const { AttemptList } = await import('$lib/attempts/attempt-list.svelte');
		const list = new AttemptList(this);
		list.filter = filter;
		this.opened = { attempts: list };
		await this.takeOverRuns();
		await list.read();
	}

	/** Sets the attempt on the floor beside one that lies over it. */
	async compareWith(other: LaidOver): Promise<void> {
		const { Comparing } = await import('./comparing.svelte');
		this.comparing = new Comparing(this.bench, other);
		await this.comparing.compare();
	}

	/** Shows an attempt with the one that it was set beside. */
	async compareAgain(row: ListedAttempt, beside: ListedAttempt): Promise<void> {
		const list = this.opened.attempts;
		if (!list) return;
		await list.show(row);
		const laid = () => list.laid.find(({ id }) => id === beside.id);
		if (!laid()) await list.lay(beside);
		const other = laid();
		if (other) await this.compareWith(other);
	}

	/** Looks at what a step did when it ran first. */
	async showLegOf(stepId: string): Promise<void> {
		if (!this.opened.legs) await this.toggle('legs');
		const { legs: refining } = this.opened;
		await refining?.look();
		const leg = refining?.legs.find(({ span }) => span.stepId === stepId);
		if (leg && leg !== refining?.chosen) refining!.choose(leg);
	}

	async openTruth(): Promise<void> {
		const { Truth } = await import('./truth.svelte');
		this.opened = { truth: new Truth(this.bench) };
		await this.takeOverRuns();
		if (this.marks.length > 0 || !this.shown || this.bench.runs.isLive) return;
		const { marksOf } = await import('./keeping');
		this.marks = await marksOf(this.shown);
	}

	/** Runs that were written down as they came, also by robots themselves, are attempts like all others. */
	private async takeOverRuns(): Promise<void> {
		if (this.bench.runs.isLive) return;
		const { takeOverRuns } = await import('./keeping');
		await takeOverRuns(this.planId, this.bench.course);
	}

	/** @returns whether they are kept */
	async setMarks(marks: readonly Mark[]): Promise<boolean> {
		const { shown, bench } = this;
		if (!shown) return false;
		const { keepMarks } = await import('./keeping');
		const isKept = await keepMarks(shown, marks, bench.runs.isLive);
		if (isKept) this.marks = marks;
		else bench.voice.notice = t('bench.attemptUnkept');
		return isKept;
	}

	/** Another attempt comes onto the floor, which may have been marked. */
	setShown(id: string, marks: readonly Mark[] = []): void {
		if (this.shown === id) return;
		this.shown = id;
		this.marks = marks;
		this.opened.truth?.clear();
	}

	/** Only a real robot stands anywhere else than it says. */
	get canBeMarked(): boolean {
		return this.bench.player.attempt?.source.type === 'run';
	}

	/** @param attempt made again from its seed */
	private async takeOver(seed: AttemptSeed, attempt: Attempt): Promise<void> {
		const { takeOverSeed } = await import('./keeping');
		const id = await takeOverSeed(this.planId, this.bench.course, seed, attempt);
		if (attempt === this.bench.player.attempt) this.setShown(id);
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
		if (id !== this.triedLast) seeking.tried(made.plan, attempt);
		this.triedLast = id;
		this.setShown(id);
		const { planId, courseId, bench, marks } = this;
		const keeping = { id, planId, courseId, at: Date.now(), ...made, course: bench.course };
		const row = await import('./keeping').then(
			({ keep }) => keep(keeping, attempt, marks),
			() => null
		);
		if (row) return this.opened.attempts?.put(row);
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
		this.setShown(row.id, row.marks);
		if (row.courseMark !== markOf(bench.course)) bench.voice.notice = t('bench.otherCourseThen');
		return true;
	}
}
