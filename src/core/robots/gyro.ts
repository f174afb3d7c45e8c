/** A gyro as a part of any robot that has one. */
import { gyro } from '../devices/gyro/device';
import { bearingOfHeading, headingOfBearing } from '../units/angles';
import { part, type MachinePart } from './machine';

/** What a robot takes for its directions: what it was told, and what it was told to call 0. Radians. */
export class Facing {
	/** The angle of its gyro that it calls 0, once a plan has told it so. */
	zero: number | undefined;

	/** @param start where its front points while its gyro has counted nothing */
	constructor(public start: number) {}

	/** Somebody tells it where its front points. @param angle that its gyro has counted */
	tell(heading: number, angle: number): void {
		this.start = heading - angle;
		this.zero = undefined;
	}
}

/** @param angle that it has counted since it was switched on, radians */
export const gyroPart = (angle: () => number, facing: Facing): MachinePart =>
	part(
		gyro,
		{
			zero() {
				facing.zero = angle();
			}
		},
		{
			heading: () =>
				bearingOfHeading(
					facing.zero === undefined
						? facing.start + angle()
						: headingOfBearing(0) + angle() - facing.zero
				)
		}
	);
