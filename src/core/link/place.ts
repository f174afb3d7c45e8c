/** Where a robot stands, as it is said over the link: degrees clockwise from north, as people say it. */
import { degrees, headingOfBearing } from '../units/angles';
import type { Pose } from '../world/pose';

export interface LinkPlace {
	/** Metres. */
	readonly x: number;
	readonly y: number;
	/** Degrees, counted on past 360. */
	readonly bearing: number;
}

export const linkPlaceOf = ({ x, y, heading }: Readonly<Pose>): LinkPlace => ({
	x,
	y,
	bearing: 90 - degrees(heading)
});

export const poseOf = ({ x, y, bearing }: LinkPlace): Pose => ({
	x,
	y,
	heading: headingOfBearing(bearing)
});
