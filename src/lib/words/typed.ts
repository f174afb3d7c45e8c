/**
 * What a person types at a bud: words that choose the step, then its values. "go 60" is the step Go
 * with 60 cm; "back 20 30" goes back 20 cm at 30 %. Words come from the message files. Several steps
 * at once: see ./short-hand.
 */
import { isVariableName } from '$core/expressions/vocabulary';
import { locateSteps } from '$core/plan/places';
import { robotOfChain, type Plan } from '$core/plan/plan';
import { inputsOf, routinesOf, variableTypes } from '$core/plan/variables';
import { fittedKindOf } from '$core/robots/fitted';
import { canDo, optionsOf, type RobotKind } from '$core/robots/robot';
import { initialValues, mayHang, stepKinds, triggerKinds } from '$core/steps/catalogue';
import { levels, type Level } from '$core/levels';
import {
	needsOf,
	type Quantity,
	type StepDefinition,
	type Value,
	type ValueDefinition,
	type Values
} from '$core/steps/definition';
import { t } from '$lib/i18n';
import { colourName, lampColours, readFor, readNumber, tidyNumber, toStored } from './format';
import { faces } from '$core/pictures/face';
import { ownNames } from '$core/sounds/own-clips';
import { choiceWord, clipName } from './values';

export interface Offer {
	readonly definition: StepDefinition;
	readonly values: Values;
}

/** Where the steps are for: what may hang there, and what the plan has names for. */
export interface ShelfPlace {
	readonly plan: Plan;
	readonly level: Level;
	/** Kind of the step they will hang in; null for a chain. */
	readonly holder: string | null;
	/** What will run them; steps that it has nothing for are left out. Any robot, if not given. */
	readonly robot?: RobotKind;
	/** Triggers are wanted, not steps. */
	readonly isForTrigger?: boolean;
}

const fold = (text: string): string => text.toLowerCase().trim();

/** @param holder id of the chain or step that they will hang in */
export function shelfPlace(plan: Plan, level: Level, holder: string): ShelfPlace {
	const step = locateSteps(plan).get(holder);
	const robot = robotAt(plan, step?.chain.id ?? holder);
	return { plan, level, holder: step?.step.kind ?? null, robot };
}

/** What runs this chain; a new one, the first robot. */
export function robotAt(plan: Plan, id: string | null): RobotKind {
	const chain = plan.chains.find((one) => one.id === id);
	return fittedKindOf(chain ? robotOfChain(plan, chain) : plan.robots[0]!);
}

function isOffered({ kind, level, needs }: StepDefinition, wanted: Level, robot?: RobotKind) {
	if (robot && !canDo(robot, needs)) return false;
	if (wanted === 'first' && robot?.notFirst?.includes(kind)) return false;
	return levels.indexOf(level) <= levels.indexOf(wanted) || robot?.first?.includes(kind) === true;
}

/** All that the shelf holds here, each with its initial values; a routine of the plan is a step, too. */
export function offersAt({
	plan,
	level,
	holder,
	robot,
	isForTrigger = false
}: ShelfPlace): Offer[] {
	return (isForTrigger ? triggerKinds : stepKinds)
		.filter(
			(definition) =>
				isOffered(definition, level, robot) && (isForTrigger || mayHang(definition.kind, holder))
		)
		.flatMap((definition): Offer[] => {
			const values = initialValues(definition.kind);
			if (definition.kind === 'call') return callsOf(plan, definition, values);
			if (level !== 'first' || !definition.firstForms) return [{ definition, values }];
			return definition.firstForms
				.map((form) => ({ definition, values: { ...values, ...form } }))
				.filter((offer) => !robot || canDo(robot, needsOf(definition, offer.values)));
		});
}

const callsOf = (plan: Plan, definition: StepDefinition, values: Values): Offer[] =>
	[...routinesOf(plan)].map(([routine, chain]) => {
		const inputs = Object.fromEntries(inputsOf(chain).map((input) => [input, 0]));
		return { definition, values: { ...values, routine, ...inputs } };
	});

/**
 * The steps that fit what was typed, best first, with the values that were typed; those that the
 * robot has nothing for come last, for it may become another one.
 */
