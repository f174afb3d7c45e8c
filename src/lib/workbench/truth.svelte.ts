/**
 * Truth by hand: after a run, or behind a leg of one that waits there, a person says where the robot
 * really stands. The place is pointed to, found by two tapes, or told from the finish ring.
 */
import {
	crossings,
	handSigmas,
	markAt,
	offOf,
	recordedAt,
	withMark,
	withoutMark,
	type After,
	type Mark,
	type OffBy
} from '$core/attempts/marks';
import { lengthTo, placeBeside, type Point } from '$core/course/measure';
import type { HeldBehind } from '$core/live/live-news';
import { legsOf, type Attempt, type RecordedPose, type RobotRun } from '$core/simulation/attempt';
import { bearingOfHeading, headingOfBearing, wrapAngle } from '$core/units/angles';
import type { Course } from '$core/course/course';
import { pointsOf, type KnownPoint } from './known-points';

export const truthWays = ['tap', 'tapes', 'ring'] as const;
export type TruthWay = (typeof truthWays)[number];

/** What it needs of a workbench. */
export interface TruthStand {
	readonly course: Course;
	readonly player: {
		readonly attempt: Attempt | null;
		/** Of the robot that is shown. */
		readonly run: RobotRun | null;
	};
	/** It may wait behind a leg. */
	readonly live: { readonly told: { readonly held: HeldBehind | null } } | null;
	readonly leaves: {
		readonly marks: readonly Mark[];
		/** @returns whether they are kept */
		setMarks(marks: readonly Mark[]): Promise<boolean>;
	};
}

/** A place of a run at which something can be marked. */
export interface Stop {
	readonly after: After;
	readonly number: number;
}

/** Metres of a step by a key, and of a fine one. */
const keyStep = 0.01;

export class Truth {
	way = $state<TruthWay>('tap');
	/** What was chosen; where a run waits behind a leg, it is that one. */
	private chosen = $state.raw<After>(null);
	private tapped = $state.raw<Point | null>(null);
	/** Keys of the things from which the tapes are laid. */
	things = $state.raw<readonly [string, string]>(['', '']);
	/** Metres; null while nobody has measured. */
	lengths = $state.raw<readonly [number | null, number | null]>([null, null]);
	/** Which of two crossings. */
	side = $state(0);
	/** From the middle of the finish ring: metres, and degrees clockwise from north. */
	ring = $state.raw<{ length: number | null; bearing: number | null }>({
		length: null,
		bearing: null
	});
	/** Degrees clockwise from north to which its front points; null while nobody has looked. */
	bearing = $state.raw<number | null>(null);
	/** The bearing was typed, so it was measured. */
	private isByProtractor = $state(false);

	/** Of the robot that is measured: the one behind whose leg a run waits, or the one that is shown. */
	private readonly run: RobotRun | null = $derived.by(() => {
		const { attempt, run } = this.stand.player;
		const { held } = this.stand.live?.told ?? {};
		return (held && attempt?.runs.find(({ id }) => id === held.robot)) ?? run;
	});
	readonly after: After = $derived.by(() => {
		const { held } = this.stand.live?.told ?? {};
		return held ? { stepId: held.stepId, round: held.round } : this.chosen;
	});
	/** Where it can have been marked: behind each leg, and at the end. */
	readonly stops: readonly Stop[] = $derived.by(() => {
		const { attempt } = this.stand.player;
		const { run } = this;
		if (!attempt || !run) return [];
		const rounds: Record<string, number> = {};
		const legs = legsOf(attempt, run).map(({ stepId, number }) => {
			const round = (rounds[stepId] = (rounds[stepId] ?? 0) + 1);
			return { after: { stepId, round }, number };
		});
		return [...legs, { after: null, number: 0 }];
	});
	/** As it was recorded there. */
	readonly pose: RecordedPose | null = $derived.by(() => {
		const { attempt } = this.stand.player;
		return attempt && this.run ? recordedAt(attempt, this.run, this.after) : null;
	});
	/** From which tapes can be laid: the nearest first. */
	readonly points: readonly KnownPoint[] = $derived.by(() =>
		pointsOf(this.stand.course, this.pose ?? { x: 0, y: 0 })
	);
	/** Those that are laid, each around what it is laid from. */
	readonly tapes: readonly { readonly at: Point; readonly length: number }[] = $derived.by(() => {
		if (this.way === 'tap') return [];
		const { finish } = this.stand.course;
		if (this.way === 'ring')
			return finish && this.ring.length ? [{ at: finish.at, length: this.ring.length }] : [];
		return this.things.flatMap((key, which) => {
			const from = this.points.find((point) => point.key === key);
			const length = this.lengths[which];
			return from && length ? [{ at: from.at, length }] : [];
		});
	});
	readonly crossings: readonly Point[] = $derived.by(() => {
		const [a, b] = this.things.map((key) => this.points.find((point) => point.key === key));
		const [toA, toB] = this.lengths;
		if (!a || !b || toA === null || toB === null) return [];
		const met = crossings([a.at, b.at], [toA, toB]);
		const { pose } = this;
		// The one nearer to where it reckons to be is the likelier one.
		return pose
			? met.toSorted((p, q) => lengthTo(p, [pose.x, pose.y]) - lengthTo(q, [pose.x, pose.y]))
			: met;
	});
	/** Where it stands, as far as that has been said. */
	readonly at: Point | null = $derived.by(() => {
		if (this.way === 'tap') return this.tapped;
		if (this.way === 'tapes') return this.crossings[this.side] ?? this.crossings[0] ?? null;
		const { finish } = this.stand.course;
		const { length, bearing } = this.ring;
		if (!finish || length === null || bearing === null) return null;
		return placeBeside(finish.at, bearing, length, 0);
	});
	readonly heading = $derived.by(() =>
		this.bearing === null ? null : wrapAngle(headingOfBearing(this.bearing))
	);
	/** What would be marked. */
	readonly draft: Mark | null = $derived.by(() => {
		const { at, heading, after, run } = this;
		if (!run || (!at && heading === null)) return null;
		const { tape, eye, protractor, eyeAngle } = handSigmas;
		return {
			...{ robot: run.id, after, at, heading },
			sigma: this.way === 'tap' ? eye : tape,
			headingSigma: this.isByProtractor ? protractor : eyeAngle
		};
	});
	/** By how much the reckoning is off what would be marked. */
	readonly off: OffBy | null = $derived.by(() =>
		this.draft && this.pose ? offOf(this.draft, this.pose) : null
	);
	/** What was marked there before. */
	readonly marked: Mark | null = $derived.by(() => {
		return this.run && markAt(this.marks, this.run.id, this.after);
	});

