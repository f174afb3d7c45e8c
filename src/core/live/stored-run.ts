/**
 * Plans that a robot holds itself, in numbered places, and runs by itself: the interpreter is on the
 * robot then, and what it writes down waits there for whoever comes for it.
 */
import type { Course } from '../course/course';
import type { Happenings } from '../devices/happenings';
import { storePlaces, type FromRobot, type ToRobot } from '../link/frames';
import { LinkPort } from '../link/link-port';
import type { Reckoner } from '../link/reckoner';
import type { Machine } from '../robots/machine';
import type { RobotKind } from '../robots/robot';
import { Served } from '../link/served';
import { headingOfBearing } from '../units/angles';
import { startPlaces } from '../world/start-places';
import { writeNews } from './news-text';
import { LiveRun } from './live-run';

/** Seconds between two entries of the journal. */
const entryEvery = 0.4;
/** Runs that a robot keeps until somebody comes for them. */
const mostRuns = 3;

type Stored = Omit<ToRobot & { type: 'store' }, 'type'>;
type Entry = FromRobot & { type: 'journal' };
/** An entry, with when its run began: how long ago that is, is known only when it is fetched. */
type Kept = Omit<Entry, 'ago'> & { readonly began: number };

/** What the runs are made on. */
export interface StoredRobot {
	readonly kind: RobotKind;
	readonly machine: Machine;
	readonly happened: Happenings;
	readonly reckoner: Reckoner;
	/** Whether it holds a sound. */
	readonly holds: (clip: string) => boolean;
}

export class Store {
	private readonly places: (Stored | undefined)[] = Array(storePlaces).fill(undefined);
	private run: StoredRun | undefined;
	/** Entries that nobody has fetched yet. */
	private waiting: Kept[] = [];
	private count = 0;
	private time = 0;

	/**
	 * @param name that tells its runs from those of other robots
	 * @param chance uniform in [0, 1): for what its plans throw dice for
	 */
	constructor(
		private readonly name: string,
		private readonly chance: () => number
	) {}

	get isRunning(): boolean {
		return this.run !== undefined;
	}

	put({ place, ...stored }: Stored): void {
		this.places[place - 1] = { place, ...stored };
	}

	erase(place: number): void {
		this.places[place - 1] = undefined;
	}

	get list(): (FromRobot & { type: 'stored' })['places'] {
		return this.places.flatMap((stored) =>
			stored ? [{ place: stored.place, name: stored.plan.name, owner: stored.owner }] : []
		);
	}

	/** @returns whether there is a plan in this place */
	start(place: number, body: StoredRobot): boolean {
		const stored = this.places[place - 1];
		if (!stored) return false;
		this.halt();
		this.count += 1;
		const id = `${this.name}-${this.count}`;
		this.run = new StoredRun(stored, body, id, this.time, this.chance);
		return true;
	}

	halt(): void {
		this.run?.halt();
		this.note(true);
	}

	/** After a tick. @param time seconds of the robot's clock */
	tick(time: number): void {
		this.time = time;
		if (!this.run) return;
		this.run.tick(time);
		this.note(this.run.isOver);
	}

	private note(isNow: boolean): void {
		const entry = this.run?.entry(this.time, isNow);
		if (!entry) return;
		this.waiting.push(entry);
		if (!entry.isLast) return;
		this.run = undefined;
		this.makeRoom();
	}

	/** Older runs go first. */
	private makeRoom(): void {
		const runs = [...new Set(this.waiting.map(({ run }) => run))];
		const kept = new Set(runs.slice(-mostRuns));
		this.waiting = this.waiting.filter(({ run }) => kept.has(run));
	}

	/** Hands over what nobody has fetched. */
	fetch(): Entry[] {
		const entries = this.waiting.map(({ began, ...entry }) => ({
			...entry,
			ago: this.time - began
		}));
		this.waiting = [];
		return entries;
	}
}

class StoredRun {
	private readonly port: LinkPort;
	private readonly served: Served;
	private readonly live: LiveRun;
	private part = 0;
	private notedAt = -Infinity;

	constructor(
		private readonly stored: Stored,
		{ kind, machine, happened, reckoner, holds }: StoredRobot,
		private readonly id: string,
		private readonly began: number,
		chance: () => number
	) {
		const { plan, course } = stored;
		this.port = new LinkPort(kind.devices, (frame) => this.served.receive(frame));
		this.served = new Served(
			machine,
			kind,
			happened,
			(frame) => this.port.receive(frame),
			reckoner.pose,
			holds
		);
		this.served.report(began);
		const { at, bearing } = startPlaces(course as Course, 1)[0]!;
		reckoner.lineUp({
			x: at[0],
			y: at[1],
			// Whoever lined it up knows better than the start mark where its front is.
			heading: kind.isRound ? reckoner.pose.heading : headingOfBearing(bearing)
		});
		this.port.start();
		this.live = new LiveRun({ plan, course, ports: [this.port], chance });
	}

	get isOver(): boolean {
		return this.live.outcome !== undefined;
	}

	tick(time: number): void {
		this.served.report(time);
		this.live.tick(time - this.began);
	}

	halt(): void {
		this.live.leave();
	}

	/** @returns nothing if it is too early for another one */
	entry(time: number, isNow: boolean): Kept | undefined {
		if (!isNow && time - this.notedAt < entryEvery) return undefined;
		this.notedAt = time;
		this.part += 1;
		const { planId, courseId, plan } = this.stored;
		return {
			type: 'journal',
			run: this.id,
			planId,
			courseId,
			...(this.part === 1 && { plan }),
			began: this.began,
			part: this.part,
			isLast: this.isOver,
			news: writeNews(this.live.news())
		};
	}
}
