/** All kinds of document that are saved and kept, by one word each. */
import { attemptFormat } from './attempts/attempt-document';
import { courseFormat } from './course/course';
import { planFormat } from './plan/plan';
import { robotModelFormat } from './fitting/robot-model';
import { pictureFormat } from './pictures/picture-document';
import { robotFormat } from './robots/robot-document';

export const documentFormats = {
	plan: planFormat,
	course: courseFormat,
	robot: robotFormat,
	attempt: attemptFormat,
	model: robotModelFormat,
	picture: pictureFormat
};
