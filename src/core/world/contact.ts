/**
 * Contact with walls, crates and each other, through the rigid-body package planck. Asked only while
 * something is near, and planck is given only the walls that are: its time grows with all it knows.
 */
import * as exact from '../exact';
import { Polygon, Vec2, World, type Body as PlanckBody, type Fixture } from './planck';
import { topOfWall, type Wall } from '../course/course';
import type { Body, Motion, Obstacle, Outline } from './body';
import { tick } from '../time';
import { maximumNear, stuckCrates, withoutHidden } from './crowd';
import { heightsOf, isOver, standing, type Heights } from './heights';
import { Nearby, Sight, type Change } from './nearby';
import { scale, toPlanck } from './planck/units';
import type { StandingCrate } from './crates';
import { outlineAt, type Pose } from './pose';

/** Friction between a plastic shell and a wall or a crate. */
const wallFriction = 0.3;
/** m/s² by which a crate of card or wood slows down on the floor: friction 0.3. */
const crateDrag = 0.3 * 9.81;
/** m/s: slower than this a crate stands. */
const crateRest = 0.002;
/** Half of what planck advises for heaps of things: a few bodies among walls need no more (decision 56). */
const velocityIterations = 4;
const positionIterations = 3;

/** What it takes to find that a pair does not touch, as a part of what it takes when it does. */
const pairWork = 0.1;

type Rigid = Pick<Body, 'outline' | 'mass' | 'inertia' | 'bounce'>;

/** A body that moves by itself, as planck knows it. */
interface Moving {
	readonly planck: PlanckBody;
	readonly outline: Outline;
	readonly radius: number;
	readonly sight: Sight;
	isLeftOut: boolean;
	/** Direction halfway through the tick: what its speeds refer to. */
	cos: number;
	sin: number;
}

export class Contact {
	private readonly world: World;
	private readonly ground: PlanckBody;
	private readonly velocity = new Vec2();

	private readonly moving: readonly Moving[];
	private readonly planckBodies: ReadonlySet<PlanckBody>;
	private readonly crates: readonly {
		readonly crate: StandingCrate;
		readonly body: PlanckBody;
		/** None for a crate that can never move. */
		readonly sight: Sight | null;
	}[];
	private readonly nearby: Nearby;
	private readonly tops: readonly number[];
	/** The walls that planck knows, and by how many things each is near. */
	private readonly fixtures: (Fixture | undefined)[] = [];
	private readonly uses: number[];

	/** Whether a crate is still on its way. */
	isAnyCrateMoving = false;
	/** After `follow`: what was left of the body's motion. */
	readonly moved: Motion = { ahead: 0, left: 0, turning: 0 };
	/** Pairs of things that touched each other, summed up over all ticks: what planck's time grows with. */
	work = 0;

	constructor(
		walls: readonly Wall[],
		crates: readonly StandingCrate[],
		bodies: readonly { readonly body: Body; readonly radius: number }[]
	) {
		const isCrowded = walls.length > maximumNear;
		// What planck does to keep things that are faster than they are large apart is needless here, and
		// takes minutes in a crowd.
		const continuousPhysics = !isCrowded;
		this.world = new World({ gravity: { x: 0, y: 0 }, allowSleep: false, continuousPhysics });
		this.ground = this.world.createBody();
		const seen = isCrowded ? withoutHidden(walls) : walls;
		this.nearby = new Nearby(seen);
		this.tops = seen.map(topOfWall);
		this.uses = seen.map(() => 0);
		const stuck = stuckCrates(seen, crates);
		this.crates = crates.map((crate) => {
			const body = this.bodyOf({
				outline: crate.corners,
				mass: crate.mass,
				inertia: crate.inertia
			});
			body.getFixtureList()!.setUserData(standing(crate.top));
			if (stuck.has(crate)) body.setStatic();
			body.setTransform(new Vec2(crate.pose.x * scale, crate.pose.y * scale), crate.pose.heading);
			return { crate, body, sight: stuck.has(crate) ? null : new Sight() };
		});
		this.moving = bodies.map(({ body, radius }) => ({
			planck: this.bodyOf(body, true),
			outline: body.outline,
			radius,
			sight: new Sight(),
			isLeftOut: false,
			cos: 1,
			sin: 0
		}));
		this.planckBodies = new Set(this.moving.map(({ planck }) => planck));
		if (bodies.some(({ body }) => body.altitude !== undefined)) this.letPassOver(bodies);
	}

	/** What flies higher than a thing does not touch it. */
	private letPassOver(bodies: readonly { readonly body: Body }[]): void {
		const heights = (fixture: Fixture): Heights => {
			const own = this.moving.findIndex(({ planck }) => planck === fixture.getBody());
			return own < 0 ? (fixture.getUserData() as Heights) : heightsOf(bodies[own]!.body);
		};
		this.world.on('pre-solve', (contact) => {
			const [one, other] = [contact.getFixtureA(), contact.getFixtureB()];
			if (isOver(heights(one), heights(other))) contact.setEnabled(false);
		});
	}

