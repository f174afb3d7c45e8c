/** Moves in place of others. */
import { definitionOf } from '../steps/catalogue';
import { valueSchema } from '../steps/value-schema';
import type { Doing } from './robot';

/** These moves; none if one of them has a value that its step cannot take, such as too long a time. */
export const fitting = (...doings: readonly Doing[]): readonly Doing[] =>
	doings.every(fits) ? doings : [];

function fits({ kind, values }: Doing): boolean {
	const slots = definitionOf(kind).values;
	return Object.entries(values).every(
		([name, value]) => slots[name] && valueSchema(slots[name]).safeParse(value).success
	);
}
