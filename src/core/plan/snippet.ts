/** Steps on their own, as they are copied from one plan to another. */
import { z } from 'zod';
import { readDocument, writeDocument } from '../document';
import { success, type Result } from '../sentence';
import { stepSchema, type Step } from './plan';

export const stepsFormat = 'lantern-step/steps';

const snippetSchema = z.strictObject({
	format: z.literal(stepsFormat),
	version: z.literal(1),
	steps: z.array(stepSchema).min(1)
});

export const writeSteps = (steps: readonly Step[]): string =>
	writeDocument({ format: stepsFormat, version: 1, steps });

export function readSteps(text: string): Result<Step[]> {
	const read = readDocument(text, snippetSchema, stepsFormat);
	return read.ok ? success(read.value.steps) : read;
}

/** The same steps with identifiers of their own. */
export const withNewIds = (steps: readonly Step[], newId: () => string): Step[] =>
	steps.map((step) => ({
		...step,
		id: newId(),
		...(step.body ? { body: withNewIds(step.body, newId) } : {})
	}));
