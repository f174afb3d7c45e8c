/** Apart from the schema: a page that rehearses by a model does without it. */
import type { ParameterValues } from '../robots/parameter';
import type { RobotModelDocument } from './robot-model';

/** As "2026-09-07", where this runs. @param at milliseconds since 1970 */
export const dayOf = (at: number): string => new Intl.DateTimeFormat('sv-SE').format(at);

/** What a robot is like, for whoever rehearses. @param at when, milliseconds since 1970: what was of one day holds on that day alone */
export const valuesOf = ({ parameters, day }: RobotModelDocument, at: number): ParameterValues =>
	Object.fromEntries(
		Object.entries(parameters).flatMap(([name, { value, isOfDay }]) =>
			isOfDay && day !== dayOf(at) ? [] : [[name, value]]
		)
	);
