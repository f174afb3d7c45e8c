/**
 * What stands on the workbench: one plan, its robots, the course it is tried on and the variation.
 * Changing the plan is the desk's, attempts are the runs', problems the checking's, words the voice's.
 */
import { courseSchema, makeCourse, type Course } from '$core/course/course';
import type { Edit } from '$core/plan/edits';
import { speedLineOf } from '$core/fitting/line';
import { valuesOf } from '$core/fitting/values-of';
import { planHistory } from '$core/plan/history';
import { planRobot, type Plan, type PlanRobot } from '$core/plan/plan';
import type { Variation } from '$core/robots/robot';
import { perLanguage, t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import { knownRobots } from '$lib/robots/known.svelte';
import { hasRun, holdsRobots } from '$lib/robots/held';
import type { LiveDesk } from '$lib/live/live-desk.svelte';
import type { Person } from '$lib/saving/answers';
import type { Bench } from '$lib/saving/protocol';
import { fetchPage } from '$lib/lists/lists';
import { Saver } from '$lib/saving/saver.svelte';
import { request } from '$lib/saving/send';
import { seeking } from './seeking.svelte';
import { Editing } from './editing.svelte';
import { Leaves } from './leaves.svelte';
import { reader } from '$lib/words/reader.svelte';
import { Checking } from './checking.svelte';
import { Desk } from '$lib/desk/desk.svelte';
import { Runs } from '$lib/desk/runs.svelte';
import type { Stand } from '$lib/desk/stand';
import { Voice } from '$lib/desk/voice.svelte';

export interface CourseChoice {
	readonly id: string;
	readonly name: string;
}

export interface OpenedPlan {
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

export class Workbench implements Stand {
	/** The one that is chosen; an open floor where it is gone, or not here yet. */
	course = $state.raw<Course>(openFloor());
	courseId = $state<string | null>(null);
	variation = $state<Variation>('classroom');
	arrived: Promise<unknown> = Promise.resolve();
	/** The newest; there may be more of them. */
	readonly courses: readonly CourseChoice[];
	readonly courseCount: number;
	/** Real robots: loaded when somebody wants them. */
	live = $state.raw<LiveDesk | null>(null);

	readonly voice = new Voice();
	readonly desk: Desk<Plan, Edit>;
	readonly saver: Saver;
	readonly checking = new Checking(this);
	readonly runs = new Runs(this, this.voice, () => this.save(true));
	readonly editing = new Editing(this);
	readonly leaves = new Leaves(this);

	readonly plan = $derived.by(() => this.desk.document);
	readonly player = this.runs.player;
	/** Of robots whose model was fitted, as long as that is used; an ideal one is as it is drawn. */
	readonly parameters = $derived.by(() => {
		if (this.variation === 'ideal') return undefined;
		const known = this.plan.robots.flatMap((robot) => {
			const { model, isUsed } = knownRobots.of(robot) ?? {};
			return model && isUsed ? [[robot.id, valuesOf(model, Date.now())] as const] : [];
		});
		return known.length > 0 ? Object.fromEntries(known) : undefined;
	});
	/** The robot whose figures are shown; the first one when it is gone. */
	readonly robot = $derived.by(() => {
		const [first, ...others] = this.plan.robots;
		return others.find(({ id }) => id === this.player.shown) ?? first!;
	});

	/** @param course that of the workbench as it was opened */
	constructor(
		opened: OpenedPlan,
		courses: { readonly rows: readonly CourseChoice[]; readonly total: number },
		course: Course | null,
		private readonly person: Person | null = null
	) {
		this.courses = courses.rows;
		this.courseCount = courses.total;
		this.course = course ?? openFloor();
		this.desk = new Desk(opened.content, planHistory, this.voice, {
			changed: () => this.changed(),
			save: () => this.save()
		});
		this.saver = new Saver(opened.id, opened.revision);
		this.useBench(opened.bench);
		seeking.open(opened.id);
		reader.line = () => speedLineOf(knownRobots.measuresOf(this.robot), false);
		this.changed();
	}

	private changed(): void {
		reader.useRobot(this.robot);
		this.checking.soon();
	}

	private useBench(bench: Bench | null | undefined): void {
		if (!bench) return;
		this.courseId = bench.courseId;
		this.variation = bench.variation;
		this.runs.seeds = bench.attempts;
	}

	/** Brings back what was unsent, and the attempts as they were. */
	async restore(): Promise<void> {
		const unsent = await this.saver.restore();
		if (unsent?.work.kind === 'plan') {
			this.desk.open(unsent.work.content);
			const before = this.courseId;
			this.useBench(unsent.bench);
			if (this.courseId !== before) await this.fetchCourse();
		}
		void Promise.all(this.plan.robots.map((robot) => knownRobots.ask(robot)));
		if (this.course !== openFloor()) await this.runs.restore();
		if (holdsRobots()) void this.openLive();
		if (hasRun(this.saver.id)) await this.showKept();
	}

	/** Loads what talks to real robots. */
	async openLive(): Promise<LiveDesk> {
		const { LiveDesk } = await import('$lib/live/live-desk.svelte');
		return (this.live ??= new LiveDesk(this, this.person));
	}

	/** Runs the plan on its robots. @param only the id of the one chain to run */
	async runLive(only?: string): Promise<void> {
		await (await this.openLive()).run(only);
	}

	private async showKept(): Promise<void> {
		const { newestRun } = await import('$lib/live/kept');
		const kept = await newestRun(this.saver.id);
		const isNewest = kept && kept.run.at > (this.runs.seeds[0]?.at ?? 0);
		const fits = isNewest && kept.run.courseId === this.courseId && !this.runs.hasBegun;
		if (!fits) return;
		this.runs.showKept(kept.attempt, { plan: kept.run.plan });
		this.leaves.setShown(kept.run.id);
	}

	dispose(): void {
		reader.line = () => undefined;
		this.live?.dispose();
		this.checking.dispose();
		this.saver.dispose();
		this.runs.dispose();
	}

	/** Takes another document in the place of this one; undo brings back the plan from before. */
	replacePlan(plan: Plan): boolean {
		return this.desk.edit({ type: 'replace', plan }, t('bench.fileOpened', { name: plan.name }));
	}

	/** Whose figures are shown. @param id of the robot */
	show(id: string): void {
		this.player.shown = id;
		reader.useRobot(this.robot);
	}

	/** One more robot: of the kind of the last one, by a name that none has yet. */
	addRobot(): void {
		const { robots } = this.plan;
		const robot = planRobot({ ...robots.at(-1)!, name: freeName(robots) }, robots);
		const news = t('say.robotAdded', { name: robot.name });
		if (this.desk.edit({ type: 'addRobot', index: robots.length, robot }, news))
			this.show(robot.id);
	}

	removeRobot({ id, name }: PlanRobot): void {
		this.desk.edit({ type: 'removeRobot', robot: id }, t('say.robotRemoved', { name }));
	}

	/** Hands a chain to a robot. */
	assign(chain: string, { id, name }: PlanRobot): void {
		const [first] = this.plan.robots;
		const robot = id === first!.id ? null : id;
		this.desk.edit({ type: 'assign', chain, robot }, t('say.assigned', { name }));
	}

	setRobot(robot: PlanRobot): void {
		this.desk.edit({ type: 'setRobot', robot }, t('say.robot', { name: robot.name }));
	}

	private save(withBench = false): void {
		const bench = withBench ? this.bench : undefined;
		this.saver.change({ kind: 'plan', content: this.plan }, bench);
	}

	private get bench(): Bench {
		const { courseId, variation, runs } = this;
		return { courseId, variation, attempts: runs.seeds };
	}

	chooseCourse(id: string | null): void {
		this.arrived = this.changeCourse(id);
	}

	/** Takes the course with this name, if it is still there. */
	takeSampleCourse(name: string): void {
		this.arrived = this.findCourse(name);
	}

	private async changeCourse(id: string | null): Promise<void> {
		this.courseId = id;
		preferences.choose({ lastCourse: id });
		this.runs.forget();
		this.save(true);
		await this.fetchCourse();
		this.checking.soon();
	}

	private async findCourse(name: string): Promise<void> {
		// A server that cannot be reached has none.
		const page = await fetchPage({ kind: 'course', find: name }).catch(() => null);
		const found = page?.rows.find((course) => course.name === name);
		if (found) await this.changeCourse(found.id);
		else this.voice.refuse(t('bench.noSampleCourse', { name }));
	}

	/** Fetches the course that is chosen, unless another one is by the time it is here. */
	private async fetchCourse(): Promise<void> {
		const id = this.courseId;
		let course: Course | undefined;
		try {
			const content = id && (await request('GET', `/api/documents/${id}`));
			course = courseSchema.safeParse(content).data;
			if (id && !course) this.voice.refuse(t('bench.courseUnreadable'));
		} catch {
			this.voice.refuse(t('home.failed'));
		}
		if (id === this.courseId) this.course = course ?? openFloor();
	}

	chooseVariation(variation: Variation): void {
		this.variation = variation;
		this.save(true);
	}
}
