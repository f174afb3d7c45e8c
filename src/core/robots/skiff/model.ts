/** How robots of these kinds behave. */
import { without } from '../parameter';
import type { RobotModel } from '../robot';
import { skiff, skiffLite } from './index';
import { parameters } from './parameters';
import { Skiff } from './skiff';

export const skiffModel: RobotModel<Skiff> = {
	parameters,
	build: (making) => new Skiff(making, skiff.devices)
};

export const skiffLiteModel: RobotModel<Skiff> = {
	// Its gyro is the same model's, and read by nobody.
	parameters: without(parameters, 'gyroGain', 'gyroBias'),
	build: (making) => new Skiff(making, skiffLite.devices)
};
