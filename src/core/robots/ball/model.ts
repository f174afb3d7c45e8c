/** How a robot of this kind behaves. */
import type { RobotModel } from '../robot';
import { Ball } from './ball';
import { parameters } from './parameters';

export const ballModel: RobotModel<Ball> = {
	parameters,
	build: (making) => new Ball(making)
};
