/** What the mission runner is given: words, numbers and files; what is wrong is said in one line. */
import { readFileSync, statSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { readRecording } from '../core/attempts/recording';
import { maximumBytes, readDocument, type DocumentFormat } from '../core/document';
import { documentFormats } from '../core/documents';
import { robotKinds } from '../core/robots/kinds';
import { robotDocument, sampleRobot, type NamedRobot } from '../core/robots/robot-document';
import type { Plan } from '../core/plan/plan';
import { variations, type Variation } from '../core/robots/robot';
import { defaultLimit, maximumLimit, maximumTouches } from '../core/simulation/settings';
import { valuesOf } from '../core/fitting/values-of';
import { simulate, type Rehearsal } from '../core/simulation/simulate';
import type { Touch } from '../core/simulation/touch';
import { say } from './words';

/** Bad input: one line that names the place and what was expected. */
export class BadInput extends Error {}

const text = { type: 'string' } as const;

export const options = {
	help: { type: 'boolean' } as const,
	table: { type: 'boolean' } as const,
	attempt: text,
	plan: text,
	course: text,
	robot: text,
	kind: text,
	variation: text,
	seed: text,
	limit: text,
	touches: text,
	trace: text,
	trials: text,
	workers: text,
	step: text,
	round: text,
	at: text,
	bearing: text,
	model: text,
	move: text,
	with: text,
	amount: text,
	powers: text,
	out: text,
	marked: { type: 'string', multiple: true } as const
};

export type Options = Partial<
	Record<Exclude<keyof typeof options, 'help' | 'table' | 'marked'>, string>
> & {
	readonly table?: boolean;
	readonly marked?: string[];
};

/** What was typed, as far as a line can show it. */
export const clean = (text: string): string =>
	text.replace(/[\p{Cc}\p{Zl}\p{Zp}]+/gu, ' ').slice(0, 80);

export function readCommand(words: string[]): {
	command: string | undefined;
	help: boolean;
	values: Options;
} {
	try {
		const { positionals, values } = parseArgs({ args: words, options, allowPositionals: true });
		if (positionals.length > 1)
			throw new BadInput(`"${clean(positionals[1]!)}" was not expected. See mission --help.`);
		const { help, ...rest } = values;
		return { command: positionals[0], help: help === true, values: rest };
	} catch (error) {
		if (error instanceof BadInput) throw error;
		throw new BadInput(`${clean((error as Error).message)} See mission --help.`);
	}
}

/** What is asked for; another robot has taken its place in the plan. */
export function readRehearsal(values: Options): Rehearsal {
	const plan = withRobot(load(values, 'plan'), chooseRobot(values));
	return {
		plan,
		parameters: knownOf(plan, values),
		course: load(values, 'course'),
		variation: chooseVariation(values.variation),
		seed: wholeNumber('seed', values.seed, 1, 0, 2 ** 32 - 1),
		limit: wholeNumber('limit', values.limit, defaultLimit, 1, maximumLimit),
		touches: readTouches(values.touches)
	};
}

/** Another robot takes the place of the first. */
function withRobot(plan: Plan, robot: NamedRobot | undefined): Plan {
	const [first, ...others] = plan.robots;
	if (!robot) return plan;
	const { kind, name, settings } = robot;
	return { ...plan, robots: [{ id: first!.id, kind, name, settings }, ...others] };
}

/** What is known of the plan's robots of that kind. */
export function knownOf(
	{ robots }: Pick<Plan, 'robots'>,
	values: Options
): Rehearsal['parameters'] {
	if (!values.model) return undefined;
	const model = load(values, 'model');
	const known = robots.filter(({ kind }) => kind === model.kind);
	if (known.length === 0)
		throw new BadInput(
			`--model: a model of a robot of the plan was expected, but this is of a ${model.kind}.`
		);
	return Object.fromEntries(known.map(({ id }) => [id, valuesOf(model, Date.now())]));
}

/** With all that its sensors say: some reasons show only there. */
export function rehearsed(values: Options) {
	const rehearsal = { ...readRehearsal(values), isWatched: true };
	return { ...rehearsal, attempt: simulate(rehearsal) };
}

export function readAttempt(values: Options) {
	const { at, recording, plan, course, touches, marks = [] } = load(values, 'attempt');
	const attempt = readRecording(recording);
	if (!attempt.ok) throw new BadInput(`${clean(values.attempt!)}: ${say(attempt.failure)}`);
	return { attempt: attempt.value, at: Date.parse(at), plan, course, touches, marks };
}

type Formats = typeof documentFormats;

type DocumentOf<N extends keyof Formats> = Formats[N] extends DocumentFormat<infer T> ? T : never;

export function load<N extends keyof Formats & keyof Options>(
	values: Options,
	name: N
): DocumentOf<N> {
	const file = values[name];
	if (!file) throw new BadInput(`--${name} FILE was expected. See mission --help.`);
	const read = readDocument<unknown>(readText(file), documentFormats[name]);
	if (!read.ok) throw new BadInput(`${clean(file)}: ${say(read.failure)}`);
	return read.value as DocumentOf<N>;
}

function readText(file: string): string {
	try {
		const stat = statSync(file);
		if (!stat.isFile()) throw new BadInput(`${clean(file)}: a file was expected.`);
		const { size } = stat;
		if (size > maximumBytes) {
			const sentence = { key: 'document.tooLarge', values: { bytes: size, maximum: maximumBytes } };
			throw new BadInput(`${clean(file)}: ${say(sentence)}`);
		}
		return readFileSync(file, 'utf8');
	} catch (error) {
		if (error instanceof BadInput) throw error;
		throw new BadInput(
			`${clean(file)}: a file that can be read was expected (${reasonOf(error)}).`
		);
	}
}

export function writeText(file: string, content: string): void {
	try {
		writeFileSync(file, content);
	} catch (error) {
		throw new BadInput(`${clean(file)}: a place to write to was expected (${reasonOf(error)}).`);
	}
}

const reasonOf = (error: unknown): string =>
	(error as NodeJS.ErrnoException).code ?? clean((error as Error).message);

export function chooseRobot(values: Options) {
	if (values.robot && values.kind) throw new BadInput('--robot or --kind was expected, not both.');
	if (values.robot) return load(values, 'robot');
	if (values.kind === undefined) return undefined;
	const found = robotKinds.find((robot) => robot.kind === values.kind);
	if (!found) {
		const known = robotKinds.map((robot) => robot.kind).join(', ');
		throw new BadInput(
			`--kind: one of ${known} was expected, but this is "${clean(values.kind)}".`
		);
	}
	return robotDocument(sampleRobot(found));
}

export function chooseVariation(word = 'classroom'): Variation {
	const found = variations.find((variation) => variation === word);
	if (found) return found;
	throw new BadInput(
		`--variation: one of ${variations.join(', ')} was expected, but this is "${clean(word)}".`
	);
}

/** Times at which a hand touches the robot. */
function readTouches(words = ''): Touch[] {
	const times = words.split(',').filter((word) => word !== '');
	const wrong = times.find((word) => !/^\d+(\.\d+)?$/.test(word.trim()));
	if (wrong === undefined && times.length <= maximumTouches) {
		return times.map((time) => ({ time: Number(time) }));
	}
	throw new BadInput(
		`--touches: up to ${maximumTouches} times in seconds with commas between them were expected, but this is "${clean(words)}".`
	);
}

export function wholeNumber(
	name: string,
	word: string | undefined,
	otherwise: number,
	minimum: number,
	maximum: number
): number {
	if (word === undefined) return otherwise;
	const number = /^\d+$/.test(word) ? Number(word) : NaN;
	if (number >= minimum && number <= maximum) return number;
	throw new BadInput(
		`--${name}: a whole number from ${minimum} to ${maximum} was expected, but this is "${clean(word)}".`
	);
}
