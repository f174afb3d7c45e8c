/** Motor ports of a robot. */
import { z } from 'zod';

export const ports = ['A', 'B', 'C', 'D'] as const;
export type Port = (typeof ports)[number];

/** Which ports the left and the right wheel are plugged into. */
export const drivePortsSchema = z
	.strictObject({ left: z.enum(ports), right: z.enum(ports) })
	.refine(({ left, right }) => left !== right, { params: { key: 'samePort' }, path: ['right'] });

export type DrivePorts = z.infer<typeof drivePortsSchema>;

export const usualPorts: DrivePorts = { left: 'A', right: 'B' };
