/** How a robot of this kind behaves. */
import { without } from '../parameter';
import type { RobotModel } from '../robot';
import { Pinboard } from './pinboard';
import { parameters } from './parameters';

export const pinboardModel: RobotModel<Pinboard> = {
	// Its motors know on and off alone: no command of theirs is small.
	parameters: without(parameters, 'deadZone'),
	build: (making) => new Pinboard(making)
};
