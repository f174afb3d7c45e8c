/** Whose robot the speeds are meant for that a person reads. */
import { robotKindOf } from '$core/robots/kinds';
import type { NamedRobot } from '$core/robots/robot-document';

/** m/s for each part of the top speed, and at none. */
interface Line {
	readonly slope: number;
	readonly offset: number;
}

class Reader {
	/** m/s at 100 %, of the robot that the workbench shows. */
	topSpeed = $state(0.5);

	/** What was measured of it, where somebody has. */
	line: () => Line | undefined = () => undefined;

	useRobot({ kind }: NamedRobot): void {
		({ topSpeed: this.topSpeed } = robotKindOf(kind));
	}
}

export const reader = new Reader();
