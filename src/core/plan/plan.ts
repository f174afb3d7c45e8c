/**
 * The plan: what a person writes. It is a value: nothing changes it in place, every change is an
 * edit (see ./edits) that gives a new plan. In the document lengths are metres, times seconds and
 * angles degrees, as in its file.
 */
import { z } from 'zod';
import {
	identifierSchema,
	isFields,
	maximumSteps,
	nameSchema,
	textSchema,
	withUpgrades,
	type DocumentFormat,
	type Upgrade
} from '../document';
import { portsToSettings, robotSchemaWith, type NamedRobot } from '../robots/robot-document';
import { helpersOffSchema, type Helper } from '../helpers';
import { boardSchema, type Board } from './board';
import { clipBytes, mostSoundBytes, readClip, type Clip } from '../sounds/clip';
import { definitionOf, mayHang, stepKinds, triggerKinds } from '../steps/catalogue';
import type { StepDefinition, Values } from '../steps/definition';
import { inputValueSchema, valueSchema } from '../steps/value-schema';

/** Robots in one plan: as many as a floor has room for. */
export const maximumRobots = 8;

/** Steps within steps within steps: as deep as a file may go (document depth 32). */
export const maximumNesting = 12;

/** Values of one step, inputs of a routine among them: it has six, and there may be some from before. */
const maximumValues = 30;

export interface Step {
	readonly id: string;
	readonly kind: string;
	readonly values: Values;
	readonly body?: readonly Step[];
	/** Switched off: it is skipped, with all it holds. */
	readonly off?: true;
	readonly comment?: string;
}

/** Steps on one cord: lit when a trigger is at its top, unlit when not. */
export interface Chain {
	readonly id: string;
	readonly trigger: Step | null;
	readonly steps: readonly Step[];
	/** The robot that runs it, by its id; the first one when left out. */
	readonly robot?: string | undefined;
}

export interface PlanRobot extends NamedRobot {
	readonly id: string;
}

export interface Plan {
	readonly format: 'lantern-step/plan';
	readonly version: 2;
	readonly name: string;
	readonly robots: readonly PlanRobot[];
	readonly chains: readonly Chain[];
	/** The button board, if somebody has laid one out. */
	readonly board?: Board | undefined;
	/** Helpers that are switched off for it. */
	readonly helpersOff?: readonly Helper[] | undefined;
	/** Only in its file, so that they travel with it: WAV files of its recordings in base64, by their hashes. */
	readonly sounds?: Readonly<Record<string, string>> | undefined;
}

export const commentSchema = textSchema(200, 1);

const stepsSchema = z.lazy(() => z.array(stepSchema));

function schemaOf(definition: StepDefinition) {
	const own = Object.fromEntries(
		Object.entries(definition.values).map(([name, value]) => [name, valueSchema(value)])
	);
	const values = definition.hasInputs
		? z.object(own).catchall(inputValueSchema)
		: z.strictObject(own);
	const fields = {
		id: identifierSchema,
		kind: z.literal(definition.kind),
		values,
		off: z.literal(true).optional().describe('Switched off: skipped, with all it holds.'),
		comment: commentSchema.optional()
	};
	return z.strictObject(definition.hasBody ? { ...fields, body: stepsSchema } : fields);
}

const unionOf = (definitions: readonly StepDefinition[]) =>
	z.discriminatedUnion(
		'kind',
		definitions.map(schemaOf) as unknown as [z.core.$ZodTypeDiscriminable]
	) as unknown as z.ZodType<Step>;

export const stepSchema: z.ZodType<Step> = unionOf(stepKinds).meta({ id: 'step' });

export const triggerSchema: z.ZodType<Step> = unionOf(triggerKinds);

export const chainSchema: z.ZodType<Chain> = z.strictObject({
	id: identifierSchema,
	trigger: triggerSchema.nullable().describe('null for an unlit chain, which does not run'),
	steps: stepsSchema,
	robot: identifierSchema
		.optional()
		.describe('The robot that runs it, by its id; the first one when left out.')
});

export const planRobotSchema: z.ZodType<PlanRobot> = robotSchemaWith({ id: identifierSchema });

