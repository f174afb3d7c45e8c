/**
 * A course and the robots on it, moved on one tick at a time; who gives the robots their orders is
 * another matter. First the robots drive, the world moves them, then they notice what is around them.
 */
import type { Course, Gate, LampPost } from '../course/course';
import type { ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';
import type { NamedRobot } from '../robots/robot-document';
import { tickRate } from '../time';
import type { StandingCrate } from '../world/crates';
import type { Obstacle } from '../world/body';
import { CourseState, type Terrain } from '../world/scene';
import type { StartPlace } from '../world/start-places';
import { World } from '../world/world';
import { CrateWriter } from './crate-writer';
import { CrewMember } from './crew-member';
import { isThrough } from './gates';
import type { HandAt } from './touch';
import { Records } from './journal';

/** A robot that stands on a stage. */
type Standing = NamedRobot & { readonly id: string };

/** What stands on a stage. */
export interface Staging {
	readonly terrain: Terrain;
	readonly starts: readonly StartPlace[];
	readonly robots: readonly Standing[];
	readonly variation: Variation;
	/** By the ids of robots: what they are like, where that is known. */
	readonly parameters?: Readonly<Record<string, ParameterValues>> | undefined;
	readonly seed: number;
	/** What hands do to a robot, in order. @param index of the robot */
	readonly touches?: (id: string, index: number) => readonly HandAt[];
}

export class Stage {
	/** In the order in which they were given. */
	crew: readonly CrewMember[] = [];
	readonly place: CourseState;
	readonly records = new Records();
	readonly crateWriter: CrateWriter;
	tickNumber = 0;
	/** Seconds since Run. */
	time = 0;
	/** In an order of their own, so that it makes no difference which of them is listed first. */
	private byId: readonly CrewMember[] = [];
	private readonly crates: readonly StandingCrate[];
	private readonly world: World;
	private readonly isOnTable: boolean;
	private readonly size: Course['size'];
	private readonly isInOrder: boolean;
	private waitingPosts: readonly LampPost[];
	private waitingGates: readonly Gate[];

	constructor(private readonly staging: Staging) {
		const { terrain, starts, robots } = staging;
		const { course } = terrain;
		this.crates = terrain.crates;
		this.place = new CourseState(terrain, this.crates);
		this.world = new World(terrain, this.crates, []);
		this.stand(robots.map((robot, index) => this.memberOf(robot, starts[index]!, index)));
		this.byId.forEach((member, index) => member.stand(this.byId.slice(0, index)));
		this.crateWriter = new CrateWriter(this.crates);
		this.waitingPosts = course.lampPosts;
		this.waitingGates = course.gates;
		this.isOnTable = course.table !== null;
		this.size = course.size;
		this.isInOrder = course.isInOrder;
	}

	private memberOf(robot: Standing, start: StartPlace, index: number): CrewMember {
		const { place, records } = this;
		const { variation, seed, touches } = this.staging;
		const parameters = this.staging.parameters?.[robot.id];
		const { id } = robot;
		const others = () => this.crew.filter((other) => other.id !== id);
		const own = { id, robot, start, others, touches: touches?.(id, index) ?? [] };
		return new CrewMember({ ...own, variation, parameters, seed, place, records });
	}

	private stand(crew: readonly CrewMember[]): void {
		this.crew = crew;
		this.byId = crew.toSorted((a, b) => (a.id < b.id ? -1 : 1));
		this.world.stand(this.byId.map(({ machine, pose }) => ({ body: machine.body, pose })));
	}

	/** A hand sets one more robot down, or the same robot somewhere else. */
	setDown(robot: Standing, start: StartPlace): CrewMember {
		const others = this.crew.filter(({ id }) => id !== robot.id);
		const member = this.memberOf(robot, start, others.length);
		member.stand(others);
		this.stand([...others, member]);
		return member;
	}

	/** A hand takes one away. */
	takeAway(robot: string): void {
		this.stand(this.crew.filter(({ id }) => id !== robot));
	}

	/** Pairs of things that touched each other, summed up over all ticks. */
	get work(): number {
		return this.world.work;
	}

	/** What holds this robot, if something does. */
	holderOf(member: CrewMember): Obstacle | null {
		return this.world.touching(this.byId.indexOf(member));
	}

	/** Before the first tick. */
	begin(): void {
		for (const member of this.crew) member.notice(this.time);
		this.lightPosts();
	}

	advance(): void {
		this.driveAll();
		this.moveAll();
		if (this.waitingPosts.length > 0) this.lightPosts();
		if (this.waitingGates.length > 0) this.passGates();
		if (this.isOnTable) this.dropCrates();
		else this.watchFloor();
	}

	/** A robot that is over the edge of the table. */
	get fallen(): CrewMember | undefined {
		if (!this.isOnTable) return undefined;
		const { ground } = this.place.terrain;
		return this.crew.find(
			({ pose, isOnGround }) => isOnGround && ground.isBeyondEdge(pose.x, pose.y)
		);
	}

	/** A robot that could not be set down, as something stands there. */
	get withoutRoom(): CrewMember | undefined {
		return this.crew.find(({ hasRoom }) => !hasRoom);
	}

	private driveAll(): void {
		const { byId, time } = this;
		for (let i = 0; i < byId.length; i++) byId[i]!.machine.advance(time);
	}

	private moveAll(): void {
		const { byId, world } = this;
		world.move();
		this.tickNumber += 1;
		this.time = this.tickNumber / tickRate;
		for (let i = 0; i < byId.length; i++) byId[i]!.moved(this.time, world.touching(i));
	}

	/** Where there is no table to fall off, one goes on beyond what is drawn of the floor: that is said. */
	private watchFloor(): void {
		const { crew, size } = this;
		for (let i = 0; i < crew.length; i++) {
			const { pose, journal } = crew[i]!;
			if (pose.x < 0 || pose.y < 0 || pose.x > size.width || pose.y > size.height)
				journal.leftFloor();
		}
	}

	private dropCrates(): void {
		for (const crate of this.crates) {
			const { x, y } = crate.pose;
			if (crate.hasFallen || !this.place.terrain.ground.isBeyondEdge(x, y)) continue;
			crate.hasFallen = true;
			this.crateWriter.fell(crate, this.time);
		}
	}

	private lightPosts(): void {
		const { place } = this;
		let hasLit = false;
		for (const post of this.waitingPosts) {
			if (!this.isReached(post)) {
				if (this.isInOrder) break;
				continue;
			}
			hasLit = true;
			place.litPosts.push(post);
			this.reached(post);
		}
		if (hasLit)
			this.waitingPosts = this.waitingPosts.filter((post) => !place.litPosts.includes(post));
	}

	private reached({ id }: LampPost | Gate): void {
		const { place, time } = this;
		place.reached.push({ id, time });
		for (const { happened } of this.crew) happened.add({ time, kind: 'post', what: id });
	}

	private passGates(): void {
		const candidates = this.isInOrder ? this.waitingGates.slice(0, 1) : this.waitingGates;
		const passed = candidates.filter((gate) =>
			this.crew.some(({ before, pose, heights }) => isThrough(gate, before, pose, heights))
		);
		for (const gate of passed) this.reached(gate);
		if (passed.length > 0)
			this.waitingGates = this.waitingGates.filter((gate) => !passed.includes(gate));
		for (const { before, pose } of this.crew) Object.assign(before, pose);
	}

	private isReached({ at, reach }: LampPost): boolean {
		for (const member of this.crew) if (member.distanceTo(at) <= reach) return true;
		return false;
	}
}
