/** The worker that rehearses: the core's simulation behind a message border. */
import { expose, transfer } from 'comlink';
import { z } from 'zod';
import { courseSchema } from '../core/course/course';
import { planSchema } from '../core/plan/plan';
import { variations } from '../core/robots/robot';
import type { Attempt } from '../core/simulation/attempt';
import { simulate } from '../core/simulation/simulate';

const rehearsalSchema = z.strictObject({
	plan: planSchema,
	course: courseSchema,
	variation: z.enum(variations),
	seed: z.int()
});

const service = {
	rehearse(request: unknown): Attempt {
		const attempt = simulate(rehearsalSchema.parse(request));
		const columns = Object.values(attempt.trace) as (Float64Array | Float32Array)[];
		return transfer(
			attempt,
			columns.map((column) => column.buffer as ArrayBuffer)
		);
	}
};

export type RehearsalService = typeof service;

expose(service);
