/** What a robot of this name is like, as its model draws it, for tests. */
import { Random } from '../random/random';
import { modelOf } from '../robots/models';
import { drawValues, type ParameterValues } from '../robots/parameter';
import type { RobotKind, Variation } from '../robots/robot';

export const drawnOf = (
	{ kind }: Pick<RobotKind, 'kind'>,
	name: string,
	variation: Variation
): ParameterValues =>
	drawValues(modelOf(kind).parameters, { name, variation, chance: new Random(1) });
