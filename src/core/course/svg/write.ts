/**
 * A course as an SVG drawing in true millimetres, one group for each kind of part. Beside its shape
 * each part carries what it is (`data-value`), so that the same course comes back; a part that was
 * moved in a drawing program meanwhile comes back where it was put.
 */
import { floorColours } from '../../colours';
import type { Course, Part, PartName } from '../course';
import { placeBeside, type Point } from '../measure';
import { coverOf, idOfPart, kindOf, partNames, partsOf } from '../parts';
import { partKinds } from '../parts/list';
import { placedNumbers, startMark } from '../signs';

export interface Drawn {
	readonly name: string;
	readonly attributes: Readonly<Record<string, string>>;
}

/** Millimetres, to a thousandth. */
const mm = (metres: number): string => {
	const rounded = Math.round(metres * 1e6) / 1000;
	return String(rounded === 0 ? 0 : rounded);
};
const pointsText = (points: readonly Point[]): string =>
	points.map(([x, y]) => `${mm(x)},${mm(y)}`).join(' ');

const { colour: ink } = partKinds.walls.ink;
const line = (points: readonly Point[], isClosed = false): Drawn => ({
	name: isClosed ? 'polygon' : 'polyline',
	attributes: { points: pointsText(points) }
});
const circle = ([x, y]: Point, radius: number): Drawn => ({
	name: 'circle',
	attributes: { cx: mm(x), cy: mm(y), r: mm(radius) }
});
const styled = (drawn: Drawn, style: Readonly<Record<string, string>>): Drawn => ({
	name: drawn.name,
	attributes: { ...drawn.attributes, ...style }
});
const outlined = (drawn: Drawn, stroke: string, width = 4) =>
	styled(drawn, { fill: 'none', stroke, 'stroke-width': String(width) });
const filled = (drawn: Drawn, fill: string) => styled(drawn, { fill });

const surfaceFill = { tile: '#f4f1e6', carpet: '#d9d4c4', table: '#e6d3b3' };

/** Kinds that are drawn in a way of their own. Where a part stands can be read off its drawing: see `own.ts`. */
const drawings: { readonly [N in PartName]?: (part: Part<N>) => Drawn } = {
	surfaces: ({ corners, surface }) => filled(line(corners, true), surfaceFill[surface]),
	patches: ({ corners, colour }) => filled(line(corners, true), floorColours[colour]),
	tapes: (tape) =>
		styled(line(coverOf('tapes', tape).line), {
			...{ fill: 'none', stroke: floorColours[tape.colour], 'stroke-width': mm(tape.width) },
			'stroke-linejoin': 'round'
		}),
	walls: ({ from, to, thickness }) =>
		styled(line([from, to]), {
			...{ fill: 'none', stroke: ink, 'stroke-width': mm(thickness) },
			'stroke-linecap': 'square'
		}),
	// From its middle ahead to its tip, and around.
	starts: ({ at, bearing }) => {
		const corners = startMark.map((corner) => placeBeside(at, bearing, ...corner));
		const [left, front, tip, ...others] = corners as [Point, Point, Point, ...Point[]];
		const { colour, width } = partKinds.starts.ink;
		return outlined(line([at, tip, ...others, left, front, tip]), colour, width);
	}
};

export function drawn(part: PartName, value: Part): Drawn {
	const own = drawings[part] as ((value: Part) => Drawn) | undefined;
	return own?.(value) ?? usualDrawing(part, value);
}

/** What it covers: a circle around its place, all within its corners, or its line. */
function usualDrawing(part: PartName, value: Part): Drawn {
	const { ink, laying } = kindOf(part);
	const { line: covered, half, isFilled } = coverOf(part, value);
	const isRound = covered.length === 1;
	const isClosed = isFilled || laying === 'area';
	const shape = isRound
		? circle(covered[0]!, half)
		: line(isClosed ? covered.slice(0, -1) : covered, isClosed);
	return ink.fill ? filled(shape, ink.fill) : outlined(shape, ink.colour, ink.width);
}

const escaped = (text: string): string =>
	text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
const attributesText = (attributes: Readonly<Record<string, string>>): string =>
	Object.entries(attributes)
		.map(([name, value]) => ` ${name}="${escaped(value)}"`)
		.join('');

/** What turns the drawing's way down into the course's way north. */
export const upright = ({ size }: Pick<Course, 'size'>): string =>
	`matrix(1 0 0 -1 0 ${mm(size.height)})`;

export const windowOf = ({ size: { width, height } }: Pick<Course, 'size'>) => ({
	width: `${mm(width)}mm`,
	height: `${mm(height)}mm`,
	viewBox: `0 0 ${mm(width)} ${mm(height)}`
});

/** All of a course that is no part of it. */
export function headOf(course: Course): object {
	const isPart = (name: string) => (partNames as string[]).includes(name);
	return Object.fromEntries(Object.entries(course).filter(([name]) => !isPart(name)));
}

/** Numbers for whoever looks at the drawing: what is read back takes no notice of them. */
function numbersLayer(course: Course): string[] {
	const numbers = placedNumbers(course);
	if (numbers.length === 0) return [];
	const style = {
		...{ 'font-family': 'sans-serif', 'font-size': '60', 'font-weight': '600' },
		...{ 'text-anchor': 'middle', fill: ink }
	};
	const texts = numbers.map(({ count, at: [x, y] }) => {
		// Half of a digit's height below its middle.
		const place = { transform: `matrix(1 0 0 -1 ${mm(x)} ${mm(y - 0.021)})` };
		return `\t\t\t<text${attributesText(place)}>${count}</text>`;
	});
	const title = '\t\t\t<title>Numbers</title>';
	return [`\t\t<g id="numbers"${attributesText(style)}>`, title, ...texts, '\t\t</g>'];
}

export function writeSvg(course: Course): string {
	const layers = partNames.flatMap((part) => {
		const values = partsOf(course, part);
		if (values.length === 0) return [];
		const elements = values.map((value, index) => {
			const { name, attributes } = drawn(part, value);
			const own = {
				id: `${part}-${idOfPart(value, index)}`,
				'data-part': part,
				'data-value': JSON.stringify(value)
			};
			return `\t\t\t<${name}${attributesText({ ...own, ...attributes })}/>`;
		});
		const title = `\t\t\t<title>${kindOf(part).layer}</title>`;
		return [`\t\t<g id="${part}">`, title, ...elements, '\t\t</g>'];
	});
	const head = {
		...{ xmlns: 'http://www.w3.org/2000/svg', version: '1.1' },
		...windowOf(course),
		'data-course': JSON.stringify(headOf(course))
	};
	return [
		'<?xml version="1.0" encoding="UTF-8"?>',
		`<svg${attributesText(head)}>`,
		`\t<title>${escaped(course.name)}</title>`,
		`\t<g id="course" transform="${upright(course)}">`,
		...layers,
		...numbersLayer(course),
		'\t</g>',
		'</svg>',
		''
	].join('\n');
}
