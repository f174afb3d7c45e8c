/** Mimic, a phone on a card chassis: its constants, each with its unit and its reason. Sizes are guesses. */
import type { Chassis } from '../two-wheels';

const axle = 0.1;
const mass = 0.32;

/** 9 by 15 cm: a phone lies on it, and drives it through two light sensors. */
export const chassis: Chassis = {
	outline: [
		[0.07, -0.05],
		[0.07, 0.05],
		[-0.08, 0.05],
		[-0.08, -0.05]
	],
	mass,
	inertia: mass * (axle / 2) * (axle / 2),
	axle,
	topSpeed: 0.2,
	flatBatteryFactor: 0.6,
	motorLag: 0.12,
	grip: 0.6 * 9.81,
	rollingDrag: 0.9,
	arrivedSpeed: 0.004,
	idleDrain: 1 / (2 * 3600),
	driveDrain: 1 / 2400
};

/** Seconds in which a light sensor follows by 63 %: cheap ones are slow. */
export const sensorLag = 0.15;
/** Part of full light: less does not move a motor. An ideal robot has no such zone. */
export const deadZone = 0.15;
/** From this daylight on the sensors see the dark patch as grey; in full light as half bright. */
export const glare = { from: 0.65, most: 0.5 };
