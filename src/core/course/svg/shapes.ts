/**
 * A drawing of any program as plain lines and outlines in true millimetres: elements, transforms,
 * units, viewBox, groups and `use` as SVG 1.1 says; curves become short pieces.
 */
import svgpath from 'svgpath';
import * as exact from '../../exact';
import { failure, success, type Result } from '../../sentence';
import { combined, growth, placed, readTransform, unchanged, type Matrix } from './matrix';
import { colourOf, firstStyle, Rules, styleOf, type SvgStyle } from './style';
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

/** Millimetres of a unit: CSS 2.1, section 4.3.2; a pixel is a 96th of an inch. */
const units: Readonly<Record<string, number>> = {
	...{ '': 25.4 / 96, px: 25.4 / 96, pt: 25.4 / 72, pc: 25.4 / 6, in: 25.4, mm: 1, cm: 10 }
};
/** Millimetres by which a piece may miss its curve. */
const flatness = 0.02;
const mostPoints = 200_000;
/** Repeated by `use` in each other, and elements that are looked at in all, the repeated ones too. */
const deepestUse = 8;
const mostLooks = 50_000;
/** Metres that a drawing may be large, and that a place in it may be away: no course holds more. */
const largest = 100;
const farthest = 50;
/** Letters of a number; more would keep a pattern busy for minutes. */
const longestNumber = 64;

class Fault {
	constructor(
		readonly key: string,
		readonly values: Readonly<Record<string, string | number>> = {}
	) {}
}

const number = (element: Element, name: string, usual = 0): number => {
	const text = element.attributes[name];
	if (text === undefined || text === '' || text === 'auto') return usual;
	const match =
		text.length <= longestNumber &&
		/^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(px|pt|pc|in|mm|cm)?\s*$/i.exec(text);
	const value = match
		? Number(match[1]) * ((units[match[2]?.toLowerCase() ?? ''] ?? 0) / units['']!)
		: NaN;
	if (!Number.isFinite(value))
		throw new Fault('svg.number', { name, found: text.slice(0, 20), element: element.name });
	return value;
};

