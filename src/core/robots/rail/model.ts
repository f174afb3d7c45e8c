/** How a robot of this kind behaves. */
import type { RobotModel } from '../robot';
import { Trolley } from './trolley';
import { parameters } from './parameters';

export const railCarModel: RobotModel<Trolley> = {
	parameters,
	build: (making) => new Trolley(making)
};
