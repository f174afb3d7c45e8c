/** Steps on their own, as they are copied from one plan to another. */
import { z } from 'zod';
import { readDocument, writeDocument, type DocumentFormat } from '../document';
import { success, type Result } from '../sentence';
import { stepSchema, type Step } from './plan';

const snippetSchema = z.strictObject({
	format: z.literal('lantern-step/steps'),
	version: z.literal(1),
	steps: z.array(stepSchema).min(1)
});

type Snippet = z.infer<typeof snippetSchema>;

const stepsFormat: DocumentFormat<Snippet> = {
	name: 'lantern-step/steps',
	version: 1,
	schema: snippetSchema
};

export const writeSteps = (steps: readonly Step[]): string =>
	writeDocument({ format: stepsFormat.name, version: stepsFormat.version, steps });

export function readSteps(text: string): Result<Step[]> {
	const read = readDocument(text, stepsFormat);
	return read.ok ? success(read.value.steps) : read;
}

/** The same steps with identifiers of their own. */
export const withNewIds = (steps: readonly Step[], newId: () => string): Step[] =>
	steps.map((step) => ({
		...step,
		id: newId(),
		...(step.body ? { body: withNewIds(step.body, newId) } : {})
	}));
