/** Where something stands on the floor, seen from above. */
export interface Pose {
	x: number;
	y: number;
	/** Radians, counter-clockwise from east; not wrapped. */
	heading: number;
}
