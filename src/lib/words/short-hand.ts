/**
 * Several steps as they are typed: "go 60; right 90; x4", "x3 (go 10; left 20)", "together (go 30)
 * (lamp blue)", "if distance ahead < 20 cm (stop) else (go 10)". Steps are parted by `;` or a new line.
 */
import type { Step } from '$core/plan/plan';
import { scopeIn } from '$core/plan/variables';
import { definitionOf } from '$core/steps/catalogue';
import type { StepDefinition, ValueDefinition } from '$core/steps/definition';
import { addMessages, perLanguage, say, t } from '$lib/i18n';
import { readExpression } from './expression-words';
import { colourName, lampColours, shownRange, unitOf } from './format';
import { choiceWord, valueName } from './values';
import words from './short-hand.en.json';
import { offersFor, type ShelfPlace } from './typed';

addMessages(words);

export type Typed =
	| { readonly kind: 'steps'; readonly steps: readonly Step[] }
	| {
			readonly kind: 'notUnderstood';
			/** Where in the text; at its end where something is missing. */
			readonly from: number;
			readonly to: number;
			/** In words: what was expected there. */
			readonly expected: string;
	  };

/** Whether a text is more than one step, and so is taken as a whole. */
export const isSeveral = (text: string): boolean => /[;\n()]/.test(text.trim().replace(/;$/, ''));

/** Reads steps. What is not understood is named, and nothing is made of the rest. */
export function readTyped(text: string, place: ShelfPlace): Typed {
	try {
		return { kind: 'steps', steps: new Reader(text, place).all() };
	} catch (error) {
		if (error instanceof Misread) return error;
		throw error;
	}
}

/** Ends the reading. */
class Misread {
	readonly kind = 'notUnderstood';
	constructor(
		readonly from: number,
		readonly to: number,
		readonly expected: string
	) {}
}

/** "x4", "× 4", "4x". */
const times = /^(?:[x×]\s*(\d+)|(\d+)\s*[x×])$/iu;
const timesBefore = /^[x×]\s*(\d+)\s*/iu;
const most = { times: 1000, nesting: 20 };

const branchWords = perLanguage(() => ({
	if: t('short.if').split(' '),
	else: t('short.else').split(' ')
}));

/** A piece of the text, without the spaces around it. */
interface Piece {
	readonly text: string;
	readonly from: number;
	readonly to: number;
}

class Reader {
	private at = 0;
	private count = 0;
	private nesting = 0;

	constructor(
		private readonly text: string,
		private readonly place: ShelfPlace
	) {}

	all(): Step[] {
		const steps = this.list(this.place.holder);
		if (this.at < this.text.length) throw this.misread(this.at, this.at + 1, 'short.noBracket');
		if (steps.length === 0) throw this.misread(0, this.text.length, 'short.step');
		return steps;
	}

	/** Up to the end, or the bracket that closes it. @param holder kind of the step they hang in */
	private list(holder: string | null): Step[] {
		let steps: Step[] = [];
		while (this.at < this.text.length && this.text[this.at] !== ')') {
			if (/[;\s]/.test(this.text[this.at]!)) this.at += 1;
			else steps = this.item(steps, holder);
		}
		return steps;
	}

	private item(before: Step[], holder: string | null): Step[] {
		const piece = this.piece();
		const rounds = times.exec(piece.text);
		if (piece.text === '') return [...before, ...this.bracketed(holder)];
		if (!rounds) return [...before, this.step(piece, holder)];
		const count = this.timesOf(piece, rounds);
		if (this.text[this.at] === '(') return [...before, this.repeat(count, this.group('repeat'))];
		if (before.length === 0) throw new Misread(piece.from, piece.to, t('short.timesFirst'));
		return [this.repeat(count, before)];
	}

	/** Steps in brackets, and how often, if that stands behind them. */
	private bracketed(holder: string | null): Step[] {
		const at = this.at;
		const steps = this.group(holder);
		const piece = this.piece();
		if (piece.text === '') return steps;
		const rounds = times.exec(piece.text);
		if (!rounds) throw new Misread(piece.from, piece.to, t('short.timesBehind'));
		if (steps.length === 0) throw this.misread(at, this.at, 'short.step');
		return [this.repeat(this.timesOf(piece, rounds), steps)];
	}

	private timesOf({ from, to }: Piece, rounds: RegExpExecArray): number {
		const count = Number(rounds[1] ?? rounds[2]);
		if (count >= 1 && count <= most.times) return count;
		throw new Misread(from, to, t('short.times', { most: most.times }));
	}

	private step(piece: Piece, holder: string | null): Step {
		const [first = ''] = piece.text.toLowerCase().split(/\s+/);
		if (branchWords().if.includes(first) && this.text[this.at] === '(') {
			return this.made('choose', {}, this.branches(piece));
		}
		const place = { ...this.place, holder };
		const [offer] = offersFor(piece.text, place);
		if (!offer) throw this.notAStep(piece, place);
		const { kind, hasBody, branches } = offer.definition;
		const isOpen = this.text[this.at] === '(';
		if (branches?.length === 1) return this.made(kind, offer.values, this.sides(branches[0]!));
		if (branches) throw new Misread(piece.from, piece.to, t('short.choice'));
		if (!hasBody && isOpen) {
			const name = t(`step.${kind}.name`);
			throw new Misread(this.at, this.at + 1, t('short.noBody', { name }));
		}
		const body = hasBody ? (isOpen ? this.group(kind) : []) : undefined;
		return this.made(kind, offer.values, body);
	}