	constructor(private readonly stand: TruthStand) {}

	/** Name of the robot that is measured. */
	get name(): string | undefined {
		return this.run?.robot.name;
	}
	get hasRing(): boolean {
		return this.stand.course.finish !== null;
	}
	get isAtLeg(): boolean {
		return Boolean(this.stand.live?.told.held);
	}
	get marks(): readonly Mark[] {
		return this.stand.leaves.marks;
	}

	/** Of a mark, by how much the reckoning is off; null where its leg is not known any more. */
	offOf(mark: Mark): OffBy | null {
		const { attempt } = this.stand.player;
		const run = attempt?.runs.find(({ id }) => id === mark.robot);
		const pose = attempt && run ? recordedAt(attempt, run, mark.after) : null;
		return pose && offOf(mark, pose);
	}

	/** Looks at another stop. */
	choose(after: After): void {
		this.chosen = after;
		this.clear();
	}

	clear(): void {
		this.tapped = this.bearing = null;
		this.lengths = [null, null];
		this.ring = { length: null, bearing: null };
		this.side = 0;
		this.isByProtractor = false;
	}

	/** A finger says where it stands. Metres. */
	tap(at: Point): void {
		this.way = 'tap';
		const { width, height } = this.stand.course.size;
		const within = (value: number, most: number) => Math.min(most, Math.max(0, value));
		this.tapped = [within(at[0], width), within(at[1], height)];
		// A drawing has to point somewhere: as it reckons, until somebody turns it.
		this.bearing ??= this.pose && Math.round(bearingOfHeading(this.pose.heading));
	}

	/** By keys, from where it reckons to be at first. @param east @param north steps */
	move(east: number, north: number, isFine: boolean): void {
		const { pose } = this;
		const from = this.tapped ?? (pose && ([pose.x, pose.y] as const));
		const step = isFine ? keyStep / 10 : keyStep;
		if (from) this.tap([from[0] + east * step, from[1] + north * step]);
	}

	/** @param degrees to the right */
	turn(degrees: number): void {
		const from = this.bearing ?? (this.pose ? Math.round(bearingOfHeading(this.pose.heading)) : 0);
		this.setBearing(from + degrees, false);
	}

	setBearing(bearing: number | null, isByProtractor = true): void {
		const isNumber = bearing !== null && Number.isFinite(bearing);
		this.bearing = isNumber ? ((bearing % 360) + 360) % 360 : null;
		this.isByProtractor = isByProtractor;
	}

	/** @param which of the two @param length metres */
	lay(which: 0 | 1, length: number | null): void {
		const [a, b] = this.lengths;
		this.lengths = which === 0 ? [length, b] : [a, length];
	}
	layFrom(which: 0 | 1, key: string): void {
		const [a, b] = this.things;
		this.things = which === 0 ? [key, b] : [a, key];
	}

	/** @returns whether it is kept */
	async keep(): Promise<boolean> {
		const { draft } = this;
		if (!draft) return false;
		const isKept = await this.stand.leaves.setMarks(withMark(this.marks, draft));
		if (isKept) this.clear();
		return isKept;
	}

	/** @param mark one of those that there are */
	async remove({ robot, after }: Mark): Promise<void> {
		await this.stand.leaves.setMarks(withoutMark(this.marks, robot, after));
	}
}
