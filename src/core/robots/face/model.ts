/** How a robot of this kind behaves. */
import { without } from '../parameter';
import type { RobotModel } from '../robot';
import { FaceRobot } from './face';
import { parameters } from './parameters';

export const faceRobotModel: RobotModel<FaceRobot> = {
	// It never lets its wheels run.
	parameters: without(parameters, 'rollingDrag'),
	build: (making) => new FaceRobot(making)
};
