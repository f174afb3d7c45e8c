/** Where a Skiff's wheels are plugged in. */
import { z } from 'zod';
import { ports } from '../../devices/ports/device';

/** Which ports the left and the right wheel are plugged into. */
export const drivePortsSchema = z
	.strictObject({ left: z.enum(ports), right: z.enum(ports) })
	.refine(({ left, right }) => left !== right, { params: { key: 'samePort' }, path: ['right'] });

export type DrivePorts = z.infer<typeof drivePortsSchema>;

export const usualPorts: DrivePorts = { left: 'A', right: 'B' };
