/**
 * XML of a drawing, read by a package with nothing of it carried out: no entities, no scripts,
 * nothing from elsewhere. What asks for such things is refused.
 */
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { failure, success, type Result } from '../../sentence';

/** Bytes, elements and depth: far above what a person draws for a floor, far below what hurts. */
export const maximumDrawing = 2 * 1024 * 1024;
const maximumElements = 20_000;
const maximumDepth = 64;

export interface Element {
	readonly name: string;
	readonly attributes: Readonly<Record<string, string>>;
	readonly children: readonly Element[];
	/** What stands in it as text. */
	readonly text: string;
}

const parser = new XMLParser({
	ignoreAttributes: false,
	attributeNamePrefix: '',
	preserveOrder: true,
	processEntities: false,
	parseTagValue: false,
	parseAttributeValue: false,
	removeNSPrefix: true,
	trimValues: true
});

type Node = Readonly<Record<string, unknown>>;

export function readXml(text: string): Result<Element> {
	if (text.length > maximumDrawing) return failure('svg.tooLarge', { megabytes: 2 });
	if (/<!DOCTYPE[^<>[]*\[|<!ENTITY/i.test(text)) return failure('svg.entities');
	if (depthOf(text) > maximumDepth) return failure('svg.tooDeep', { maximum: maximumDepth });
	const fault = validated(text);
	if (fault) return failure('svg.notXml', fault);
	let nodes: Node[];
	try {
		nodes = parser.parse(text) as Node[];
	} catch {
		return failure('svg.notXml', { line: 1 });
	}
	const root = nodes.find((node) => nameOf(node) === 'svg');
	if (!root) return failure('svg.noSvg');
	let count = 0;
	const read = (node: Node): Element | undefined => {
		count += 1;
		const name = nameOf(node);
		if (name === undefined || count > maximumElements) return undefined;
		const list = node[name] as readonly Node[];
		const children = list.map(read).filter((child) => child !== undefined);
		const words = list.map((child) => child['#text']).filter((word) => typeof word === 'string');
		return { name, attributes: attributesOf(node), children, text: words.join(' ') };
	};
	const element = read(root)!;
	if (count > maximumElements) return failure('svg.tooMany', { maximum: maximumElements });
	const asks = asksForMore(element);
	return asks ? failure(asks) : success(element);
}

function validated(text: string): { line: number } | undefined {
	try {
		const valid = XMLValidator.validate(text);
		return valid === true ? undefined : { line: valid.err.line };
	} catch {
		return { line: 1 };
	}
}

const nameOf = (node: Node): string | undefined =>
	Object.keys(node).find((key) => key !== ':@' && key !== '#text' && !key.startsWith('?'));

const named: Readonly<Record<string, string>> = {
	...{ '&lt;': '<', '&gt;': '>', '&quot;': '"', '&apos;': "'", '&amp;': '&' }
};

function attributesOf(node: Node): Record<string, string> {
	const attributes = (node[':@'] ?? {}) as Record<string, unknown>;
	return Object.fromEntries(
		Object.entries(attributes).map(([name, value]) => [
			name,
			String(value)
				.replace(/&(lt|gt|quot|apos|amp);/g, (word) => named[word]!)
				.replace(/&#(\d{1,7});/g, (_all, code: string) => characterOf(Number(code)))
				.replace(/&#x([\da-f]{1,6});/gi, (_all, code: string) => characterOf(parseInt(code, 16)))
		])
	);
}
const characterOf = (code: number): string =>
	code <= 0x10ffff ? String.fromCodePoint(code) : '\ufffd';

/** How deep elements stand in each other, before anything is built of them. */
function depthOf(text: string): number {
	let depth = 0;
	let deepest = 0;
	for (const [tag] of text.matchAll(/<\/?[A-Za-z][^<>]*>/g)) {
		if (tag.startsWith('</')) depth -= 1;
		else if (!tag.endsWith('/>')) deepest = Math.max(deepest, (depth += 1));
	}
	return deepest;
}

/** Scripts, and references to what is not in the drawing itself. */
function asksForMore({ name, attributes, children, text }: Element): string | undefined {
	if (name === 'script' || name === 'foreignObject') return 'svg.script';
	if (name === 'style' && /@import|url\s*\(\s*['"]?(?!#)/i.test(text)) return 'svg.external';
	for (const [key, value] of Object.entries(attributes)) {
		if (/^on/i.test(key)) return 'svg.script';
		const isReference = key === 'href' || key === 'src';
		if (isReference && /^\s*(javascript|vbscript)/i.test(value)) return 'svg.script';
		if (isReference && !/^\s*(#|data:image\/(png|jpeg|gif);|$)/.test(value)) return 'svg.external';
		if (/url\s*\(\s*['"]?(?!#)/i.test(value)) return 'svg.external';
	}
	for (const child of children) {
		const asks = asksForMore(child);
		if (asks) return asks;
	}
	return undefined;
}