export function offersFor(text: string, place: ShelfPlace): Offer[] {
	const words = fold(text)
		.replace(/(\d)([a-z°%×])/g, '$1 $2')
		.split(/\s+/)
		.filter(Boolean);
	const variables = new Set(variableTypes(place.plan).keys());
	const { robot, ...anyRobot } = place;
	const level = place.level === 'first' ? 'further' : place.level;
	const others = offersAt({ ...anyRobot, level });
	const doable = robot ? offersAt({ ...place, level }) : others;
	const foreign = robot ? others.filter(({ definition }) => !canDo(robot, definition.needs)) : [];
	return [...bestOf(doable, { words, variables, robot }), ...bestOf(foreign, { words, variables })];
}

/** What was typed, and for whom: options that the robot does not have are not meant. */
interface Typed {
	readonly words: readonly string[];
	readonly variables: ReadonlySet<string>;
	readonly robot?: RobotKind | undefined;
}

const bestOf = (offers: readonly Offer[], typed: Typed): Offer[] =>
	offers
		.map((offer) => ({ ...offer, match: matchStep(offer, typed) }))
		.filter(({ match }) => match !== null)
		.sort((a, b) => b.match!.score - a.match!.score)
		.map(({ definition, match }) => ({ definition, values: match!.values }));

function matchStep(
	{ definition, values: initial }: Offer,
	{ words, variables, robot }: Typed
): { score: number; values: Values } | null {
	const values: Record<string, Value> = { ...initial };
	const names = fold(t(`step.${definition.kind}.typed`)).split(' ');
	if (typeof initial.routine === 'string') names.push(...fold(initial.routine).split(' '));
	/** "go for 5", "go toward 90": the plainest verb, and how. */
	const verbs = fold(t('step.go.typed')).split(' ');
	const hows = fold(t('shelf.how')).split(' ');
	const saysHow = words.some((word) =>
		units[word]?.of.includes('duration')
			? names.some((name) => hows.includes(name))
			: hows.includes(word) && names.includes(word)
	);
	const numbers: TypedNumber[] = [];
	/** What was just read is a number. */
	let isCounted = false;
	let score = 0;
	let isNamed = false;
	let worth = 0;
	for (const word of words) {
		const number = readNumber(word);
		const unit = isCounted ? units[word] : undefined;
		isCounted = !Number.isNaN(number);
		if (isCounted) numbers.push({ value: number });
		else if (unit) numbers.push({ ...numbers.pop()!, unit });
		else if (score > 0 && isPitch(definition, word))
			numbers.push({ value: readFor('frequency', word) });
		else if (names.includes(word)) score += 3;
		else if (names.some((name) => name.startsWith(word))) score += 2;
		else if ((worth = setByWord(definition, values, word, score > 0, robot)) > 0) score += worth;
		else if (score > 0 && isNamedFirst(definition, isNamed) && setName(definition, values, word))
			isNamed = true;
		else if (score > 0 && variables.has(word)) numbers.push({ value: { expression: word } });
		else if (score > 0 && !isNamed && setName(definition, values, word)) isNamed = true;
		else if (saysHow && verbs.includes(word)) score += 3;
		else if (!joining.has(word)) return null;
	}
	return setNumbers(definition, values, numbers) ? { score, values } : null;
}

/** "tone A4": the name of a note, where a pitch is wanted. */
const isPitch = (definition: StepDefinition, word: string): boolean =>
	/\d$/.test(word) &&
	Object.values(definition.values).some(
		(slot) => slot.type === 'number' && slot.quantity === 'frequency'
	) &&
	!Number.isNaN(readFor('frequency', word));

/** Units that may follow a number: for which quantities, and how many of the document's are in one. */
const units: Readonly<Record<string, Unit>> = {
	cm: { of: ['length'], worth: 0.01 },
	mm: { of: ['length'], worth: 0.001 },
	m: { of: ['length'], worth: 1 },
	in: { of: ['length'], worth: 0.0254 },
	'%': { of: ['ratio', 'power'], worth: 0.01 },
	'°': { of: ['angle'], worth: 1 },
	s: { of: ['duration'], worth: 1 },
	hz: { of: ['frequency'], worth: 1 },
	'×': { of: ['count'], worth: 1 },
	x: { of: ['count'], worth: 1 },
	times: { of: ['count'], worth: 1 }
};
interface Unit {
	readonly of: readonly Quantity[];
	readonly worth: number;
}
/** A number, or what is worked out to one, with its unit, if that was typed. */
interface TypedNumber {
	readonly value: Value;
	readonly unit?: Unit;
}