	private bodyOf({ outline, mass, inertia, bounce = 0 }: Rigid, bullet = false): PlanckBody {
		const body = this.world.createBody({ type: 'dynamic', bullet });
		const shape = new Polygon(outline.map(toPlanck));
		body.createFixture({ shape, density: 1, friction: wallFriction, restitution: bounce });
		body.setMassData({ mass, center: new Vec2(0, 0), I: inertia * scale * scale });
		return body;
	}

	/** Puts a body where it is, when planck was not asked for it for a while. */
	place(index: number, pose: Pose): void {
		const moving = this.moving[index]!;
		moving.planck.setTransform(new Vec2(pose.x * scale, pose.y * scale), pose.heading);
		if (moving.isLeftOut) moving.planck.setActive(true);
		moving.isLeftOut = false;
	}

	/** Nothing is near this body: nothing can push it. */
	leaveOut(index: number): void {
		const moving = this.moving[index]!;
		if (!moving.isLeftOut) moving.planck.setActive(false);
		moving.isLeftOut = true;
	}

	/** What a body wishes to do in this tick. */
	push(index: number, pose: Pose, { ahead, left, turning }: Readonly<Motion>): void {
		const moving = this.moving[index]!;
		const middle = pose.heading + (turning * tick) / 2;
		const cos = exact.cos(middle);
		const sin = exact.sin(middle);
		moving.cos = cos;
		moving.sin = sin;
		this.velocity.set((ahead * cos - left * sin) * scale, (ahead * sin + left * cos) * scale);
		moving.planck.setLinearVelocity(this.velocity);
		moving.planck.setAngularVelocity(turning);
		const outline = () => outlineAt(moving.outline, pose);
		this.look(moving.sight.at(pose, moving.radius, this.nearby, outline));
	}

	/** Moves everything for one tick, as far as things let each other. */
	step(): void {
		for (const { crate, body } of this.crates) slowDown(body, crate);
		for (const { crate, sight } of this.crates) {
			if (sight) this.look(sight.at(crate.pose, crate.radius, this.nearby));
		}
		this.world.step(tick, velocityIterations, positionIterations);
		this.isAnyCrateMoving = false;
		for (const { crate, body } of this.crates) this.followCrate(crate, body);
		this.countWork();
	}

	/** Takes over where a body is now, and `moved`. @returns what it touches */
	follow(index: number, pose: Pose): Obstacle | null {
		const { planck, cos, sin } = this.moving[index]!;
		const position = planck.getPosition();
		pose.x = position.x / scale;
		pose.y = position.y / scale;
		pose.heading = planck.getAngle();
		const left = planck.getLinearVelocity();
		const x = left.x / scale;
		const y = left.y / scale;
		this.moved.ahead = x * cos + y * sin;
		this.moved.left = y * cos - x * sin;
		this.moved.turning = planck.getAngularVelocity();
		return this.touchedBy(planck);
	}

	private touchedBy(body: PlanckBody): Obstacle | null {
		let touching: Obstacle | null = null;
		for (let edge = body.getContactList(); edge; edge = edge.next ?? null) {
			if (!edge.contact.isTouching() || !edge.contact.isEnabled()) continue;
			if (edge.other === this.ground) return 'wall';
			if (edge.other && this.planckBodies.has(edge.other)) touching = 'robot';
			else touching ??= 'crate';
		}
		return touching;
	}

	/** Gives planck the walls that have come near, and takes those away that nothing is near any more. */
	private look(change: Change | null): void {
		if (!change) return;
		for (const wall of change.near) {
			if (this.uses[wall]!++ > 0) continue;
			const shape = this.nearby.shapeOf(wall);
			const userData = standing(this.tops[wall]!);
			this.fixtures[wall] = this.ground.createFixture({ shape, friction: wallFriction, userData });
		}
		for (const wall of change.before) {
			if (--this.uses[wall]! === 0) this.ground.destroyFixture(this.fixtures[wall]!);
		}
	}

	/** Few pairs are near each other in any but a crowded course. */
	private countWork(): void {
		const pairs = this.world.getContactCount();
		if (pairs <= maximumNear) return;
		this.work += pairs * pairWork;
		for (let contact = this.world.getContactList(); contact; contact = contact.getNext())
			if (contact.isTouching()) this.work += 1;
	}

	private followCrate(crate: StandingCrate, body: PlanckBody): void {
		if (crate.hasFallen) return body.setActive(false);
		const { x, y } = body.getPosition();
		Object.assign(crate.pose, { x: x / scale, y: y / scale, heading: body.getAngle() });
		const speed = body.getLinearVelocity().length() / scale;
		if (speed > crateRest || Math.abs(body.getAngularVelocity()) * crate.radius > crateRest) {
			this.isAnyCrateMoving = true;
		}
	}
}

/** Friction of the floor under a crate takes the same speed away in each tick. */
function slowDown(body: PlanckBody, crate: StandingCrate): void {
	const velocity = body.getLinearVelocity();
	const speed = velocity.length() / scale;
	const lost = crateDrag * tick;
	body.setLinearVelocity(Vec2.mul(velocity, speed > lost ? 1 - lost / speed : 0));
	const turning = body.getAngularVelocity();
	// Half the radius is about where the friction of a turning box acts.
	const lostTurning = lost / (crate.radius / 2);
	body.setAngularVelocity(
		Math.abs(turning) > lostTurning ? turning - Math.sign(turning) * lostTurning : 0
	);
}
