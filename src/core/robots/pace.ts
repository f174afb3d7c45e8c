/** How fast a move is that a robot measures itself, and how it ends still. */

interface Able {
	/** Part of the top speed at which a counted move creeps, if it is told to go slower. */
	readonly slowest: number;
	/** m/s */
	readonly topSpeed: number;
}

/** @param distance metres @param speed a part of the top speed; less than 0 in either goes back @returns m/s */
export function paceOf({ slowest, topSpeed }: Able, distance: number, speed: number): number {
	// So far at no speed at all would never end.
	const least = Math.abs(distance) === Infinity ? 0 : slowest;
	const sized = Math.max(least, Math.abs(speed)) * topSpeed;
	return distance < 0 !== speed < 0 ? -sized : sized;
}

/** m/s² that brings it to stand after so many metres, if it can. @param most m/s² that it can */
export const brakingFor = (left: number, speed: number, most: number): number =>
	left > 0 ? Math.min(most, (speed * speed) / (2 * left)) : most;
