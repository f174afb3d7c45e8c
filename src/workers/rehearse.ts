/** The worker that rehearses: the core's simulation behind a message border. */
import { expose } from 'comlink';
import { z } from 'zod';
import { courseSchema } from '../core/course/course';
import { planSchema } from '../core/plan/plan';
import { robotFormat } from '../core/robots/robot-document';
import { variations } from '../core/robots/robot';
import { parametersSchema } from '../core/simulation/attempt-schema';
import type { Attempt } from '../core/simulation/attempt';
import { maximumLimit } from '../core/simulation/settings';
import { simulate } from '../core/simulation/simulate';
import { touchesSchema } from '../core/simulation/touch';
import { handOver } from './hand-over';

const rehearsalSchema = z.strictObject({
	plan: planSchema,
	course: courseSchema,
	robot: robotFormat.schema.optional(),
	variation: z.enum(variations),
	seed: z.int(),
	limit: z.number().positive().max(maximumLimit).optional(),
	touches: touchesSchema.optional(),
	only: z.string().optional(),
	parameters: parametersSchema.optional(),
	isWatched: z.boolean().optional()
});

const service = {
	/** @param onProgress told the seconds of virtual time that have passed, while it still works */
	rehearse(request: unknown, onProgress?: (seconds: number) => void): Attempt {
		const attempt = simulate(rehearsalSchema.parse(request), onProgress);
		return handOver(attempt, attempt);
	}
};

export type RehearsalService = typeof service;

expose(service);
