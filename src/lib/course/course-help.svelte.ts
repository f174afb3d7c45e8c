/** What a worker knows of the course on the desk: its problems, and the shortest way. */
import type { Found } from '$core/analysis/par';
import type { Course } from '$core/course/course';
import type { CourseProblem } from '$core/checks/course';
import type { MazeWish } from '$core/course/search/maze';
import type { WayWish } from '$core/course/search/driven-way';
import { suitedKinds } from '$core/robots/suits';
import { t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import type { CourseBench } from './course-bench.svelte';
import { startLooker } from './looker';

/** Milliseconds of rest after which a course is looked at. */
const rest = 350;

export class CourseHelp {
	/** The kind of robot that is to find its way here. */
	kind = $state('');
	problems = $state.raw<readonly CourseProblem[]>([]);
	/** The way that was asked for, and of which course; null where there is none. */
	private asked = $state.raw<{ course: Course; found: Found | null } | null>(null);
	wish = $state<WayWish>('shortest');
	isTapeWall = $state(false);
	/** The seconds that a robot takes are shown. */
	isParShown = $state(false);
	isSearching = $state(false);
	private searches = 0;
	private readonly looker = startLooker();
	private timer: ReturnType<typeof setTimeout> | undefined;

	/** As long as the course stays what it was when the way was asked for. */
	readonly found = $derived.by(() =>
		this.asked?.course === this.bench.course ? this.asked.found : undefined
	);

	constructor(private readonly bench: CourseBench) {
		const suited = suitedKinds(bench.course);
		const last = preferences.lastKind;
		this.kind = suited.find((kind) => kind === last) ?? suited[0]!;
	}

	/** Looks at the course once it has rested. */
	soon(course: Course, kind: string): void {
		clearTimeout(this.timer);
		this.timer = setTimeout(() => void this.check(course, kind), rest);
	}

	private async check(course: Course, kind: string): Promise<void> {
		const problems = await this.looker.service.check(course, kind);
		if (course === this.bench.course && kind === this.kind) this.problems = problems;
	}

	async search(): Promise<void> {
		const { course } = this.bench;
		this.isSearching = true;
		const mine = (this.searches += 1);
		const { wish } = this;
		const name = t(`course.way.plan.${wish}`, { course: course.name });
		const found = await this.looker.service.way(course, this.kind, wish, this.isTapeWall, name);
		if (mine !== this.searches) return;
		this.isSearching = false;
		this.isParShown = false;
		this.asked = { course, found };
	}

	/** What is wished has changed: a way that is seen, or looked for, is found anew. */
	async wishAnew(): Promise<void> {
		if (this.found !== undefined || this.isSearching) await this.search();
	}

	hideWay(): void {
		this.asked = null;
	}

	maze(wish: MazeWish) {
		return this.looker.service.maze(wish, this.kind);
	}

	dispose(): void {
		clearTimeout(this.timer);
		this.looker.worker.terminate();
	}
}
