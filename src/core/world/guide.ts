/** A body on a guide, as planck knows it: it slides along a straight, or turns around the middle of a bend. */
import * as exact from '../exact';
import type { Guide } from './body';
import { PrismaticJoint, RevoluteJoint, Vec2, type Body, type Joint } from './planck';
import { scale } from './planck/units';

/** @param body where its guide lets it be */
export function guideJoint({ piece, back, on }: Guide, ground: Body, body: Body): Joint {
	const { x, y, heading, curvature } = piece;
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	const enableLimit = back < Infinity || on < Infinity;
	if (curvature === 0) {
		const [lowerTranslation, upperTranslation] = [-back * scale, on * scale];
		return new PrismaticJoint(
			{ collideConnected: true, enableLimit, lowerTranslation, upperTranslation },
			ground,
			body,
			body.getPosition(),
			new Vec2(cos, sin)
		);
	}
	const [lowerAngle, upperAngle] = [-back * curvature, on * curvature].toSorted((a, b) => a - b);
	const middle = new Vec2((x - sin / curvature) * scale, (y + cos / curvature) * scale);
	const limits = { lowerAngle: lowerAngle!, upperAngle: upperAngle! };
	const options = { collideConnected: true, enableLimit, ...limits };
	return new RevoluteJoint(options, ground, body, middle);
}
