/** The models of all kinds, by the names of kinds. What a page shows of robots does not need them. */
import { ballModel } from './ball/model';
import { droneModel } from './drone/model';
import { faceRobotModel } from './face/model';
import { pinboardModel } from './pinboard/model';
import { railCarModel } from './rail/model';
import type { RobotModel } from './robot';
import { skiffLiteModel, skiffModel } from './skiff/model';

export const robotModels: Readonly<Record<string, RobotModel>> = {
	skiff: skiffModel,
	skiffLite: skiffLiteModel,
	ball: ballModel,
	drone: droneModel,
	rail: railCarModel,
	pinboard: pinboardModel,
	face: faceRobotModel
};

/** @throws Error when there is no such kind; documents are checked by their schema before. */
export function modelOf(kind: string): RobotModel {
	const found = robotModels[kind];
	if (!found) throw new Error(`There is no model of robots of kind "${kind}".`);
	return found;
}