const currentSchema: z.ZodType<Plan> = z
	.strictObject({
		format: z.literal('lantern-step/plan'),
		version: z.literal(2),
		name: nameSchema,
		robots: z.array(planRobotSchema).min(1).max(maximumRobots),
		chains: z.array(chainSchema).max(200),
		board: boardSchema.optional(),
		helpersOff: helpersOffSchema.optional(),
		sounds: z
			.record(z.string().regex(/^[0-9a-f]{64}$/), z.base64().max(500_000))
			.optional()
			.describe('In files: the WAV files of its recordings in base64, by their SHA-256.')
	})
	.superRefine((plan, context) => {
		const refuse = (key: string, path: PropertyKey[], values: Record<string, string | number>) =>
			context.addIssue({ code: 'custom', path, params: { key, values } });
		const seen = new Set<string>();
		let count = 0;
		const visit = (
			steps: readonly Step[],
			path: PropertyKey[],
			nesting: number,
			holder: string | null
		) => {
			if (steps.length > 0 && nesting > maximumNesting) {
				refuse('nestedTooDeep', path, { maximum: maximumNesting });
				return;
			}
			steps.forEach((step, index) => {
				count += 1;
				note(step.id, [...path, index, 'id']);
				const inputs = Object.keys(step.values).length;
				if (inputs > maximumValues) {
					refuse('tooManyValues', [...path, index, 'values'], { maximum: maximumValues });
				}
				if (!mayHang(step.kind, holder)) {
					const kind = { kind: step.kind, holder: holder ?? 'chain' };
					refuse('notHere', [...path, index, 'kind'], kind);
				}
				if (step.body) visit(step.body, [...path, index, 'body'], nesting + 1, step.kind);
			});
		};
		const note = (id: string, path: PropertyKey[]) => {
			if (seen.has(id)) refuse('repeatedId', path, { id });
			seen.add(id);
		};
		const robots = new Set<string>();
		plan.robots.forEach(({ id }, index) => {
			if (robots.has(id)) refuse('repeatedId', ['robots', index, 'id'], { id });
			robots.add(id);
		});
		plan.chains.forEach((chain, index) => {
			if (chain.robot !== undefined && !robots.has(chain.robot)) {
				refuse('noSuchRobot', ['chains', index, 'robot'], { id: chain.robot });
			}
			note(chain.id, ['chains', index, 'id']);
			if (chain.trigger) note(chain.trigger.id, ['chains', index, 'trigger', 'id']);
			visit(chain.steps, ['chains', index, 'steps'], 0, null);
		});
		const bytes = recordingsIn(plan).reduce((sum, clip) => sum + clipBytes(clip), 0);
		if (bytes > mostSoundBytes)
			refuse('tooMuchSound', ['chains'], { bytes, maximum: mostSoundBytes });
		if (count > maximumSteps) refuse('tooManySteps', ['chains'], { count, maximum: maximumSteps });
	});

/** The sounds that it plays as they are, each once. */
export function clipsIn({ chains }: Pick<Plan, 'chains'>): readonly Clip[] {
	const found = new Map<string, Clip>();
	for (const { steps } of chains)
		eachStep(steps, ({ kind, values }) => {
			const clip = kind === 'clip' ? readClip(String(values.clip)) : null;
			if (clip) found.set(clip.id, clip);
		});
	return [...found.values()];
}

/** The words that it listens for, each once. */
export const wordsIn = ({ chains }: Pick<Plan, 'chains'>): readonly string[] => [
	...new Set(
		chains.flatMap(({ trigger }) =>
			trigger?.kind === 'whenHears' && !trigger.off ? [String(trigger.values.word)] : []
		)
	)
];

/** Those of them that are a person's. */
export const recordingsIn = (plan: Pick<Plan, 'chains'>): readonly Required<Clip>[] =>
	clipsIn(plan).filter((clip): clip is Required<Clip> => clip.name !== undefined);

/** In version 1 robots had no ids, and the ports of the wheels were a field of their own. */
const nameRobots: Upgrade = (plan) => ({
	...plan,
	...(Array.isArray(plan.robots) && {
		robots: plan.robots.map((robot, index) =>
			isFields(robot) ? { id: robotId(index), ...portsToSettings(robot) } : robot
		)
	})
});

const robotId = (index: number): string => `robot${index + 1}`;

export const planSchema = withUpgrades(currentSchema, [nameRobots]);

export const planFormat: DocumentFormat<Plan> = {
	name: 'lantern-step/plan',
	version: 2,
	schema: planSchema
};

/** A plan of these parts. */
export const makePlan = (parts: Pick<Plan, 'name' | 'robots' | 'chains'>): Plan => ({
	format: 'lantern-step/plan',
	version: 2,
	...parts
});

/** A robot for a plan that has these others already. */
export const planRobot = (robot: NamedRobot, others: readonly PlanRobot[] = []): PlanRobot => {
	const ids = Array.from({ length: others.length + 1 }, (_, index) => robotId(index));
	return { ...robot, id: ids.find((id) => !others.some((other) => other.id === id))! };
};

/** The robot that runs a chain: the first, where the chain names none. */
export function robotOfChain({ robots }: Plan, { robot }: Chain): PlanRobot {
	const [first] = robots;
	return robots.find(({ id }) => id === robot) ?? first!;
}

/** Whether the chain runs by itself: it hangs on a trigger that is not switched off. */
export const isLit = ({ trigger }: Chain): boolean =>
	trigger !== null && trigger.kind !== 'routine' && !trigger.off;

/** Calls `visit` for each step of the list and of the bodies in it, in reading order. */
export function eachStep(
	steps: readonly Step[],
	visit: (step: Step, nesting: number) => void,
	nesting = 0
): void {
	for (const step of steps) {
		visit(step, nesting);
		if (step.body) eachStep(step.body, visit, nesting + 1);
	}
}

/**
 * The number that each step carries on its tag and on the floor: reading order over the plan.
 * Branches carry none.
 */
export function numberSteps(plan: Plan): ReadonlyMap<string, number> {
	const numbers = new Map<string, number>();
	for (const chain of plan.chains) {
		eachStep(chain.steps, (step) => {
			if (!definitionOf(step.kind).isBranch) numbers.set(step.id, numbers.size + 1);
		});
	}
	return numbers;
}
