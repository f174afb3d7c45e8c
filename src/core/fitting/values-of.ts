/** Apart from the schema: a page that rehearses by a model does without it. */
import type { ParameterValues } from '../robots/parameter';
import type { RobotModelDocument } from './robot-model';

/** What a robot is like, for whoever rehearses. */
export const valuesOf = ({ parameters }: RobotModelDocument): ParameterValues =>
	Object.fromEntries(Object.entries(parameters).map(([name, { value }]) => [name, value]));
