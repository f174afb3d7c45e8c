/**
 * Contact with walls, crates and each other, through the rigid-body package planck. Asked only while
 * something is near, and planck is given only the walls that are: its time grows with all it knows.
 */
import * as exact from '../exact';
import {
	Polygon,
	Vec2,
	World,
	type Body as PlanckBody,
	type Contact as PlanckContact,
	type Fixture,
	type Joint
} from './planck';
import { type Wall } from '../course/course';
import type { RailPlace } from '../course/rails';
import type { Body, Guide, Motion, Obstacle, Outline } from './body';
import { tick } from '../time';
import { maximumNear, withoutHidden } from './crowd';
import { FloorHold } from './floor-hold';
import { guideJoint } from './guide';
import { heightsOf, isOver, standing, type Heights } from './heights';
import { Nearby, Sight, type Change } from './nearby';
import { scale, toPlanck } from './planck/units';
import type { StandingCrate } from './crates';
import { outlineAt, type Pose } from './pose';
import { topOfWall } from '../course/parts/walls';

/** Friction between a plastic shell and a wall or a crate. */
const wallFriction = 0.3;
/** Half of what planck advises for heaps of things: a few bodies among walls need no more (decision 56). */
const velocityIterations = 4;
const positionIterations = 3;
/** Of what a guide holds: it cannot give way to the side. */
const guidedIterations = 8;

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
	/** What keeps it on the piece of its guide. */
	held: { readonly piece: RailPlace; readonly joint: Joint } | null;
	/** Which way along its guide it drives, or drove last. */
	driven: 1 | -1;
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
		readonly hold: FloorHold | null;
	}[];
	private readonly nearby: Nearby;
	private readonly tops: readonly number[];
	/** On what each body that flies has come down from above. */
	private readonly landed = new Map<PlanckBody, Obstacle>();
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
		this.crates = crates.map((crate) => {
			const body = this.bodyOf({
				outline: crate.corners,
				mass: crate.mass,
				inertia: crate.inertia
			});
			body.getFixtureList()!.setUserData(standing(crate.top));
			body.setTransform(new Vec2(crate.pose.x * scale, crate.pose.y * scale), crate.pose.heading);
			if (crate.isStuck) {
				body.setStatic();
				return { crate, body, sight: null, hold: null };
			}
			const hold = new FloorHold(this.world, this.ground, body, crate);
			return { crate, body, sight: new Sight(), hold };
		});
		this.moving = bodies.map(({ body, radius }) => ({
			planck: this.bodyOf(body, true),
			outline: body.outline,
			radius,
			sight: new Sight(),
			isLeftOut: false,
			held: null,
			driven: 1,
			cos: 1,
			sin: 0
		}));
		this.planckBodies = new Set(this.moving.map(({ planck }) => planck));
		if (bodies.some(({ body }) => body.altitude !== undefined)) this.letPassOver(bodies);
	}

	/** What flies higher than a thing does not touch it, and is not pushed aside when it comes down on it. */
	private letPassOver(bodies: readonly { readonly body: Body }[]): void {
		const heights = (fixture: Fixture): Heights => {
			const own = this.moving.findIndex(({ planck }) => planck === fixture.getBody());
			return own < 0 ? (fixture.getUserData() as Heights) : heightsOf(bodies[own]!.body);
		};
		const above = new Set<PlanckContact>();
		this.world.on('pre-solve', (contact) => {
			const [one, other] = [contact.getFixtureA(), contact.getFixtureB()];
			const isAbove = isOver(heights(one), heights(other));
			if (isAbove) above.add(contact);
			if (!above.has(contact)) return;
			contact.setEnabled(false);
			if (isAbove) return;
			for (const [fixture, under] of [
				[one, other],
				[other, one]
			] as const) {
				const body = fixture.getBody();
				if (this.planckBodies.has(body)) this.landed.set(body, this.obstacleOf(under.getBody()));
			}
		});
		this.world.on('end-contact', (contact) => void above.delete(contact));
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
	push(index: number, pose: Pose, motion: Readonly<Motion>, guide?: Guide): void {
		const { ahead, left, turning } = motion;
		const moving = this.moving[index]!;
		const middle = pose.heading + (turning * tick) / 2;
		const cos = exact.cos(middle);
		const sin = exact.sin(middle);
		moving.cos = cos;
		moving.sin = sin;
		this.velocity.set((ahead * cos - left * sin) * scale, (ahead * sin + left * cos) * scale);
		moving.planck.setLinearVelocity(this.velocity);
		moving.planck.setAngularVelocity(turning);
		this.hold(moving, guide);
		if (guide && ahead * moving.driven < 0) this.turnBack(moving);
		const outline = () => outlineAt(moving.outline, pose);
		this.look(moving.sight.at(pose, moving.radius, this.nearby, outline));
	}

	private hold(moving: Moving, guide: Guide | undefined): void {
		if (moving.held?.piece === guide?.piece) return;
		if (moving.held) this.world.destroyJoint(moving.held.joint);
		const joint = guide && guideJoint(guide, this.ground, moving.planck);
		if (joint) this.world.createJoint(joint);
		moving.held = joint ? { piece: guide.piece, joint } : null;
	}

	/**
	 * What it was driven against presses it against its guide, and the two would hold it between them like a
	 * wedge, with a force that nothing real bears: it gives way when it is driven back.
	 */
	private turnBack(moving: Moving): void {
		moving.driven = moving.driven === 1 ? -1 : 1;
		for (let edge = moving.planck.getContactList(); edge; edge = edge.next ?? null)
			for (const point of edge.contact.getManifold().points)
				point.normalImpulse = point.tangentImpulse = 0;
	}

	/** Moves everything for one tick, as far as things let each other. */
	step(): void {
		for (const { crate, sight } of this.crates) {
			if (sight) this.look(sight.at(crate.pose, crate.radius, this.nearby));
		}
		const isAnyHeld = this.moving.some(({ held, isLeftOut }) => held && !isLeftOut);
		const [velocity, position] = isAnyHeld
			? [guidedIterations, guidedIterations]
			: [velocityIterations, positionIterations];
		this.world.step(tick, velocity, position);
		this.isAnyCrateMoving = false;
		for (const { crate, body, hold } of this.crates) this.followCrate(crate, body, hold);
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
		let touching: Obstacle | null = this.landed.get(body) ?? null;
		for (let edge = body.getContactList(); edge; edge = edge.next ?? null) {
			if (!edge.contact.isTouching() || !edge.contact.isEnabled()) continue;
			const met = this.obstacleOf(edge.other!);
			if (met === 'wall') return met;
			if (met === 'robot') touching = met;
			else touching ??= met;
		}
		return touching;
	}

	private obstacleOf(body: PlanckBody): Obstacle {
		if (body === this.ground) return 'wall';
		return this.planckBodies.has(body) ? 'robot' : 'crate';
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

	private followCrate(crate: StandingCrate, body: PlanckBody, hold: FloorHold | null): void {
		if (crate.hasFallen) return body.setActive(false);
		const { x, y } = body.getPosition();
		Object.assign(crate.pose, { x: x / scale, y: y / scale, heading: body.getAngle() });
		if (hold?.isMoving()) this.isAnyCrateMoving = true;
	}
}
