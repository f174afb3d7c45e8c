/**
 * Contact with walls, through the rigid-body package planck. Asked only while something is near, and
 * planck is given only the walls that are: its time grows with all that it knows.
 */
import * as exact from '../exact';
import { Polygon, Vec2, World, type Body, type Fixture } from './planck';
import type { Wall } from '../course/course';
import type { Outline } from './body';
import { tick } from '../time';
import { maximumNear, stuckCrates, withoutHidden } from './crowd';
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
/** As planck advises for a few bodies among walls. */
const velocityIterations = 8;
const positionIterations = 3;

/** What it takes to find that a pair does not touch, as a part of what it takes when it does. */
const pairWork = 0.1;

export interface Shape {
	readonly outline: Outline;
	readonly mass: number;
	readonly inertia: number;
}

export class Contact {
	private readonly world: World;
	private readonly body: Body;
	private readonly ground: Body;
	private readonly velocity = new Vec2();

	private readonly radius: number;
	private readonly crates: readonly {
		readonly crate: StandingCrate;
		readonly body: Body;
		/** None for a crate that can never move. */
		readonly sight: Sight | null;
	}[];
	private readonly nearby: Nearby;
	/** The walls that planck knows, and by how many things each is near. */
	private readonly fixtures: (Fixture | undefined)[] = [];
	private readonly uses: number[];
	private readonly robotSight = new Sight();

	/** After `move`: what was touched, and the speeds that were left (m/s, rad/s). */
	touching: 'wall' | 'crate' | null = null;
	/** Whether a crate is still on its way. */
	isAnyCrateMoving = false;
	velocityX = 0;
	velocityY = 0;
	turning = 0;
	/** Pairs of things that touched each other, summed up over all ticks: what planck's time grows with. */
	work = 0;

	constructor(
		walls: readonly Wall[],
		crates: readonly StandingCrate[],
		private readonly shape: Shape
	) {
		const isCrowded = walls.length > maximumNear;
		// What planck does to keep things that are faster than they are large apart is needless here, and
		// takes minutes in a crowd.
		const continuousPhysics = !isCrowded;
		this.world = new World({ gravity: { x: 0, y: 0 }, allowSleep: false, continuousPhysics });
		this.ground = this.world.createBody();
		const seen = isCrowded ? withoutHidden(walls) : walls;
		this.nearby = new Nearby(seen);
		this.uses = seen.map(() => 0);
		this.radius = Math.max(...shape.outline.map(([x, y]) => exact.lengthOf(x, y)));
		const stuck = stuckCrates(seen, crates);
		this.crates = crates.map((crate) => {
			const body = this.bodyOf(crate.corners, crate.mass, crate.inertia);
			if (stuck.has(crate)) body.setStatic();
			body.setTransform(new Vec2(crate.pose.x * scale, crate.pose.y * scale), crate.pose.heading);
			return { crate, body, sight: stuck.has(crate) ? null : new Sight() };
		});
		this.body = this.bodyOf(shape.outline, shape.mass, shape.inertia);
	}

	private bodyOf(outline: Outline, mass: number, inertia: number): Body {
		const body = this.world.createBody({ type: 'dynamic', bullet: false });
		const shape = new Polygon(outline.map(toPlanck));
		body.createFixture({ shape, density: 1, friction: wallFriction });
		body.setMassData({ mass, center: new Vec2(0, 0), I: inertia * scale * scale });
		return body;
	}

	/** Puts the robot where it is, when the world was not asked for a while. */
	place(pose: Pose): void {
		this.body.setTransform(new Vec2(pose.x * scale, pose.y * scale), pose.heading);
	}

	/** Moves the robot for one tick with these speeds, as far as the walls let it. */
	move(pose: Pose, velocityX: number, velocityY: number, turning: number): void {
		this.velocity.set(velocityX * scale, velocityY * scale);
		this.body.setLinearVelocity(this.velocity);
		this.body.setAngularVelocity(turning);
		for (const { crate, body } of this.crates) slowDown(body, crate);
		const outline = () => outlineAt(this.shape.outline, pose);
		this.look(this.robotSight.at(pose, this.radius, this.nearby, outline));
		for (const { crate, sight } of this.crates) {
			if (sight) this.look(sight.at(crate.pose, crate.radius, this.nearby));
		}
		this.world.step(tick, velocityIterations, positionIterations);
		this.isAnyCrateMoving = false;
		for (const { crate, body } of this.crates) this.follow(crate, body);

		this.countWork();

		const position = this.body.getPosition();
		pose.x = position.x / scale;
		pose.y = position.y / scale;
		pose.heading = this.body.getAngle();
		const left = this.body.getLinearVelocity();
		this.velocityX = left.x / scale;
		this.velocityY = left.y / scale;
		this.turning = this.body.getAngularVelocity();
		this.touching = null;
		for (let edge = this.body.getContactList(); edge; edge = edge.next ?? null) {
			if (!edge.contact.isTouching()) continue;
			if (edge.other === this.ground) this.touching = 'wall';
			else this.touching ??= 'crate';
		}
	}

	/** Gives planck the walls that have come near, and takes those away that nothing is near any more. */
	private look(change: Change | null): void {
		if (!change) return;
		for (const wall of change.near) {
			if (this.uses[wall]!++ > 0) continue;
			const shape = this.nearby.shapeOf(wall);
			this.fixtures[wall] = this.ground.createFixture({ shape, friction: wallFriction });
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

	private follow(crate: StandingCrate, body: Body): void {
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
function slowDown(body: Body, crate: StandingCrate): void {
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
