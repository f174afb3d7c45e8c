/** The robot document: one robot by name. Its character (how it misbehaves) follows from the name. */
import { z } from 'zod';
import { nameSchema } from '../document';
import { robotKinds } from './kinds';
import { drivePortsSchema, usualPorts, type DrivePorts } from './skiff/ports';

export const robotFormat = 'lantern-step/robot';

export const robotSchema = z.strictObject({
	format: z.literal(robotFormat),
	version: z.literal(1),
	name: nameSchema,
	kind: z.enum(robotKinds.map((robot) => robot.kind) as [string, ...string[]]),
	ports: drivePortsSchema.default(usualPorts)
});

export type RobotDocument = z.infer<typeof robotSchema>;

export const robotDocument = (
	kind: string,
	name: string,
	ports: DrivePorts = usualPorts
): RobotDocument => ({ format: robotFormat, version: 1, name, kind, ports });
