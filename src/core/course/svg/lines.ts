/** Elements of a drawing as plain lines and outlines; curves become short pieces. */
import svgpath from 'svgpath';
import * as exact from '../../exact';
import type { Point } from '../measure';
import { Unreadable, number } from './numbers';
import type { Element } from './xml';

/** Millimetres by which a piece may miss its curve. */
const flatness = 0.02;
export const mostPoints = 200_000;

interface Line {
	readonly points: readonly Point[];
	readonly isClosed: boolean;
}

/** @param scale millimetres of one unit, so that curves are fine enough */
export function linesOf(element: Element, scale: number): readonly Line[] {
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
		throw new Unreadable('svg.tooManyPoints', { maximum: mostPoints });
	if (numbers.length % 2 !== 0 || !numbers.every(Number.isFinite))
		throw new Unreadable('svg.number', {
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
	if (err) throw new Unreadable('svg.path', { found: d.slice(0, 30) });
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
		if (count > mostPoints) throw new Unreadable('svg.tooManyPoints', { maximum: mostPoints });
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
		throw new Unreadable('svg.path', { found: d.slice(0, 30) });
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
