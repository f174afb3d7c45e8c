/** All kinds of robot. */
import type { RobotKind } from './robot';
import { ball } from './ball';
import { drone } from './drone';
import { faceRobot } from './face';
import { pinboard } from './pinboard';
import { railCar } from './rail';
import { skiff, skiffLite } from './skiff';

export const robotKinds: readonly RobotKind[] = [
	skiff,
	skiffLite,
	ball,
	drone,
	railCar,
	pinboard,
	faceRobot
];

/** @throws when there is no such kind; documents are checked by their schema before. */
export function robotKindOf(kind: string): RobotKind {
	const found = robotKinds.find((candidate) => candidate.kind === kind);
	if (!found) throw new Error(`There is no robot of kind "${kind}".`);
	return found;
}
