/**
 * Angles. Inside the core an angle is in radians, counter-clockwise from east (a *heading*).
 * In files and on screen it is in degrees, and a *bearing* runs clockwise from north.
 */

export const radians = (degrees: number): number => (degrees * Math.PI) / 180;
export const degrees = (radians: number): number => (radians * 180) / Math.PI;

/** Heading in radians, counter-clockwise from east, of a bearing in degrees clockwise from north. */
export const headingOfBearing = (bearing: number): number => radians(90 - bearing);

/** Bearing in degrees, 0 up to but not including 360, of a heading in radians. */
export function bearingOfHeading(heading: number): number {
	const bearing = (90 - degrees(heading)) % 360;
	return bearing < 0 ? bearing + 360 : bearing;
}

/** The same direction as `angle` (radians), in (-pi, pi]. */
export function wrapAngle(angle: number): number {
	const turned = angle % (2 * Math.PI);
	if (turned > Math.PI) return turned - 2 * Math.PI;
	if (turned <= -Math.PI) return turned + 2 * Math.PI;
	return turned;
}
