/** A fitted model as a file: what is known of one robot, and how well. */
import { z } from 'zod';
import { nameSchema, type DocumentFormat } from '../document';
import { robotKinds } from '../robots/kinds';
import { modelVersion } from '../simulation/settings';
import type { NamedRobot } from '../robots/robot-document';
import { parameterUnits } from '../robots/parameter';
import type { Fitted, FoundValue } from './fit';

export interface RobotModelDocument {
	readonly format: 'lantern-step/robot-model';
	readonly version: 1;
	readonly kind: string;
	/** Of the robot. */
	readonly name: string;
	readonly at: string;
	readonly modelVersion: number;
	/** That of its newest runs, as "2026-09-07": what is of the day holds on that one. */
	readonly day?: string | undefined;
	/** Runs that it was fitted to. */
	readonly runs: number;
	/** Moves that were measured by themselves. */
	readonly moves: number;
	/** By their names: what was found, and its standard deviation, in SI units and degrees. */
	readonly parameters: Readonly<Record<string, Omit<FoundValue, 'name'>>>;
}

const foundSchema = z.strictObject({
	unit: z.enum(parameterUnits),
	value: z.number(),
	isOfDay: z
		.literal(true)
		.optional()
		.describe('It was so on that day, and may be another on the next.'),
	sigma: z.number().min(0).describe('Standard deviation of what was found.'),
	usualSigma: z.number().min(0).describe('Of such robots, before anybody looked.')
});

export const robotModelFormat: DocumentFormat<RobotModelDocument> = {
	name: 'lantern-step/robot-model',
	version: 1,
	schema: z.strictObject({
		format: z.literal('lantern-step/robot-model'),
		version: z.literal(1),
		kind: z.enum(robotKinds.map(({ kind }) => kind)),
		name: nameSchema.describe('Of the robot.'),
		at: z.iso.datetime().describe('When it was found, in universal time.'),
		modelVersion: z.int().min(1).describe('Of the model whose parameters these are.'),
		day: z.iso.date().optional().describe('That of its newest runs, where they were made.'),
		runs: z.int().min(0).describe('Runs that it was fitted to.'),
		moves: z.int().min(0).describe('Moves that were measured by themselves.'),
		parameters: z
			.record(z.string().max(40), foundSchema)
			.describe('By the names of parameters: SI units, and degrees.')
	}) as unknown as z.ZodType<RobotModelDocument>
};

/** Of a day's name: after that may come when it was lined up. */
const dateLength = '2026-09-07'.length;

export const robotModel = (
	{ kind, name }: Pick<NamedRobot, 'kind' | 'name'>,
	{ found, day }: Pick<Fitted, 'found' | 'day'>,
	from: Pick<RobotModelDocument, 'at' | 'runs' | 'moves'>
): RobotModelDocument => ({
	format: 'lantern-step/robot-model',
	version: 1,
	kind,
	name,
	modelVersion,
	...from,
	...(day && { day: day.slice(0, dateLength) }),
	parameters: Object.fromEntries(found.map(({ name, ...each }) => [name, each]))
});
