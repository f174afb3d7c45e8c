/**
 * How the floor holds one crate (Coulomb): while it slides, friction takes from its speed; while it
 * stands, it stands like a rock, unless it is pushed harder than friction can hold. A solver alone
 * would let it creep: what it has not evened out at the end of a tick is a speed.
 */
import * as exact from '../exact';
import type { StandingCrate } from './crates';
import { FrictionJoint, Vec2, type Body, type World } from './planck';
import { scale } from './planck/units';
import { tick } from '../time';

/** m/s² by which a crate of card or wood slows down on the floor: friction 0.3. */
const crateDrag = 0.3 * 9.81;
/** Part of a crate's radius at which the friction of one that turns acts: exact for a narrow one. */
const turningArm = 0.5;
/** m/s: slower than this a crate stands. */
const crateRest = 0.002;
/** m/s that friction takes in one tick: what is slower, and not pushed hard enough, stands at its end. */
const stopping = crateDrag * tick;
/** kg: as good as the floor itself. */
const rock = 1e6;

export class FloorHold {
	private readonly joint: FrictionJoint;
	/** Of friction, in planck's units. */
	private readonly maxForce: number;
	private readonly maxTorque: number;
	private isRock = false;

	constructor(
		world: World,
		ground: Body,
		private readonly body: Body,
		private readonly crate: StandingCrate
	) {
		this.maxForce = crate.mass * crateDrag * scale;
		this.maxTorque = this.maxForce * crate.radius * turningArm * scale;
		const { maxForce, maxTorque } = this;
		const limits = { maxForce, maxTorque, collideConnected: true };
		this.joint = new FrictionJoint(limits, ground, body, body.getPosition());
		world.createJoint(this.joint);
	}

	/** After a tick. @returns whether it is still on its way */
	isMoving(): boolean {
		const { body, crate } = this;
		const speed = Math.max(
			body.getLinearVelocity().length() / scale,
			Math.abs(body.getAngularVelocity()) * crate.radius
		);
		const isHeld = speed < stopping && body.getContactList() !== null && this.canHold();
		if (isHeld !== this.isRock) this.turnTo(isHeld);
		return !isHeld && speed > crateRest;
	}

	private turnTo(isRock: boolean): void {
		const { body, joint, crate, maxForce, maxTorque } = this;
		this.isRock = isRock;
		const heavier = isRock ? rock / crate.mass : 1;
		const [mass, I] = [crate.mass * heavier, crate.inertia * scale * scale * heavier];
		body.setMassData({ mass, center: new Vec2(0, 0), I });
		joint.setMaxForce(isRock ? 0 : maxForce);
		joint.setMaxTorque(isRock ? 0 : maxTorque);
		if (!isRock) return;
		body.setLinearVelocity(new Vec2(0, 0));
		body.setAngularVelocity(0);
	}

	/** Whether friction is a match for all that pushes it now. */
	private canHold(): boolean {
		const { body } = this;
		const middle = body.getPosition();
		let [x, y, turning] = [0, 0, 0];
		let isTouched = false;
		for (let edge = body.getContactList(); edge; edge = edge.next ?? null) {
			const { contact } = edge;
			if (!contact.isTouching() || !contact.isEnabled()) continue;
			isTouched = true;
			const side = contact.getFixtureB().getBody() === body ? 1 : -1;
			const { normal, points } = contact.getWorldManifold(null)!;
			const { pointCount, points: pushes } = contact.getManifold();
			for (let i = 0; i < pointCount; i++) {
				const { normalImpulse, tangentImpulse } = pushes[i]!;
				const px = side * (normalImpulse * normal.x + tangentImpulse * normal.y);
				const py = side * (normalImpulse * normal.y - tangentImpulse * normal.x);
				x += px;
				y += py;
				turning += (points[i]!.x - middle.x) * py - (points[i]!.y - middle.y) * px;
			}
		}
		const [force, torque] = [this.maxForce * tick, this.maxTorque * tick];
		const [pushed, turned] = [exact.lengthOf(x, y) / force, turning / torque];
		return isTouched && pushed * pushed + turned * turned <= 1;
	}
}
