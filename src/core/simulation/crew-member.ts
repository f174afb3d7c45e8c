/** One robot in a rehearsal: the machine, where it is, what it senses, and what is written down of it. */
import * as exact from '../exact';
import { Happenings } from '../devices/happenings';
import { ownReadings } from '../expressions/vocabulary';
import { Random, seedOfText } from '../random/random';
import { fittedKindOf } from '../robots/fitted';
import { modelOf } from '../robots/models';
import type { Machine } from '../robots/machine';
import type { ParameterValues } from '../robots/parameter';
import { robotDocument, type NamedRobot } from '../robots/robot-document';
import { readingsOf, type RobotKind, type Variation } from '../robots/robot';
import type { Datum } from '../types';
import { headingOfBearing } from '../units/angles';
import { heightsOf } from '../world/heights';
import { outlineAt, radiusOf, type Pose } from '../world/pose';
import { Scene, type CourseState } from '../world/scene';
import { setFree } from '../world/set-free';
import { asideOf, farthestAside } from '../world/room';
import type { StartPlace } from '../world/start-places';
import type { Obstacle } from '../world/body';
import type { RobotRun } from './attempt';
import { Journal, type Records } from './journal';
import type { HandAt } from './touch';
import { bumpHold, bumpPause, touchHold } from './settings';
import { TraceWriter } from './trace-writer';
import { tick } from '../time';

/** Seeds of sensors, and of what a plan throws dice for, stand apart from that of the drive. */
const sensorSeed = 0x5ea;
const diceSeed = 0xd1ce;
const displaySeed = 0xd15b;
/** The robot with this id has the seed of the attempt itself, as when there was only one. */
const firstSeed = seedOfText('robot1');

/** What a member of the crew is made from. */
interface Joining {
	readonly id: string;
	readonly robot: NamedRobot;
	readonly variation: Variation;
	/** In place of what would be drawn of it. */
	readonly parameters: ParameterValues | undefined;
	readonly seed: number;
	readonly start: StartPlace;
	readonly place: CourseState;
	readonly records: Records;
	/** The other members. */
	readonly others: () => readonly CrewMember[];
	/** What hands do to it, in order, by the seconds since Run. */
	readonly touches: readonly HandAt[];
}

export class CrewMember {
	readonly id: string;
	readonly kind: RobotKind;
	readonly machine: Machine;
	readonly pose: Pose;
	/** Where it was a tick ago, while gates are watched. */
	readonly before: Pose;
	readonly journal: Journal;
	/** For what its chains throw dice for: uniform in [0, 1). */
	readonly chance: () => number;
	readonly happened = new Happenings();
	/** It could be set down where it was to be. */
	hasRoom = true;
	private time = 0;
	pathLength = 0;
	/** What has gone so wrong that it needs a hand. */
	fault: string | undefined;
	private readonly place: CourseState;
	private readonly robot: NamedRobot;
	private readonly scene: Scene;
	private readonly touches: readonly HandAt[];
	private touched = 0;
	/** Seconds since Run at which a hand was on it last. */
	private touchedAt = -Infinity;
	private lastContact = -Infinity;
	private writer: TraceWriter<Machine> | undefined;

	constructor(joining: Joining) {
		const { id, robot, variation, parameters, seed, start } = joining;
		const { place, records, others, touches } = joining;
		this.id = id;
		this.place = place;
		this.robot = robot;
		this.touches = touches;
		this.kind = fittedKindOf(robot);
		const heading = headingOfBearing(start.bearing);
		this.pose = { x: start.at[0], y: start.at[1], heading };
		const altitude = (): number => this.machine.body.altitude ?? 0;
		this.scene = new Scene(place, this.pose, altitude, others);
		const own = seed ^ seedOfText(id) ^ firstSeed;
		this.machine = modelOf(robot.kind).build({
			name: robot.name,
			settings: robot.settings,
			variation,
			parameters,
			heading,
			chance: new Random(own),
			sensorChance: new Random(own ^ sensorSeed),
			displayChance: new Random(own ^ displaySeed),
			played: (notes, volume) => this.journal.played(this.time, notes, volume),
			met: (obstacle) => this.met(obstacle, this.time),
			failed: (fault) => this.failed(fault),
			felt: (kind) => this.happened.add({ time: this.time, kind }),
			surroundings: this.scene
		});
		setDown(this.pose, this.machine.placing);
		this.before = { ...this.pose };
		const dice = new Random(own ^ diceSeed);
		this.chance = () => dice.between(0, 1);
		this.journal = new Journal(records, id, this.machine, this.pose);
	}

