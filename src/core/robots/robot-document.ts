/** The robot document: one robot by name. Its character (how it misbehaves) follows from the name. */
import { z } from 'zod';
import { nameSchema, withUpgrades, type DocumentFormat, type Upgrade } from '../document';
import type { Values } from '../steps/definition';
import { valueSchema } from '../steps/value-schema';
import { robotKinds } from './kinds';
import type { RobotKind } from './robot';

/** A robot, wherever it is named. */
export interface NamedRobot {
	readonly kind: string;
	readonly name: string;
	/** Those of its kind; each has its initial value where it is left out. */
	readonly settings: Values;
}

export interface RobotDocument extends NamedRobot {
	readonly format: 'lantern-step/robot';
	readonly version: 2;
}

/** A robot of any kind, with the settings that its kind has. @param more fields beside */
export const robotSchemaWith = <T extends NamedRobot>(more: z.ZodRawShape = {}): z.ZodType<T> =>
	z.discriminatedUnion(
		'kind',
		robotKinds.map((kind) =>
			z.strictObject({
				...more,
				kind: z.literal(kind.kind),
				name: nameSchema,
				settings: settingsSchema(kind).prefault({})
			})
		) as unknown as [z.core.$ZodTypeDiscriminable]
	) as unknown as z.ZodType<T>;

function settingsSchema({ settings, distinct = [] }: RobotKind) {
	const fields = Object.entries(settings).map(([name, setting]) => {
		const { initial } = setting;
		return [name, valueSchema(setting).default(initial)] as const;
	});
	return z.strictObject(Object.fromEntries(fields)).superRefine((values, context) => {
		distinct.forEach((name, index) => {
			const other = distinct.slice(0, index).find((before) => values[before] === values[name]);
			if (!other) return;
			context.addIssue({
				code: 'custom',
				path: [name],
				params: { key: 'notDistinct', values: { other } }
			});
		});
	});
}

/**
 * What a robot says of its settings, as far as its kind has them; the rest is as its kind has it.
 * @returns the settings, and the names of those that made no sense
 */
export function settingsSaid(
	kind: RobotKind,
	said: Readonly<Record<string, unknown>>
): { settings: Values; odd: readonly string[] } {
	const { settings: initial } = sampleRobot(kind);
	const fits = (name: string): boolean => {
		const setting = kind.settings[name];
		return setting !== undefined && valueSchema(setting).safeParse(said[name]).success;
	};
	const [right, odd] = [true, false].map((is) =>
		Object.keys(said).filter((name) => fits(name) === is)
	);
	const own = Object.fromEntries(right!.map((name) => [name, said[name]]));
	const all = settingsSchema(kind).safeParse({ ...initial, ...own });
	if (all.success) return { settings: all.data as Values, odd: odd! };
	return { settings: initial, odd: Object.keys(said) };
}

/** In version 1 the ports were fields of their own, and the only settings there were. */
export const portsToSettings: Upgrade = ({ ports, ...robot }) => ({
	...robot,
	...(ports === undefined ? {} : { settings: ports })
});

export const robotFormat: DocumentFormat<RobotDocument> = {
	name: 'lantern-step/robot',
	version: 2,
	schema: withUpgrades(
		robotSchemaWith<RobotDocument>({
			format: z.literal('lantern-step/robot'),
			version: z.literal(2)
		}),
		[portsToSettings]
	)
};

export const robotDocument = ({ kind, name, settings }: NamedRobot): RobotDocument => ({
	format: 'lantern-step/robot',
	version: 2,
	kind,
	name,
	settings
});

/** The robot of this kind that ships with the app. */
export const sampleRobot = ({ kind, sampleName, settings }: RobotKind): NamedRobot => ({
	kind,
	name: sampleName,
	settings: Object.fromEntries(
		Object.entries(settings).map(([name, { initial }]) => [name, initial])
	)
});
