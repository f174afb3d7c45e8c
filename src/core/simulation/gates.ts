/** Whether something has passed through a gate. */
import type { Gate } from '../course/course';
import * as exact from '../exact';
import { headingOfBearing } from '../units/angles';
import type { Heights } from '../world/heights';
import type { Pose } from '../world/pose';

/** Whether a robot's middle has come through the opening, and the robot was as high as that is. */
export function isThrough(
	{ at, bearing, shape, width, height }: Gate,
	from: Readonly<Pose>,
	to: Readonly<Pose>,
	{ bottom, top }: Heights
): boolean {
	const heading = headingOfBearing(bearing);
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	const ahead = ({ x, y }: Readonly<Pose>) => (x - at[0]) * cos + (y - at[1]) * sin;
	const [before, after] = [ahead(from), ahead(to)];
	if (before === after || before > 0 === after > 0) return false;
	const aside = ({ x, y }: Readonly<Pose>) => (y - at[1]) * cos - (x - at[0]) * sin;
	const part = before / (before - after);
	const across = aside(from) + (aside(to) - aside(from)) * part;
	if (shape === 'door') return Math.abs(across) <= width / 2 && top <= height;
	const above = (bottom + top) / 2 - height;
	return across * across + above * above <= (width * width) / 4;
}
