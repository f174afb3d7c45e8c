/**
 * What stands on the workbench: one plan with its history, the course it is tried on, and the last
 * attempts. Every change of the plan goes through `edit`; everything else reads.
 */
import { courseSchema, makeCourse, type Course } from '$core/course/course';
import { checkPlan, type Problem } from '$core/checks';
import type { Edit } from '$core/plan/edits';
import { perform, redo, startHistory, undo, type History } from '$core/plan/history';
import { planRobot, type Plan, type PlanRobot } from '$core/plan/plan';
import type { Variation } from '$core/robots/robot';
import type { Attempt } from '$core/simulation/attempt';
import { perLanguage, say, t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import type { AttemptSeed, Bench } from '$lib/saving/protocol';
import { Saver } from '$lib/saving/saver.svelte';
import { request } from '$lib/saving/send';
import { Player } from '$lib/timeline/player.svelte';
import { Editing } from '$lib/trail/editing.svelte';
import { useRobot } from '$lib/values/format';
import { rehearse, rehearseQuietly, stopAll, stopRehearsing } from './rehearser';

export interface CourseChoice {
	readonly id: string;
	readonly name: string;
}

export interface Opened {
	readonly id: string;
	readonly content: Plan;
	readonly bench: Bench | null;
	readonly revision: number;
}

/** Names for robots, as long as none has them. */
const robotNames = ['Tallow', 'Ember-6', 'Wick'];

function freeName(robots: readonly PlanRobot[]): string {
	const isFree = (name: string) => robots.every((robot) => robot.name !== name);
	const numbered = robots.map((_, index) => `${robotNames[0]} ${index + 2}`);
	return [...robotNames, ...numbered].find(isFree)!;
}

/** A floor with nothing on it, for a plan whose course is gone. */
const openFloor = perLanguage(() =>
	makeCourse({
		name: t('bench.noCourse'),
		size: { width: 2, height: 1.5 },
		starts: [{ at: [1, 0.5], bearing: 0 }]
	})
);

/** Milliseconds after the last change until the plan is checked, and rehearsed for the checks. */
const checkDelay = 250;
/** Seconds of virtual time that the rehearsal for the checks may take. */
const quietLimit = 60;

export class Workbench {
	history = $state.raw<History>(null!);
	courseId = $state<string | null>(null);
	variation = $state<Variation>('classroom');
	/** Newest first, at most two: what is needed to have them again. */
	private seeds: AttemptSeed[] = [];
	/** The plan that was rehearsed last. */
	private rehearsedPlan = $state.raw<Plan | null>(null);
	previous = $state.raw<Attempt | null>(null);
	problems = $state.raw<readonly Problem[]>([]);
	failure = $state('');
	/** A rehearsal is being worked out: how many seconds of it are there. */
	rehearsing = $state.raw<{ readonly seconds: number } | null>(null);
	/** How many there have been, so that an old one's progress is not taken for that of the newest. */
	private rehearsals = 0;
	/** The latest news for a screen reader, with a count so that the same words are said again. */
	announcement = $state({ text: '', count: 0 });
	/** The step to hold in view and under the keyboard. */
	focus = $state<{ key: string; count: number } | null>(null);

	readonly player = new Player();
	readonly saver: Saver;
	readonly courses: readonly CourseChoice[];
	readonly editing = new Editing(this);
	private checkTimer: ReturnType<typeof setTimeout> | undefined;

	readonly plan = $derived(this.history.plan);
	/** The robot whose figures are shown; the first one when it is gone. */
	readonly robot = $derived.by(() => {
		const [first, ...others] = this.plan.robots;
		return others.find(({ id }) => id === this.player.shown) ?? first!;
	});
	readonly isRehearsing = $derived(this.rehearsing !== null);
	readonly canUndo = $derived(this.history.done !== null);
	readonly canRedo = $derived(this.history.undone !== null);
	/** The one that is chosen; an open floor where it is gone, or not here yet. */
	course = $state.raw<Course>(openFloor());
	readonly hasChanged = $derived(
		this.rehearsedPlan !== null && this.rehearsedPlan.chains !== this.plan.chains
	);
	readonly outcome = $derived.by(() => {
		const { attempt, haltedAt } = this.player;
		if (!attempt) return null;
		if (haltedAt !== null)
			return { kind: 'halted', text: t('outcome.halted', { seconds: haltedAt }) };
		if (this.player.isPlaying || !this.player.isAtEnd) return null;
		const reason = attempt.spans.length > 0 ? attempt.outcome.reason : { key: 'outcome.nothing' };
		const notes = attempt.notes.slice(0, 3).map(({ sentence }) => sentence);
		return { kind: attempt.outcome.kind, text: [reason, ...notes].map(say).join(' ') };
	});

	/** @param course that of the workbench as it was opened */
	constructor(opened: Opened, courses: readonly CourseChoice[], course: Course | null) {
		this.courses = courses;
		this.course = course ?? openFloor();
		this.take(startHistory(opened.content));
		this.saver = new Saver(opened.id, opened.revision);
		this.useBench(opened.bench);
	}

	/** Takes another history, and has its plan checked soon. */
	private take(history: History): void {
		this.history = history;
		useRobot(this.robot);
		this.checkSoon();
	}

	private useBench(bench: Bench | null | undefined): void {
		if (!bench) return;
		this.courseId = bench.courseId;
		this.variation = bench.variation;
		this.seeds = bench.attempts;
	}

	/** Brings back what was unsent, and the attempts as they were. */
	async restore(): Promise<void> {
		const unsent = await this.saver.restore();
		if (unsent?.work.kind === 'plan') {
			this.take(startHistory(unsent.work.content));
			const before = this.courseId;
			this.useBench(unsent.bench);
			if (this.courseId !== before) await this.fetchCourse();
		}
		const [newer, older] = this.seeds;
		const earlier = older && (await this.again(older));
		const latest = newer && (await this.again(newer));
		if (this.player.attempt) return;
		this.previous = earlier ?? null;
		this.player.show(latest ?? null, true);
		const [seed] = this.seeds;
		if (!seed) return;
		const isSame = JSON.stringify(seed.plan.chains) === JSON.stringify(this.plan.chains);
		this.rehearsedPlan = isSame ? this.plan : seed.plan;
	}

	/** @returns null when it cannot be had again, or the person has rehearsed anew meanwhile */
	private async again({ courseId, ...seed }: AttemptSeed): Promise<Attempt | null> {
		const { course } = this;
		if (course === openFloor() || courseId !== this.courseId || this.rehearsals > 0) return null;
		return rehearse({ ...seed, course });
	}

	dispose(): void {
		clearTimeout(this.checkTimer);
		this.saver.dispose();
		this.player.pause();
		stopAll();
	}

	// --- changing the plan ---

	/** Does an edit, saves, and says it. A refused edit is said too and changes nothing. */
	edit(edit: Edit, news = ''): boolean {
		const performed = perform(this.history, edit);
		if (!performed.ok) {
			this.refuse(say(performed.failure));
			return false;
		}
		this.failure = '';
		this.take(performed.value);
		this.save();
		if (news) this.announce(news);
		return true;
	}

	/** Says why something was not done. */
	refuse(reason: string): void {
		this.announce(reason);
		this.failure = reason;
	}

	/** Shows a plan that is not decided on yet, such as while a step is being moved. */
	tryOut(history: History): void {
		this.history = history;
	}

	/** Decides on what was tried out, if it is another plan than before. */
	keep(before: History): void {
		if (this.history === before) return;
		this.take(this.history);
		this.save();
	}

	undo(): void {
		this.travel(undo(this.history), t('say.undone'));
	}

	redo(): void {
		this.travel(redo(this.history), t('say.redone'));
	}

	private travel(result: ReturnType<typeof undo>, news: string): void {
		if (result.ok) {
			this.take(result.value);
			this.save();
		}
		this.announce(result.ok ? news : say(result.failure));
	}

	announce(text: string): void {
		this.announcement = { text, count: this.announcement.count + 1 };
	}

	focusOn(key: string): void {
		this.focus = { key, count: (this.focus?.count ?? 0) + 1 };
	}

	/** Takes another document in the place of this one; undo brings back the plan from before. */
	replacePlan(plan: Plan): boolean {
		return this.edit({ type: 'replace', plan }, t('bench.fileOpened', { name: plan.name }));
	}

	/** Whose figures are shown. @param id of the robot */
	show(id: string): void {
		this.player.shown = id;
		useRobot(this.robot);
	}

	/** One more robot: of the kind of the last one, by a name that none has yet. */
	addRobot(): void {
		const { robots } = this.plan;
		const robot = planRobot({ ...robots.at(-1)!, name: freeName(robots) }, robots);
		const news = t('say.robotAdded', { name: robot.name });
		if (this.edit({ type: 'addRobot', index: robots.length, robot }, news)) this.show(robot.id);
	}

	removeRobot({ id, name }: PlanRobot): void {
		this.edit({ type: 'removeRobot', robot: id }, t('say.robotRemoved', { name }));
	}

	/** Hands a chain to a robot. */
	assign(chain: string, { id, name }: PlanRobot): void {
		const [first] = this.plan.robots;
		const robot = id === first!.id ? null : id;
		this.edit({ type: 'assign', chain, robot }, t('say.assigned', { name }));
	}

	setRobot(robot: PlanRobot): void {
		this.edit({ type: 'setRobot', robot }, t('say.robot', { name: robot.name }));
	}

	private save(withBench = false): void {
		const bench = withBench ? this.bench : undefined;
		this.saver.change({ kind: 'plan', content: this.plan }, bench);
	}

	private get bench(): Bench {
		return { courseId: this.courseId, variation: this.variation, attempts: this.seeds };
	}

	async chooseCourse(id: string | null): Promise<void> {
		this.courseId = id;
		preferences.choose({ lastCourse: id });
		this.player.show(null);
		this.previous = null;
		this.rehearsedPlan = null;
		this.save(true);
		await this.fetchCourse();
		this.checkSoon();
	}

	/** Fetches the course that is chosen, unless another one is by the time it is here. */
	private async fetchCourse(): Promise<void> {
		const id = this.courseId;
		let course: Course | undefined;
		try {
			const content = id && (await request('GET', `/api/documents/${id}`));
			course = courseSchema.safeParse(content).data;
			if (id && !course) this.refuse(t('bench.courseUnreadable'));
		} catch {
			this.refuse(t('home.failed'));
		}
		if (id === this.courseId) this.course = course ?? openFloor();
	}

	chooseVariation(variation: Variation): void {
		this.variation = variation;
		this.save(true);
	}

	// --- checking ---

	/** Checks when the person pauses; then once more with what a rehearsal in the background tells. */
	private checkSoon(): void {
		clearTimeout(this.checkTimer);
		this.checkTimer = setTimeout(() => {
			const { plan, course } = this;
			this.problems = checkPlan(plan, { course });
			void this.checkByRehearsal(plan, course);
		}, checkDelay);
	}

	private async checkByRehearsal(plan: Plan, course: Course): Promise<void> {
		const { variation } = this;
		const attempt = await rehearseQuietly({ plan, course, variation, seed: 1, limit: quietLimit });
		const isCurrent = plan === this.plan && course === this.course;
		if (attempt && isCurrent) this.problems = checkPlan(plan, { course, attempt });
	}

	// --- rehearsing ---

	/**
	 * Rehearses the plan and plays it from the start.
	 * @param only the id of the one chain to run
	 */
	async rehearse(only?: string): Promise<void> {
		const { plan, course, courseId, variation } = this;
		const seed = crypto.getRandomValues(new Uint32Array(1))[0]!;
		const inputs = { plan, variation, seed, ...(only && { only }) };
		const attempt = await this.attempt({ ...inputs, course });
		if (!attempt) return;
		this.previous = this.player.attempt;
		this.rehearsedPlan = plan;
		if (courseId) {
			preferences.choose({ lastCourse: courseId });
			this.seeds = [{ ...inputs, courseId }, ...this.seeds].slice(0, 2);
			this.save(true);
		}
		this.latest = { ...inputs, course };
		this.player.show(attempt);
		this.player.play();
	}

	/** Stops what is being rehearsed, and what plays. */
	halt(): void {
		stopRehearsing();
		this.player.halt();
		this.announce(t('say.halted'));
	}

	private latest: Parameters<typeof rehearse>[0] | null = null;

	/**
	 * A hand touches the robot at the moment that is shown. The same attempt is simulated once more
	 * with that touch in it: all before it stays the same, and it plays on from there.
	 */
	async touchRobot(robot: string): Promise<void> {
		const { latest, player } = this;
		if (!latest || !player.isPlaying) return;
		const before = (latest.touches ?? []).filter(({ time }) => time <= player.time);
		const touches = [...before, { time: player.time, robot }];
		const attempt = await this.attempt({ ...latest, touches });
		if (!attempt) return;
		this.latest = { ...latest, touches };
		if (this.seeds[0]?.seed === latest.seed) {
			this.seeds = [{ ...this.seeds[0], touches }, ...this.seeds.slice(1)];
			this.save(true);
		}
		player.exchange(attempt);
		this.announce(t('say.touched'));
	}

	private async attempt(rehearsal: Parameters<typeof rehearse>[0]): Promise<Attempt | null> {
		const id = (this.rehearsals += 1);
		this.rehearsing = { seconds: 0 };
		try {
			const attempt = await rehearse(rehearsal, (seconds) => {
				// The last word of progress can come after the attempt itself.
				if (id === this.rehearsals && this.rehearsing) this.rehearsing = { seconds };
			});
			this.failure = '';
			return attempt;
		} catch (error) {
			this.failure = t('bench.rehearsalFailed', { detail: (error as Error).message });
			return null;
		} finally {
			if (id === this.rehearsals) this.rehearsing = null;
		}
	}
}
