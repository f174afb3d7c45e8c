/** What a robot of this name is like, as its model draws it, for tests. */
import { Random } from '../random/random';
import { drawValues, type ParameterValues } from '../robots/parameter';
import type { RobotKind, Variation } from '../robots/robot';

export const drawnOf = (
	{ parameters }: Pick<RobotKind, 'parameters'>,
	name: string,
	variation: Variation
): ParameterValues => drawValues(parameters, { name, variation, chance: new Random(1) });
