/** How a robot of this kind behaves. */
import type { RobotModel } from '../robot';
import { Drone } from './drone';
import { parameters } from './parameters';

export const droneModel: RobotModel<Drone> = {
	parameters,
	build: (making) => new Drone(making)
};
