/** What of a row can be believed: whatever else is in it, the rest is worth having. */
import { fromRobotSchema, type FromRobot } from './frames';
import type { Device } from '../devices/device';

type Sense = FromRobot & { type: 'sense' };

/** Beyond this no figure of a toy makes sense: seconds, metres, degrees, or a colour. */
const mostOf = 1e9;
/** Metres: further away no robot of a floor reckons to be; and degrees that it has turned. */
const farthest = 1e4;
const mostTurned = 1e7;

const isObject = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
const isFigure = (value: unknown): boolean =>
	value === null || (typeof value === 'number' && Math.abs(value) <= mostOf);
const isReading = (value: unknown): boolean =>
	isFigure(value) ||
	typeof value === 'boolean' ||
	(typeof value === 'string' && value.length <= 64);

function keep(fields: unknown, isRight: (value: unknown) => boolean, odd: string[]) {
	if (!isObject(fields)) return {};
	const right = Object.entries(fields).filter(([name, value]) => {
		if (isRight(value)) return true;
		odd.push(name.slice(0, 64));
		return false;
	});
	return Object.fromEntries(right);
}

/** @returns the row without what makes no sense, and the names of that; undefined if it is no row at all */
export function mendRow(value: unknown): { frame: Sense; odd: readonly string[] } | undefined {
	if (!isObject(value) || value.type !== 'sense') return undefined;
	const odd: string[] = [];
	const { time, row, shows, at } = value;
	const isThere =
		isObject(at) &&
		[at.x, at.y].every((place) => typeof place === 'number' && Math.abs(place) <= farthest) &&
		typeof at.bearing === 'number' &&
		Math.abs(at.bearing) <= mostTurned;
	if (at !== undefined && !isThere) odd.push('at');
	const frame = fromRobotSchema.safeParse({
		...{ type: 'sense', time, row: keep(row, isReading, odd) },
		...(shows !== undefined && { shows: keep(shows, isFigure, odd) }),
		...(isThere && { at: { x: at.x, y: at.y, bearing: at.bearing } })
	}).data;
	return frame?.type === 'sense' ? { frame, odd } : undefined;
}

/** Readings whose values are of another type than their device gives them. */
export function oddReadings(
	row: Sense['row'],
	devices: readonly Pick<Device, 'readings'>[]
): readonly string[] {
	return devices.flatMap(({ readings }) =>
		Object.entries(readings).flatMap(([name, { type }]) => {
			const value = row[name];
			if (value === undefined || value === null) return [];
			const isRight =
				type.kind === 'number'
					? typeof value === 'number'
					: type.kind === 'truth'
						? typeof value === 'boolean'
						: typeof value === 'string' || type.kind === 'anything';
			return isRight ? [] : [name];
		})
	);
}
