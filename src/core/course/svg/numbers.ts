/** Numbers of a drawing, with their units, and what is wrong with one. */
import type { Element } from './xml';

/** Millimetres of a unit: CSS 2.1, section 4.3.2; a pixel is a 96th of an inch. */
export const millimetresOf: Readonly<Record<string, number>> = {
	...{ '': 25.4 / 96, px: 25.4 / 96, pt: 25.4 / 72, pc: 25.4 / 6, in: 25.4, mm: 1, cm: 10 }
};
/** Letters of a number; more would keep a pattern busy for minutes. */
const longestNumber = 64;

/** What cannot be read, as a sentence. */
export class Unreadable {
	constructor(
		readonly key: string,
		readonly values: Readonly<Record<string, string | number>> = {}
	) {}
}

/** In pixels. @throws Fault where it is none */
export const number = (element: Element, name: string, usual = 0): number => {
	const text = element.attributes[name];
	if (text === undefined || text === '' || text === 'auto') return usual;
	const match =
		text.length <= longestNumber &&
		/^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(px|pt|pc|in|mm|cm)?\s*$/i.exec(text);
	const value = match
		? Number(match[1]) * ((millimetresOf[match[2]?.toLowerCase() ?? ''] ?? 0) / millimetresOf['']!)
		: NaN;
	if (!Number.isFinite(value))
		throw new Unreadable('svg.number', { name, found: text.slice(0, 20), element: element.name });
	return value;
};

/** Of a line, in pixels. */
export const widthOf = (text: string): number => {
	const match =
		text.length <= longestNumber && /^\s*(\d*\.?\d+)(px|pt|pc|in|mm|cm)?\s*$/.exec(text);
	return match ? Number(match[1]) * (millimetresOf[match[2] ?? '']! / millimetresOf['']!) : 1;
};
