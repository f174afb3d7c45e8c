/** How a drawing says colours and widths: attributes, `style`, and simple rules of a style sheet. */
import type { Element } from './xml';

/** Properties that pass from groups to what is in them. */
export interface Style {
	readonly fill: string;
	readonly stroke: string;
	readonly 'stroke-width': string;
	readonly display: string;
	readonly visibility: string;
	readonly color: string;
}
export const firstStyle: Style = {
	...{ fill: 'black', stroke: 'none', 'stroke-width': '1', display: 'inline' },
	...{ visibility: 'visible', color: 'black' }
};
const properties = Object.keys(firstStyle) as (keyof Style)[];

interface Rule {
	readonly fits: (element: Element) => boolean;
	readonly declared: Partial<Style>;
	readonly weight: number;
}

function declarations(text: string): Partial<Style> {
	const found: Record<string, string> = {};
	for (const part of text.split(';')) {
		const [name, value] = part.split(':').map((each) => each.trim());
		if (name && value) found[name.toLowerCase()] = value.replace(/\s*!important$/, '');
	}
	return found;
}

/** Rules for one element, class or id each; others are passed over. */
export function readRules(sheets: readonly string[]): Rule[] {
	const rules: Rule[] = [];
	for (const sheet of sheets) {
		const plain = sheet.replace(/<!\[CDATA\[|\]\]>|\/\*[^]*?\*\//g, '');
		for (const [, selectors, body] of plain.matchAll(/([^{}]{1,500})\{([^{}]{0,5000})\}/g))
			for (const selector of selectors!.split(',')) {
				const match = /^\s*([\w-]*)(?:\.([\w-]+)|#([\w-]+))?\s*$/.exec(selector);
				if (!match) continue;
				const [, name, className, id] = match;
				rules.push({
					fits: ({ name: own, attributes }) =>
						(!name || own === name) &&
						(!className || (attributes.class ?? '').split(/\s+/).includes(className)) &&
						(!id || attributes.id === id),
					declared: declarations(body!),
					weight: id ? 2 : className ? 1 : 0
				});
			}
	}
	return rules.toSorted((a, b) => a.weight - b.weight);
}

export function styleOf(element: Element, around: Style, rules: readonly Rule[]): Style {
	const { attributes } = element;
	const own: Partial<Record<keyof Style, string>> = {};
	for (const name of properties) if (attributes[name]) own[name] = attributes[name];
	const sheet = rules.filter(({ fits }) => fits(element)).map(({ declared }) => declared);
	const said = Object.assign({}, own, ...sheet, declarations(attributes.style ?? '')) as typeof own;
	const style = { ...around } as Record<keyof Style, string>;
	// A group that is not shown hides all in it; its word for that is not handed on as such.
	for (const name of properties) {
		const value = said[name];
		if (value && value !== 'inherit') style[name] = value;
	}
	return style;
}

const names: Readonly<Record<string, string>> = {
	...{ black: '#000000', white: '#ffffff', red: '#ff0000', green: '#008000', blue: '#0000ff' },
	...{ yellow: '#ffff00', orange: '#ffa500', grey: '#808080', gray: '#808080', lime: '#00ff00' },
	...{ purple: '#800080', cyan: '#00ffff', magenta: '#ff00ff', brown: '#a52a2a', pink: '#ffc0cb' },
	...{ navy: '#000080', teal: '#008080', maroon: '#800000', olive: '#808000', silver: '#c0c0c0' }
};

/** @returns `#rrggbb`, undefined for none */
export function colourOf(text: string, { color }: Style): string | undefined {
	const word = text.trim().toLowerCase();
	if (word === 'none' || word === 'transparent' || word === '') return undefined;
	if (word === 'currentcolor')
		return color.toLowerCase() === word ? '#000000' : colourOf(color, firstStyle);
	if (/^#[\da-f]{6}$/.test(word)) return word;
	if (/^#[\da-f]{3}$/.test(word))
		return `#${[...word.slice(1)].map((each) => each + each).join('')}`;
	const rgb = /^rgba?\(([^)]*)\)/.exec(word);
	if (rgb) {
		const parts = rgb[1]!
			.split(/[\s,/]+/)
			.slice(0, 3)
			.map((part) => (part.endsWith('%') ? parseFloat(part) * 2.55 : parseFloat(part)));
		const hex = (part: number) =>
			Math.round(Math.max(0, Math.min(255, part || 0)))
				.toString(16)
				.padStart(2, '0');
		return `#${parts.map(hex).join('')}`;
	}
	// A gradient or a pattern, or a name that is not known: some colour.
	return names[word] ?? '#000000';
}
