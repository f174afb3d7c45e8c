/** What kinds of robots and devices there are, for those who build robots: docs/formats/link-robots.json. */
import { z } from 'zod';
import { devices } from '../devices/list';
import { robotKinds } from '../robots/kinds';
import { sampleRobot } from '../robots/robot-document';
import { types, type Type } from '../types';

/** Of a reading, as it stands in a row. */
function unitOf(type: Type): string {
	if (type.kind === 'truth') return 'true or false';
	if (type.kind === 'colour') return '#rrggbb';
	if (type.kind !== 'number') return type.kind;
	if (type.isPart) return '0 to 1';
	const names = {
		length: 'm',
		duration: 's',
		angle: '°',
		speed: 'm/s',
		turnRate: '°/s',
		frequency: 'Hz'
	};
	const found = Object.entries(names).find(([name]) => types[name as keyof typeof names] === type);
	return found?.[1] ?? 'number';
}

export function robotTable() {
	return {
		kinds: robotKinds.map((kind) => ({
			kind: kind.kind,
			devices: kind.devices.map(({ id }) => id),
			settings: sampleRobot(kind).settings,
			shows: Object.fromEntries(kind.columns.map(({ name, unit }) => [name, unit]))
		})),
		devices: devices.map(({ id, commands, readings, moves = [] }) => ({
			id,
			orders: Object.fromEntries(
				Object.entries(commands).map(([name, schema]) => [
					name,
					{ moves: moves.includes(name), values: z.toJSONSchema(schema as z.ZodType) }
				])
			),
			readings: Object.fromEntries(
				Object.entries(readings).map(([name, { type }]) => [name, unitOf(type)])
			)
		}))
	};
}