	/** Branches side by side, each in brackets. */
	private sides(kind: string): Step[] {
		const sides: Step[] = [];
		do sides.push(this.made(kind, {}, this.group(kind)));
		while (this.isNext('('));
		return sides;
	}

	/** "if … (…) else if … (…) else (…)". @param head with the first condition */
	private branches(head: Piece): Step[] {
		const found: Step[] = [];
		for (let piece = head; ;) {
			const condition = piece.text.replace(/^\S+\s*/, '');
			const from = piece.to - condition.length;
			const slot = definitionOf('when').values.condition!;
			const read = readExpression(condition, slot, scopeIn(this.place.plan, undefined));
			if (!read.ok) throw new Misread(from, piece.to, say(read.failure));
			const values = { condition: { expression: read.value } };
			found.push(this.made('when', values, this.group('when')));
			const next = this.piece();
			if (next.text === '') return found;
			const [first = '', ...more] = next.text.split(/\s+/);
			if (!branchWords().else.includes(first.toLowerCase()))
				throw new Misread(next.from, next.to, t('short.elseWanted'));
			if (more.length === 0) return [...found, this.made('otherwise', {}, this.group('otherwise'))];
			const text = next.text.slice(next.text.indexOf(more[0]!, first.length));
			piece = { text, from: next.to - text.length, to: next.to };
			if (!branchWords().if.includes(more[0]!.toLowerCase()))
				throw new Misread(piece.from, piece.to, t('short.elseWanted'));
		}
	}

	/** Steps in brackets. */
	private group(holder: string | null): Step[] {
		if (!this.isNext('(')) throw this.misread(this.at, this.at, 'short.bracket');
		const open = this.at;
		this.at += 1;
		this.nesting += 1;
		if (this.nesting > most.nesting) throw this.misread(open, open + 1, 'short.tooDeep');
		const steps = this.list(holder);
		if (this.text[this.at] !== ')') throw this.misread(open, open + 1, 'short.unclosed');
		this.at += 1;
		this.nesting -= 1;
		return steps;
	}

	private isNext(sign: string): boolean {
		while (/[^\S\n]/.test(this.text[this.at] ?? '')) this.at += 1;
		return this.text[this.at] === sign;
	}

	/** What stands before the next sign. "x3 go 10" is no one step: its end is where the times end. */
	private piece(): Piece {
		const start = this.at;
		while (this.at < this.text.length && !/[;\n()]/.test(this.text[this.at]!)) this.at += 1;
		const whole = this.text.slice(start, this.at);
		const text = whole.trim();
		const from = start + whole.indexOf(text);
		const rounds = timesBefore.exec(text)?.[0];
		if (rounds && rounds.length < text.length) {
			throw this.misread(from + rounds.length, from + text.length, 'short.bracket');
		}
		return { text, from, to: from + text.length };
	}

	private repeat = (count: number, body: readonly Step[]): Step =>
		this.made('repeat', { times: count }, body);

	private made(kind: string, values: Step['values'], body?: readonly Step[]): Step {
		this.count += 1;
		return { id: `t${this.count}`, kind, values, ...(body && { body }) };
	}

	private misread(from: number, to: number, key: string): Misread {
		return new Misread(from, to, t(key));
	}

	/** Names the first word that does not fit, and what would. */
	private notAStep({ text, from, to }: Piece, place: ShelfPlace): Misread {
		const ends = [...text.matchAll(/\S+/g)].map(({ index, 0: word }) => index + word.length);
		for (let i = ends.length - 2; i >= 0; i--) {
			const [offer] = offersFor(text.slice(0, ends[i]), place);
			if (!offer) continue;
			const start = from + text.slice(ends[i]).search(/\S/) + ends[i]!;
			return new Misread(start, from + ends[i + 1]!, taken(offer.definition));
		}
		return new Misread(from, ends[0] === undefined ? to : from + ends[0], t('short.step'));
	}
}

/** What a step takes: "Lamp takes a colour: amber, coral, ...". */
function taken(definition: StepDefinition): string {
	const { kind, values } = definition;
	const name = t(`step.${kind}.name`);
	const list = Object.entries(values).map(([value, slot]) => describe(kind, value, slot));
	return list.length > 0
		? t('short.takes', { name, list: list.join('; ') })
		: t('short.takesNothing', { name });
}

function describe(kind: string, name: string, slot: ValueDefinition): string {
	const value = valueName(kind, name);
	if (slot.type === 'number') {
		return t('short.number', { value, ...shownRange(slot), unit: unitOf(slot.quantity) });
	}
	const options =
		slot.type === 'choice'
			? slot.options.map((option) => choiceWord(kind, name, option))
			: slot.type === 'colour'
				? lampColours.map(([, code]) => colourName(code))
				: [];
	return options.length > 0 ? t('short.options', { value, options: options.join(', ') }) : value;
}

/** Why a text was not taken, with the part that is meant. */
export function whyNot(
	text: string,
	{ from, to, expected }: Extract<Typed, { kind: 'notUnderstood' }>
): string {
	const part = text.slice(from, to).slice(0, 40);
	return part ? t('shelf.notUnderstood', { part, expected }) : t('shelf.missing', { expected });
}
