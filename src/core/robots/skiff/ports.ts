/** Where a Skiff's wheels are plugged in. */
import { ports, type MotorPort } from '../../devices/ports/device';
import type { ValueDefinition } from '../../steps/definition';
import { choice } from '../../steps/values';

/** Which ports the left and the right wheel are plugged into. */
export interface DrivePorts {
	readonly left: MotorPort;
	readonly right: MotorPort;
}

const port = (initial: MotorPort): ValueDefinition => ({ type: 'choice', options: ports, initial });

/** No two wheels share a port. */
export const portSettings = { left: port('A'), right: port('B') };

/** The settings of a Skiff: its ports, and whether a lantern panel is on its back. */
export const skiffSettings: Readonly<Record<string, ValueDefinition>> = {
	...portSettings,
	panel: choice('none', 'fitted')
};
