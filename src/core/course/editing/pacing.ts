/**
 * Lines typed the way people tape a floor: `60, right 90, 40, left 45, 120` goes on from the end of a
 * line. `right 90 round 30` goes round in an arc; `close` goes back to where the line began.
 */
import * as exact from '../../exact';
import { failure, success, type Result } from '../../sentence';
import { radians } from '../../units/angles';
import { tidyBearing, tidyPoint } from '../motions';
import { lengthTo, placeBeside, toldFrom, type Point } from '../measure';

export type Pace =
	| { readonly type: 'go'; readonly length: number }
	/** Degrees; positive to the right. */
	| { readonly type: 'turn'; readonly angle: number }
	| { readonly type: 'arc'; readonly angle: number; readonly radius: number }
	| { readonly type: 'close' };

/** How a person says it. */
export interface PaceWords {
	readonly right: readonly string[];
	readonly left: readonly string[];
	readonly round: readonly string[];
	readonly close: readonly string[];
	/** Metres of one of what numbers without a unit are in. */
	readonly unit: number;
}

const units: Readonly<Record<string, number>> = {
	mm: 0.001,
	cm: 0.01,
	m: 1,
	in: 0.0254,
	'"': 0.0254
};
/** Longer than any floor. */
const longest = 50;
/** Points that one line of words may make. */
const most = 200;
/** Degrees of a piece of an arc, where a line has corners only. */
const arcPiece = 10;

interface Token {
	readonly text: string;
	/** Place in what was typed, from 1. */
	readonly column: number;
}

export function readPaces(text: string, words: PaceWords): Result<readonly Pace[]> {
	const tokens = [...text.matchAll(/[^\s,;]+/g)].map((match): Token => ({
		text: match[0].toLowerCase(),
		column: match.index + 1
	}));
	const paces: Pace[] = [];
	let at = 0;
	const wrong = (key: string, token = tokens[at]): Result<never> =>
		failure(`pace.${key}`, {
			found: token?.text.slice(0, 20) ?? '',
			column: token?.column ?? text.length + 1
		});
	while (at < tokens.length) {
		const { text: word } = tokens[at]!;
		if (paces.length >= most) return wrong('tooMany');
		if (words.close.includes(word)) {
			if (at < tokens.length - 1) return wrong('afterClose', tokens[at + 1]);
			paces.push({ type: 'close' });
			at += 1;
			continue;
		}
		const side = words.right.includes(word) ? 1 : words.left.includes(word) ? -1 : 0;
		if (side === 0) {
			const length = lengthOf(word, words.unit);
			if (length === undefined) return wrong('word');
			if (!(length > 0 && length <= longest)) return wrong('length');
			paces.push({ type: 'go', length });
			at += 1;
			continue;
		}
		at += 1;
		const degrees = angleOf(tokens[at]?.text);
		if (degrees === undefined) return wrong('angle');
		if (!(degrees > 0 && degrees <= 360)) return wrong('angle');
		at += 1;
		if (!words.round.includes(tokens[at]?.text ?? '')) {
			paces.push({ type: 'turn', angle: side * degrees });
			continue;
		}
		at += 1;
		const radius = lengthOf(tokens[at]?.text, words.unit);
		if (radius === undefined || !(radius > 0 && radius <= longest)) return wrong('radius');
		paces.push({ type: 'arc', angle: side * degrees, radius });
		at += 1;
	}
	return success(paces);
}

function lengthOf(text: string | undefined, unit: number): number | undefined {
	const match = /^(\d*\.?\d+|\d+\.)(mm|cm|m|in|")?$/.exec(text ?? '');
	return match ? Number(match[1]) * (match[2] ? units[match[2]]! : unit) : undefined;
}

function angleOf(text: string | undefined): number | undefined {
	const match = /^(\d*\.?\d+|\d+\.)°?$/.exec(text ?? '');
	return match ? Number(match[1]) : undefined;
}

/** Where a line is, and where it points. */
export interface PaceEnd {
	readonly at: Point;
	/** Degrees clockwise from north. */
	readonly bearing: number;
}

export interface Paced {
	/** Its corners, after the place that it began from. */
	readonly points: readonly Point[];
	readonly isClosed: boolean;
	readonly end: PaceEnd;
}

/** Goes along. Arcs become short pieces. @param from where the line is now */
export function pacedFrom(from: PaceEnd, paces: readonly Pace[]): Paced {
	const points: Point[] = [];
	let { at, bearing } = from;
	let isClosed = false;
	const go = (length: number) => {
		at = placeBeside(at, bearing, length, 0);
		points.push(tidyPoint(at));
	};
	for (const pace of paces) {
		if (pace.type === 'go') go(pace.length);
		else if (pace.type === 'turn') bearing = tidyBearing(bearing + pace.angle);
		else if (pace.type === 'close') isClosed = true;
		else {
			const count = Math.ceil(Math.abs(pace.angle) / arcPiece);
			const turned = pace.angle / count;
			const chord = 2 * pace.radius * exact.sin(radians(Math.abs(turned)) / 2);
			for (let i = 0; i < count; i++) {
				bearing += turned / 2;
				go(chord);
				bearing += turned / 2;
			}
			bearing = tidyBearing(bearing);
		}
	}
	return { points, isClosed, end: { at: tidyPoint(at), bearing } };
}

type RailPiece = { length: number } | { radius: number; angle: number };

/** The same as pieces of a rail, which cannot turn on the spot. */
export function railFrom(
	paces: readonly Pace[]
): Result<{ pieces: RailPiece[]; isClosed: boolean }> {
	const pieces: RailPiece[] = [];
	let isClosed = false;
	for (const pace of paces) {
		if (pace.type === 'turn') return failure('pace.railTurn', { angle: Math.abs(pace.angle) });
		if (pace.type === 'close') isClosed = true;
		else if (pace.type === 'go') pieces.push({ length: pace.length });
		else pieces.push({ radius: pace.radius, angle: pace.angle });
	}
	return success({ pieces, isClosed });
}

/** The piece of a rail from its end to a place: straight on, or in one arc. */
export function railTo({ at, bearing }: PaceEnd, to: Point): RailPiece | undefined {
	const length = lengthTo(at, to);
	const { along, left } = toldFrom(at, bearing, to);
	if (length < 0.01) return undefined;
	const off = exact.atan2(-left, along);
	if (Math.abs(off) < 0.01) return { length: round(length) };
	const radius = length / (2 * Math.abs(exact.sin(off)));
	return { radius: round(radius), angle: Math.round(((2 * off * 180) / Math.PI) * 100) / 100 };
}

const round = (metres: number): number => Math.round(metres * 10_000) / 10_000;
