/**
 * A drawing of any program as plain lines and outlines in true millimetres: elements, transforms,
 * units, viewBox, groups and `use` as SVG 1.1 says.
 */
import { failure, success, type Result } from '../../sentence';
import { linesOf, mostPoints } from './lines';
import { combined, growth, placed, readTransform, unchanged, type Matrix } from './matrix';
import { Unreadable, number, widthOf } from './numbers';
import { colourOf, firstStyle, Rules, svgStyleOf, type SvgStyle } from './style';
import { inner, window } from './window';
import { readXml, type Element } from './xml';
import type { Point } from '../measure';

export interface Shape {
	/** Metres, from the south-west corner of the drawing; the first is not repeated at the end. */
	readonly points: readonly Point[];
	readonly isClosed: boolean;
	/** `#rrggbb` of its line, else of what fills it. */
	readonly colour: string;
	readonly isFilled: boolean;
	/** Metres of its line; 0 if it has none. */
	readonly width: number;
	/** The title, or else the id, of the nearest group that has one. */
	readonly layer: string;
	readonly element: Element;
	/** All transforms that it stands under, as they are written. */
	readonly transforms: readonly string[];
}

export interface VectorDrawing {
	readonly shapes: readonly Shape[];
	/** Metres. */
	readonly size: { readonly width: number; readonly height: number };
	readonly root: Element;
}

/** Repeated by `use` in each other, and elements that are looked at in all, the repeated ones too. */
const deepestUse = 8;
const mostLooks = 50_000;
/** Metres that a drawing may be large, and that a place in it may be away: no course holds more. */
const largest = 100;
const farthest = 50;
export function readDrawing(text: string): Result<VectorDrawing> {
	const xml = readXml(text);
	if (!xml.ok) return xml;
	try {
		return success(new Reader(xml.value).drawing);
	} catch (error) {
		if (error instanceof Unreadable) return failure(error.key, error.values);
		throw error;
	}
}

interface Around {
	readonly matrix: Matrix;
	readonly style: SvgStyle;
	readonly layer: string;
	readonly transforms: readonly string[];
	/** Ids of what is being repeated. */
	readonly used: readonly string[];
}

class Reader {
	readonly drawing: VectorDrawing;
	private readonly shapes: Shape[] = [];
	private readonly byId: Readonly<Record<string, Element>>;
	private readonly rules: Rules;
	private readonly height: number;
	private count = 0;
	private looks = 0;

	constructor(root: Element) {
		const ids: Record<string, Element> = Object.create(null) as Record<string, Element>;
		const sheets: string[] = [];
		const walk = (element: Element): void => {
			if (element.attributes.id) ids[element.attributes.id] ??= element;
			if (element.name === 'style') sheets.push(element.text);
			element.children.forEach(walk);
		};
		walk(root);
		this.byId = ids;
		this.rules = new Rules(sheets);
		const { matrix, width, height } = window(root);
		if (!(width > 0 && height > 0 && Math.max(width, height) <= largest * 1000))
			throw new Unreadable('svg.size');
		this.height = height;
		const style = svgStyleOf(root, firstStyle, this.rules);
		const around = { matrix, style, layer: '', transforms: [], used: [] };
		for (const child of root.children) this.read(child, around);
		this.drawing = {
			shapes: this.shapes,
			size: { width: width / 1000, height: height / 1000 },
			root
		};
	}

	private read(element: Element, around: Around): void {
		const { name, attributes } = element;
		this.looks += 1;
		if (this.looks > mostLooks) throw new Unreadable('svg.tooMany', { maximum: mostLooks });
		if (hidden.has(name)) return;
		const style = svgStyleOf(element, around.style, this.rules);
		if (style.display === 'none' || style.visibility === 'hidden') return;
		const { transform } = attributes;
		const own = transform === undefined ? unchanged : readTransform(transform);
		if (!own) throw new Unreadable('svg.transform', { found: transform!.slice(0, 30) });
		const inside: Around = {
			...around,
			style,
			matrix: combined(around.matrix, own),
			transforms: transform === undefined ? around.transforms : [...around.transforms, transform]
		};
		if (name === 'use') this.readUse(element, inside);
		else if (containers.has(name)) this.readGroup(element, inside);
		else this.readShape(element, inside);
	}

	private readGroup(element: Element, around: Around): void {
		const title = element.children.find(({ name }) => name === 'title')?.text;
		const layer = element.attributes.label ?? title ?? element.attributes.id ?? around.layer;
		let { matrix } = around;
		if (element.name === 'svg') {
			const shift: Matrix = [1, 0, 0, 1, number(element, 'x'), number(element, 'y')];
			matrix = combined(matrix, combined(shift, inner(element)));
		}
		for (const child of element.children) this.read(child, { ...around, layer, matrix });
	}

	private readUse(element: Element, around: Around): void {
		const id = (element.attributes.href ?? '').replace(/^\s*#/, '');
		const used = this.byId[id];
		if (!used) return;
		if (around.used.includes(id) || around.used.length >= deepestUse)
			throw new Unreadable('svg.recursion', { id: id.slice(0, 30) });
		const shift: Matrix = [1, 0, 0, 1, number(element, 'x'), number(element, 'y')];
		const inside = {
			...around,
			matrix: combined(around.matrix, shift),
			transforms: [...around.transforms, 'use'],
			used: [...around.used, id]
		};
		if (used.name !== 'symbol') return this.read(used, inside);
		const fitted = combined(
			inside.matrix,
			inner({ ...used, attributes: { ...used.attributes, ...sizeOf(element) } })
		);
		for (const child of used.children) this.read(child, { ...inside, matrix: fitted });
	}

	private readShape(element: Element, around: Around): void {
		const { matrix, style, layer, transforms } = around;
		const fill = colourOf(style.fill, style);
		const stroke = colourOf(style.stroke, style);
		if (!fill && !stroke) return;
		const scale = growth(matrix);
		const lines = linesOf(element, scale);
		const strokeWidth = stroke ? widthOf(style['stroke-width']) * scale : 0;
		for (const { points, isClosed } of lines) {
			if (points.length < 2) continue;
			this.count += points.length;
			if (this.count > mostPoints)
				throw new Unreadable('svg.tooManyPoints', { maximum: mostPoints });
			const laid = points.map((point): Point => {
				const [x, y] = placed(matrix, point);
				return [x / 1000, (this.height - y) / 1000];
			});
			if (laid.some(([x, y]) => !(Math.abs(x) <= farthest && Math.abs(y) <= farthest)))
				throw new Unreadable('svg.far', { element: element.name });
			this.shapes.push({
				points: laid,
				isClosed,
				colour: (stroke ?? fill)!,
				isFilled: fill !== undefined && element.name !== 'line',
				width: strokeWidth / 1000,
				layer,
				element,
				transforms
			});
		}
	}
}

const containers = new Set(['g', 'svg', 'a', 'switch']);
/** What is only drawn when something else uses it, and what is no drawing at all. */
const hidden = new Set([
	...['defs', 'symbol', 'clipPath', 'mask', 'pattern', 'marker', 'linearGradient', 'filter'],
	...['radialGradient', 'metadata', 'title', 'desc', 'style', 'namedview', 'image', 'text']
]);

const sizeOf = ({ attributes: { width, height } }: Element): Record<string, string> => ({
	...(width && { width }),
	...(height && { height })
});
