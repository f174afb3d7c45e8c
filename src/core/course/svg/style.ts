/** How a drawing says colours and widths: attributes, `style`, and simple rules of a style sheet. */
import { colord, extend } from 'colord';
import names from 'colord/plugins/names';
import type { Element } from './xml';

/** Properties that pass from groups to what is in them. */
export interface SvgStyle {
	readonly fill: string;
	readonly stroke: string;
	readonly 'stroke-width': string;
	readonly display: string;
	readonly visibility: string;
	readonly color: string;
}
export const firstStyle: SvgStyle = {
	...{ fill: 'black', stroke: 'none', 'stroke-width': '1', display: 'inline' },
	...{ visibility: 'visible', color: 'black' }
};
const properties = Object.keys(firstStyle) as (keyof SvgStyle)[];

interface Rule {
	/** Of an element; empty for any. */
	readonly name: string;
	readonly declared: Partial<SvgStyle>;
	readonly weight: number;
	readonly order: number;
}

function declarations(text: string): Partial<SvgStyle> {
	const found: Record<string, string> = {};
	for (const part of text.split(';')) {
		const [name, value] = part.split(':').map((each) => each.trim());
		if (name && value) found[name.toLowerCase()] = value.replace(/\s*!important$/, '');
	}
	return found;
}

/** Characters of one rule: longer ones are no person's. */
const longestSelectors = 500;
const longestBody = 5000;

/** Rules for one element, class or id each, found by that; others are passed over. */
export class Rules {
	private readonly found = new Map<string, Rule[]>();
	private count = 0;

	constructor(sheets: readonly string[]) {
		for (const sheet of sheets) {
			const plain = sheet.replace(/<!\[CDATA\[|\]\]>|\/\*[^]*?\*\//g, '');
			for (const block of plain.split('}').slice(0, -1)) {
				const [body = '', selectors = ''] = block.split('{').reverse();
				if (selectors.length > longestSelectors || body.length > longestBody) continue;
				const declared = declarations(body);
				for (const selector of selectors.split(',')) this.add(selector, declared);
			}
		}
	}

	private add(selector: string, declared: Partial<SvgStyle>): void {
		const match = /^\s*([\w-]*)(?:\.([\w-]+)|#([\w-]+))?\s*$/.exec(selector);
		if (!match) return;
		const [, name = '', className, id] = match;
		const key = id ? `#${id}` : className ? `.${className}` : name;
		const rule = { name, declared, weight: id ? 2 : className ? 1 : 0, order: (this.count += 1) };
		this.found.set(key, [...(this.found.get(key) ?? []), rule]);
	}

	/** What is declared for an element, what counts least first. */
	for({ name, attributes }: Element): Partial<SvgStyle>[] {
		const classes = new Set((attributes.class ?? '').split(/\s+/));
		const keys = ['', name, ...[...classes].map((each) => `.${each}`), `#${attributes.id ?? ''}`];
		return keys
			.flatMap((key) => this.found.get(key) ?? [])
			.filter((rule) => !rule.name || rule.name === name)
			.toSorted((a, b) => a.weight - b.weight || a.order - b.order)
			.map(({ declared }) => declared);
	}
}

export function svgStyleOf(element: Element, around: SvgStyle, rules: Rules): SvgStyle {
	const { attributes } = element;
	const own: Partial<Record<keyof SvgStyle, string>> = {};
	for (const name of properties) if (attributes[name]) own[name] = attributes[name];
	const all: object[] = [own, ...rules.for(element), declarations(attributes.style ?? '')];
	const said = all.reduce((before, more) => ({ ...before, ...more }), {}) as typeof own;
	const style = { ...around } as Record<keyof SvgStyle, string>;
	// A group that is not shown hides all in it; its word for that is not handed on as such.
	for (const name of properties) {
		const value = said[name];
		if (value && value !== 'inherit') style[name] = value;
	}
	return style;
}

extend([names]);

/** @returns `#rrggbb`, undefined for none */
export function colourOf(text: string, { color }: SvgStyle): string | undefined {
	const word = text.trim().toLowerCase();
	if (word === 'none' || word === 'transparent' || word === '') return undefined;
	if (word === 'currentcolor')
		return color.toLowerCase() === word ? '#000000' : colourOf(color, firstStyle);
	const colour = colord(word);
	// A gradient or a pattern: some colour.
	return colour.isValid() ? colour.alpha(1).toHex() : '#000000';
}
