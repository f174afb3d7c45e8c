/**
 * Contact with walls, through the rigid-body package planck. Asked only while something is near.
 * planck keeps shapes apart to within 0.005 of its units, so one of its units is 10 cm here: that is
 * 0.5 mm on the floor.
 */
import { Polygon, Vec2, World, type Body } from 'planck';
import type { Wall } from '../course/course';
import type { Outline } from '../robots/robot';
import { tick } from '../simulation/settings';
import { cornersOf } from './walls';

/** planck units in a metre. */
const scale = 10;
/** Friction between a plastic shell and a wall. */
const wallFriction = 0.3;
/** As planck advises for one body among walls. */
const velocityIterations = 8;
const positionIterations = 3;

export interface Pose {
	x: number;
	y: number;
	/** Radians, counter-clockwise from east; not wrapped. */
	heading: number;
}

export interface Shape {
	readonly outline: Outline;
	readonly mass: number;
	readonly inertia: number;
}

export class Contact {
	private readonly world = new World({ gravity: { x: 0, y: 0 }, allowSleep: false });
	private readonly body: Body;
	private readonly velocity = new Vec2();

	/** After `move`: whether a wall was touched, and the speeds that were left (m/s, rad/s). */
	isTouching = false;
	velocityX = 0;
	velocityY = 0;
	turning = 0;

	constructor(walls: readonly Wall[], shape: Shape) {
		const ground = this.world.createBody();
		for (const wall of walls) {
			ground.createFixture({
				shape: new Polygon(cornersOf(wall).map(toPlanck)),
				friction: wallFriction
			});
		}
		this.body = this.world.createBody({ type: 'dynamic', bullet: false });
		this.body.createFixture({
			shape: new Polygon(shape.outline.map(toPlanck)),
			density: 1,
			friction: wallFriction
		});
		this.body.setMassData({
			mass: shape.mass,
			center: new Vec2(0, 0),
			I: shape.inertia * scale * scale
		});
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
		this.world.step(tick, velocityIterations, positionIterations);

		const position = this.body.getPosition();
		pose.x = position.x / scale;
		pose.y = position.y / scale;
		pose.heading = this.body.getAngle();
		const left = this.body.getLinearVelocity();
		this.velocityX = left.x / scale;
		this.velocityY = left.y / scale;
		this.turning = this.body.getAngularVelocity();
		this.isTouching = false;
		for (let edge = this.body.getContactList(); edge; edge = edge.next ?? null) {
			if (edge.contact.isTouching()) this.isTouching = true;
		}
	}
}

const toPlanck = ([x, y]: readonly [number, number]): Vec2 => new Vec2(x * scale, y * scale);
