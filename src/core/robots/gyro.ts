/** A gyro as a part of any robot that has one. */
import { gyro } from '../devices/gyro/device';
import { bearingOfHeading, headingOfBearing } from '../units/angles';
import { part, type Part } from './machine';

/**
 * @param angle that it has counted since Run, radians
 * @param startHeading what it was told when it was lined up, radians
 */
export function gyroPart(angle: () => number, startHeading: number): Part {
	/** The angle that it calls 0, once it was told. */
	let zero: number | undefined;
	return part(
		gyro,
		{
			zero() {
				zero = angle();
			}
		},
		{
			heading: () =>
				bearingOfHeading(
					zero === undefined ? startHeading + angle() : headingOfBearing(0) + angle() - zero
				)
		}
	);
}