/** What one of our faces, or of our sounds, is called. */
const plainWord = (type: 'face' | 'clip', name: string): string =>
	type === 'face' ? choiceWord('face', 'face', name) : clipName(name);

const joining = new Set(['at', 'to', 'by']);

/**
 * @param isMeant the step is known; otherwise only a direction or a colour tells which is meant
 * @returns how well the word fits; 0 for not at all
 */
function setByWord(
	definition: StepDefinition,
	values: Record<string, Value>,
	word: string,
	isMeant: boolean,
	robot?: RobotKind
): number {
	for (const [name, value] of Object.entries(definition.values)) {
		// What somebody has made has no word.
		if ((value.type === 'face' || value.type === 'clip') && isMeant) {
			const known = value.type === 'face' ? faces : ownNames;
			const meant = known.find((one) => fold(plainWord(value.type, one)).startsWith(word));
			if (meant) {
				values[name] = meant;
				return 2;
			}
		}
		if (value.type === 'choice' && (isMeant || name === 'direction')) {
			const options = robot ? optionsOf(robot, name, value) : value.options;
			const option = options.find((candidate) =>
				fold(choiceWord(definition.kind, name, candidate)).startsWith(word)
			);
			if (option) {
				values[name] = option;
				// To the left most robots turn; that some can go there as well, comes second.
				return value.needs?.[option] ? 1 : 2;
			}
		}
		// By a colour alone no text is meant: "go 6000" is no golden 6000.
		if (value.type === 'colour' && (isMeant || !('text' in definition.values))) {
			const colour = lampColours.find(([name, code]) =>
				[colourName(code), ...t(`colour.${name}.typed`).split(' ')].some((known) =>
					fold(known).startsWith(word)
				)
			);
			if (colour) {
				values[name] = colour[1];
				return 2;
			}
		}
	}
	return 0;
}

/** "set n 5": the first word is the name, even one that is a variable already. */
const isNamedFirst = (definition: StepDefinition, isNamed: boolean): boolean =>
	!isNamed && 'variable' in definition.values;

/** "set n 5", "send ready": the word is the name. */
function setName(definition: StepDefinition, values: Record<string, Value>, word: string): boolean {
	const slot = Object.entries(definition.values).find(
		([, { type }]) => type === 'name' || type === 'anything'
	);
	if (!slot || definition.kind === 'call') return false;
	const [name, { type }] = slot;
	if (type === 'name' && name === 'variable' && !isVariableName(word)) return false;
	if (type === 'anything' && definition.kind !== 'log') return false;
	values[name] = word;
	return true;
}

/**
 * Gives the numbers to the step's numbers: those with a unit where it fits, the others in order.
 *
 * @returns false when one fits nowhere, or is too big
 */
function setNumbers(
	definition: StepDefinition,
	values: Record<string, Value>,
	numbers: readonly TypedNumber[]
): boolean {
	const free = Object.keys(values).filter((name) => {
		const type = definition.values[name]?.type ?? 'anything';
		return type === 'number' || type === 'anything';
	});
	const withUnitsFirst = numbers.toSorted((a, b) => Number(!a.unit) - Number(!b.unit));
	return withUnitsFirst.every(({ value, unit }) => {
		const at = free.findIndex((name) => !unit || takes(definition.values[name], unit));
		const [name] = at < 0 ? [] : free.splice(at, 1);
		if (name === undefined) return false;
		const slot = definition.values[name];
		if (slot?.type !== 'number' || typeof value !== 'number') {
			values[name] = value;
			return true;
		}
		const stored = unit ? tidyNumber(value * unit.worth) : toStored(slot.quantity, value);
		values[name] = stored;
		const isWhole = slot.quantity !== 'count' || Number.isInteger(stored);
		return isWhole && stored >= slot.minimum && stored <= slot.maximum;
	});
}

/** What may be anything takes a plain number only: it has no unit. */
const takes = (slot: ValueDefinition | undefined, { of }: Unit): boolean =>
	slot?.type === 'number' && of.includes(slot.quantity);