	/** Its hand sets it down beside what is in its way, if there is room. @param others the other members */
	stand(others: readonly CrewMember[]): void {
		const { place, kind, pose } = this;
		const things = [
			...place.standingNear(pose, farthestAside + radiusOf(kind.outline)),
			...others.map(({ outline }) => outline)
		];
		this.hasRoom = setFree(kind.outline, pose, things, asideOf(kind));
		Object.assign(this.before, pose);
	}

	get outline() {
		return outlineAt(this.kind.outline, this.pose);
	}

	get heights() {
		return heightsOf(this.machine.body);
	}

	/** It does not fly. */
	get isOnGround(): boolean {
		return !this.machine.body.altitude;
	}

	/** @param read what its chains read @param now what a reading says now, as its chains see it */
	record(read: ReadonlySet<string>, now: (reading: string) => Datum, isWatched: boolean): void {
		const { kind, machine, pose } = this;
		const unread = isWatched ? readingsOf(kind).filter((one) => !read.has(one)) : [];
		const seenByChains = (reading: string) => ({ reading, now: () => now(reading) });
		const seenByDisplay = (reading: string) => ({ reading, now: () => machine.display(reading) });
		this.writer = new TraceWriter(machine, pose, kind.columns, {
			read: [...read].map(seenByChains),
			shown: unread.map((one) => (one in ownReadings ? seenByChains : seenByDisplay)(one))
		});
	}

	/** @returns whether it wrote this tick down: never, if nothing is to be recorded */
	sample(number: number): boolean {
		return this.writer?.sample(number) ?? false;
	}

	/** Writes this tick down in any case. @returns whether it was not yet */
	keep(number: number): boolean {
		return this.writer!.keep(number);
	}

	/** Takes notice of what happens around it. */
	notice(time: number): void {
		this.time = time;
		this.scene.isBumped = time - this.lastContact <= bumpHold;
		if (this.touches.length > 0) this.feelHands();
	}

	private feelHands(): void {
		const { scene, touches, time } = this;
		for (let next; (next = touches[this.touched]) && next.time <= time; this.touched += 1) {
			const { word } = next;
			if (word === undefined) this.touchedAt = next.time;
			const kind = word === undefined ? 'hand' : 'heard';
			this.happened.add({ time: next.time, kind, ...(word !== undefined && { what: word }) });
		}
		scene.isTouched = time - this.touchedAt <= touchHold;
	}

	/** Touches are still to come. */
	get isAwaited(): boolean {
		return this.touched < this.touches.length;
	}

	/** After the world has moved it. */
	moved(time: number, touching: Obstacle | null): void {
		this.pathLength += Math.abs(this.machine.body.speed) * tick;
		if (touching) this.met(touching, time);
		this.notice(time);
	}

	private failed(fault: string): void {
		this.fault ??= fault;
		this.journal.failed(fault);
	}

	private met(obstacle: Obstacle, time: number): void {
		if (time - this.lastContact > bumpPause) {
			this.journal.bumped(time, obstacle);
			if (!this.kind.feelsJolts) this.happened.add({ time, kind: 'bump', what: obstacle });
		}
		this.lastContact = time;
	}

	get name(): string {
		return this.robot.name;
	}

	distanceTo(point: readonly [number, number]): number {
		return exact.lengthOf(point[0] - this.pose.x, point[1] - this.pose.y);
	}

	get run(): RobotRun {
		const { id, robot, journal, pathLength } = this;
		const { trace, sensed, unread } = this.writer!;
		const { bumps, tones } = journal;
		return { id, robot: robotDocument(robot), trace, sensed, unread, bumps, tones, pathLength };
	}
}

/** Moves a pose to where a hand really set the robot down. */
function setDown(pose: Pose, [ahead, left, turned]: Machine['placing']): void {
	const cos = exact.cos(pose.heading);
	const sin = exact.sin(pose.heading);
	pose.x += ahead * cos - left * sin;
	pose.y += ahead * sin + left * cos;
	pose.heading += turned;
}
