/**
 * The rigid-body package planck, made to reckon with functions that give the same bits on every
 * machine: what is imported first is loaded first.
 */
import './lend';
export {
	FrictionJoint,
	Polygon,
	PrismaticJoint,
	RevoluteJoint,
	Vec2,
	World,
	type Body,
	type Contact,
	type Fixture,
	type Joint
} from 'planck';
import './give-back';
