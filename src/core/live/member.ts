/** A real robot in a run: where it reckons to be, what its steps do, and what is odd about it. */
import type { Course } from '../course/course';
import { facingOf, railNear, railReach, type RailSpot } from '../course/rails';
import * as exact from '../exact';
import { ownReadings } from '../expressions/vocabulary';
import type { LinkPort } from '../link/link-port';
import type { PlanRobot } from '../plan/plan';
import { fittedKindOf } from '../robots/fitted';
import { robotKindOf } from '../robots/kinds';
import { readingsOf } from '../robots/robot';
import { robotDocument } from '../robots/robot-document';
import { Journal, type Records } from '../simulation/journal';
import { tickRate } from '../time';
import type { Datum } from '../types';
import type { Obstacle } from '../world/body';
import type { Pose } from '../world/pose';
import type { RunNews } from './live-news';
import { LiveWriter } from './live-writer';

/** m/s and rad/s: who is slower stands. */
const stillSpeed = 0.02;
const stillTurning = 0.1;
/** Seconds in which one that is to move stays where it is, within metres and radians, until that is said. */
const stuckAfter = 4;
const stuckWithin = 0.005;
const stuckTurned = 0.035;

export class Member {
	readonly pose: Pose;
	readonly body = { speed: 0 };
	readonly journal: Journal;
	private writer: LiveWriter | undefined;
	pathLength = 0;
	/** What a robot on a rail that only counts its way is placed by. */
	private readonly rail: (RailSpot & { readonly facing: number }) | undefined;
	private bumps = 0;
	/** Seconds since Run at which it was heard last, and whether it stood then. */
	private heardAt = 0;
	private stood = true;
	private sensedAt = NaN;
	/** Where it has been since. */
	private readonly anchor: Pose & { since: number };
	private hasSaidStuck = false;
	private oddSaid = 0;

	constructor(
		readonly robot: PlanRobot,
		readonly port: LinkPort,
		records: Records,
		start: Pose,
		course: Course
	) {
		this.pose = { ...start };
		this.anchor = { ...start, since: 0 };
		this.journal = new Journal(records, robot.id, this, this.pose);
		const rail = robotKindOf(robot.kind).isOnRail && railNear(course.rails, start, railReach);
		this.rail = rail ? { ...rail, facing: facingOf(rail, start.heading) } : undefined;
	}

	/** @param read what its chains read @param now what a reading says now, as its chains see it */
	record(read: ReadonlySet<string>, now: (reading: string) => Datum): void {
		const kind = fittedKindOf(this.robot);
		const seen = [...read].map((reading) => ({ reading, now: () => now(reading) }));
		const others = readingsOf(kind).filter((one) => !read.has(one) && !(one in ownReadings));
		this.writer = new LiveWriter(this.port, this.pose, kind.columns, seen, new Set(others));
	}

	keep(time: number): void {
		this.writer!.keep(Math.round(time * tickRate));
	}

	/** What has come since it was asked last. */
	get news(): RunNews {
		const { robot, journal, pathLength } = this;
		return {
			id: robot.id,
			robot: robotDocument(robot),
			...this.writer!.news(),
			bumps: [...journal.bumps],
			pathLength
		};
	}

	/** Seconds since it was heard. */
	ageAt(time: number): number {
		return time - this.heardAt;
	}

	/** It has said since then that it stands. @param time seconds since Run */
	standsSince(time: number): boolean {
		return this.stood && this.heardAt > time;
	}

	/** Says what somebody beside it should look at. */
	private watch(now: number): void {
		const { port, pose, anchor, robot, journal } = this;
		const { driving } = journal;
		const hasMoved =
			distance(pose, anchor.x, anchor.y) > stuckWithin ||
			Math.abs(pose.heading - anchor.heading) > stuckTurned;
		if (hasMoved || !port.isToMove) Object.assign(anchor, pose, { since: now });
		if (!driving) return;
		const values = { number: driving.number, name: robot.name };
		if (!this.hasSaidStuck && now - anchor.since > stuckAfter) {
			this.hasSaidStuck = true;
			journal.noted(driving, { key: 'note.standsStill', values });
		}
		if (port.odd.size === this.oddSaid) return;
		this.oddSaid = port.odd.size;
		const readings = [...port.odd].join(', ');
		journal.noted(driving, { key: 'note.oddReading', values: { ...values, readings } });
	}

	/** Takes over what the robot has said by now. */
	follow(now: number): void {
		const { port, pose, rail } = this;
		const passed = port.sensedAt - this.sensedAt;
		const isNew = port.sensedAt !== this.sensedAt;
		if (isNew) this.heardAt = now;
		this.sensedAt = port.sensedAt;
		const { x, y, heading: before } = pose;
		this.body.speed = Number(port.shows.speed ?? port.read('speed')) || 0;
		if (rail) {
			const { path, way, facing } = rail;
			const at = path.at(way + facing * (Number(port.read('travelled')) || 0));
			const heading = facing === 1 ? at.heading : at.heading + Math.PI;
			Object.assign(pose, { x: at.x, y: at.y, heading });
		} else if (port.at) Object.assign(pose, port.at);
		const gone = distance(pose, x, y);
		this.pathLength += gone;
		if (isNew) {
			const turned = Math.abs(pose.heading - before);
			this.stood =
				Math.abs(this.body.speed) < stillSpeed &&
				!(gone > stillSpeed * passed) &&
				!(turned > stillTurning * passed);
		}
		this.watch(now);
		for (const { time, what } of port.happened.since('bump', this.bumps))
			this.journal.bumped(time, (what ?? 'wall') as Obstacle);
		this.bumps = port.happened.count('bump');
	}
}

/** Metres from a pose to a place. */
export const distance = ({ x, y }: Pose, toX: number, toY: number): number =>
	exact.lengthOf(x - toX, y - toY);