export function readDrawing(text: string): Result<VectorDrawing> {
	const xml = readXml(text);
	if (!xml.ok) return xml;
	try {
		return success(new Reader(xml.value).drawing);
	} catch (error) {
		if (error instanceof Fault) return failure(error.key, error.values);
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
			throw new Fault('svg.size');
		this.height = height;
		const style = styleOf(root, firstStyle, this.rules);
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
		if (this.looks > mostLooks) throw new Fault('svg.tooMany', { maximum: mostLooks });
		if (hidden.has(name)) return;
		const style = styleOf(element, around.style, this.rules);
		if (style.display === 'none' || style.visibility === 'hidden') return;
		const { transform } = attributes;
		const own = transform === undefined ? unchanged : readTransform(transform);
		if (!own) throw new Fault('svg.transform', { found: transform!.slice(0, 30) });
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
			throw new Fault('svg.recursion', { id: id.slice(0, 30) });
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
			if (this.count > mostPoints) throw new Fault('svg.tooManyPoints', { maximum: mostPoints });
			const laid = points.map((point): Point => {
				const [x, y] = placed(matrix, point);
				return [x / 1000, (this.height - y) / 1000];
			});
			if (laid.some(([x, y]) => !(Math.abs(x) <= farthest && Math.abs(y) <= farthest)))
				throw new Fault('svg.far', { element: element.name });
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

const widthOf = (text: string): number => {
	const match =
		text.length <= longestNumber && /^\s*(\d*\.?\d+)(px|pt|pc|in|mm|cm)?\s*$/.exec(text);
	return match ? Number(match[1]) * (units[match[2] ?? '']! / units['']!) : 1;
};

const sizeOf = ({ attributes: { width, height } }: Element): Record<string, string> => ({
	...(width && { width }),
	...(height && { height })
});

function boxOf(element: Element): readonly [number, number, number, number] | undefined {
	const text = element.attributes.viewBox;
	if (text === undefined) return undefined;
	const list = text
		.trim()
		.split(/[\s,]+/)
		.map(Number);
	const [x, y, w, h] = list as [number, number, number, number];
	if (list.length !== 4 || !list.every(Number.isFinite) || !(w > 0 && h > 0))
		throw new Fault('svg.viewBox', { found: text.slice(0, 30) });
	return [x, y, w, h];
}

/** From the root's own units to millimetres. */
function window(root: Element): { matrix: Matrix; width: number; height: number } {
	const box = boxOf(root);
	const isShare = (name: string) => /%\s*$/.test(root.attributes[name] ?? '%');
	const pixel = units['']!;
	const width = (isShare('width') ? (box?.[2] ?? 0) : number(root, 'width')) * pixel;
	const height = (isShare('height') ? (box?.[3] ?? 0) : number(root, 'height')) * pixel;
	if (!box) return { matrix: [pixel, 0, 0, pixel, 0, 0], width, height };
	return { matrix: fitted(box, width, height, root.attributes.preserveAspectRatio), width, height };
}

/** Of an inner window, in the units around it. */
function inner(element: Element): Matrix {
	const box = boxOf(element);
	if (!box) return unchanged;
	const width = number(element, 'width', box[2]);
	const height = number(element, 'height', box[3]);
	return fitted(box, width, height, element.attributes.preserveAspectRatio);
}

/** A viewBox in its window: SVG 1.1, section 7.8. */
function fitted(
	[x, y, w, h]: readonly [number, number, number, number],
	width: number,
	height: number,
	how = 'xMidYMid meet'
): Matrix {
	const [sx, sy] = [width / w, height / h];
	if (how.trim().startsWith('none')) return [sx, 0, 0, sy, -x * sx, -y * sy];
	const scale = how.includes('slice') ? Math.max(sx, sy) : Math.min(sx, sy);
	const share = (axis: string) =>
		how.includes(`${axis}Min`) ? 0 : how.includes(`${axis}Max`) ? 1 : 0.5;
	return [
		...([scale, 0, 0, scale] as const),
		(width - w * scale) * share('x') - x * scale,
		(height - h * scale) * share('Y') - y * scale
	];
}

interface Line {
	readonly points: readonly Point[];
	readonly isClosed: boolean;
}

/** @param scale millimetres of one unit, so that curves are fine enough */
function linesOf(element: Element, scale: number): readonly Line[] {
	const own = (name: string, usual?: number) => number(element, name, usual);
	switch (element.name) {
		case 'line':
			return [
				{
					points: [
						[own('x1'), own('y1')],
						[own('x2'), own('y2')]
					],
					isClosed: false
				}
			];
		case 'polyline':
		case 'polygon': {
			const points = pointsOf(element);
			return [{ points: points, isClosed: element.name === 'polygon' }];
		}
		case 'rect':
			return rectangle(element, scale);
		case 'circle':
			return [ellipse(own('cx'), own('cy'), own('r'), own('r'), scale)];
		case 'ellipse':
			return [ellipse(own('cx'), own('cy'), own('rx'), own('ry'), scale)];
		case 'path':
			return pathLines(element.attributes.d ?? '', scale);
		default:
			return [];
	}
}

function pointsOf(element: Element): Point[] {
	const text = element.attributes.points ?? '';
	const numbers =
		text.trim() === ''
			? []
			: text
					.trim()
					.split(/[\s,]+/)
					.map(Number);
	if (numbers.length > 2 * mostPoints)
		throw new Fault('svg.tooManyPoints', { maximum: mostPoints });
	if (numbers.length % 2 !== 0 || !numbers.every(Number.isFinite))
		throw new Fault('svg.number', {
			name: 'points',
			found: text.slice(0, 20),
			element: element.name
		});
	return Array.from({ length: numbers.length / 2 }, (_, i): Point => [
		numbers[2 * i]!,
		numbers[2 * i + 1]!
	]);
}

/** Pieces of a full turn that miss it by no more than the flatness. */
function piecesOf(radius: number, scale: number): number {
	const far = Math.max(radius * scale, 1e-6);
	const half = exact.acos(Math.max(-1, Math.min(1, 1 - flatness / far)));
	return Math.max(12, Math.min(720, Math.ceil(Math.PI / Math.max(half, 1e-3))));
}

function ellipse(cx: number, cy: number, rx: number, ry: number, scale: number): Line {
	if (!(rx > 0 && ry > 0)) return { points: [], isClosed: true };
	const count = piecesOf(Math.max(rx, ry), scale);
	const points = Array.from({ length: count }, (_, i): Point => {
		const angle = (2 * Math.PI * i) / count;
		return [cx + rx * exact.cos(angle), cy + ry * exact.sin(angle)];
	});
	return { points, isClosed: true };
}

function rectangle(element: Element, scale: number): readonly Line[] {
	const own = (name: string, usual?: number) => number(element, name, usual);
	const [x, y, w, h] = [own('x'), own('y'), own('width'), own('height')];
	if (!(w > 0 && h > 0)) return [];
	const rx = Math.min(own('rx', own('ry')), w / 2);
	const ry = Math.min(own('ry', own('rx')), h / 2);
	if (!(rx > 0 && ry > 0)) {
		const points: Point[] = [
			[x, y],
			[x + w, y],
			[x + w, y + h],
			[x, y + h]
		];
		return [{ points, isClosed: true }];
	}
	const arc = `A${rx} ${ry} 0 0 1`;
	const d =
		`M${x + rx} ${y}H${x + w - rx}${arc} ${x + w} ${y + ry}V${y + h - ry}${arc} ${x + w - rx} ${y + h}` +
		`H${x + rx}${arc} ${x} ${y + h - ry}V${y + ry}${arc} ${x + rx} ${y}Z`;
	return pathLines(d, scale);
}

function pathLines(d: string, scale: number): readonly Line[] {
	const path = svgpath(d);
	const { err } = path as unknown as { err: string };
	if (err) throw new Fault('svg.path', { found: d.slice(0, 30) });
	const lines: { points: Point[]; isClosed: boolean }[] = [];
	let points: Point[] = [];
	let at: Point = [0, 0];
	let count = 0;
	const finish = (isClosed: boolean) => {
		const [first] = points;
		const isRepeated = isClosed && points.length > 2 && near(first!, points.at(-1)!);
		if (points.length > 1)
			lines.push({ points: isRepeated ? points.slice(0, -1) : points, isClosed });
		points = [];
	};
	const go = (to: Point) => {
		if (points.length === 0) points.push(at);
		count += 1;
		if (count > mostPoints) throw new Fault('svg.tooManyPoints', { maximum: mostPoints });
		if (!near(points.at(-1)!, to)) points.push(to);
		at = to;
	};
	let start: Point = [0, 0];
	path
		.abs()
		.unarc()
		.unshort()
		.iterate((segment) => {
			const [name, ...n] = segment as [string, ...number[]];
			if (name === 'M') {
				finish(false);
				at = [n[0]!, n[1]!];
				start = at;
			} else if (name === 'Z' || name === 'z') {
				finish(true);
				at = start;
			} else if (name === 'L') go([n[0]!, n[1]!]);
			else if (name === 'H') go([n[0]!, at[1]]);
			else if (name === 'V') go([at[0], n[0]!]);
			else if (name === 'C') curve(at, [n[0]!, n[1]!], [n[2]!, n[3]!], [n[4]!, n[5]!], scale, go);
			else if (name === 'Q') {
				const [c, to]: [Point, Point] = [
					[n[0]!, n[1]!],
					[n[2]!, n[3]!]
				];
				const third = (a: Point): Point => [
					a[0] + (2 * (c[0] - a[0])) / 3,
					a[1] + (2 * (c[1] - a[1])) / 3
				];
				curve(at, third(at), third(to), to, scale, go);
			}
		});
	finish(false);
	if (lines.some((line) => line.points.some((each) => !each.every(Number.isFinite))))
		throw new Fault('svg.path', { found: d.slice(0, 30) });
	return lines;
}

const near = ([ax, ay]: Point, [bx, by]: Point): boolean =>
	Math.abs(ax - bx) < 1e-9 && Math.abs(ay - by) < 1e-9;

/** Pieces by the size of its second differences: each misses the curve by no more than the flatness. */
function curve(
	a: Point,
	b: Point,
	c: Point,
	d: Point,
	scale: number,
	go: (to: Point) => void
): void {
	const bend = (p: number, q: number, r: number) => Math.abs(p - 2 * q + r);
	const most = Math.max(
		exact.lengthOf(bend(a[0], b[0], c[0]), bend(a[1], b[1], c[1])),
		exact.lengthOf(bend(b[0], c[0], d[0]), bend(b[1], c[1], d[1]))
	);
	const pieces = Math.ceil(Math.sqrt((0.75 * most * scale) / flatness));
	const count = Math.max(1, Math.min(1000, Number.isFinite(pieces) ? pieces : 1));
	for (let i = 1; i <= count; i++) {
		const t = i / count;
		const u = 1 - t;
		const mix = (axis: 0 | 1) =>
			u * u * u * a[axis] + 3 * u * u * t * b[axis] + 3 * u * t * t * c[axis] + t * t * t * d[axis];
		go(i === count ? d : [mix(0), mix(1)]);
	}
}
