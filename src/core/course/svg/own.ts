/** Reads back a course that was written as a drawing, wherever its parts lie by now. */
import { checkDocument, parseJson } from '../../document';
import { failure, success, type Result } from '../../sentence';
import { courseFormat, type Course, type Part, type PartName } from '../course';
import type { Point } from '../measure';
import { boundsOf, middleOf } from '../extent';
import { tidy, tidyBearing, tidyPoint } from '../motions';
import { kindOf, partNames } from '../parts';
import { bearingTo, lengthTo } from '../measure';
import type { VectorDrawing, Shape } from './shapes';
import { drawn, upright, windowOf } from './write';

export const isOwn = ({ root }: VectorDrawing): boolean =>
	root.attributes['data-course'] !== undefined;

export function readOwn(drawing: VectorDrawing): Result<Course> {
	const head = parseJson(drawing.root.attributes['data-course']!);
	if (!head.ok) return head;
	if (typeof head.value !== 'object' || head.value === null)
		return failure('svg.part', { id: 'svg' });
	const lists: Partial<Record<PartName, Part[]>> = {};
	const seen = new Set<object>();
	const plain = plainIn(drawing, head.value as Course);
	for (const shape of drawing.shapes) {
		const { element } = shape;
		const part = element.attributes['data-part'] as PartName | undefined;
		// A copy of one element has the same text in it, but is another part.
		if (!part || !(partNames as string[]).includes(part) || seen.has(element)) continue;
		seen.add(element);
		const value = readPart(shape, part, plain(shape, part));
		if (!value.ok) return value;
		(lists[part] ??= []).push(value.value);
	}
	const course: Record<string, unknown> = { ...head.value };
	for (const part of partNames) {
		const list = lists[part] ?? [];
		course[part] = part === 'finish' || part === 'table' ? (list[0] ?? null) : list;
	}
	// Copies that were made in a drawing program have the ids of what they are copies of: it mends that.
	return checkDocument(course, courseFormat);
}

/** Whether a shape lies just where it was written. */
function plainIn({ root }: VectorDrawing, head: Course) {
	const isSized = typeof head.size?.width === 'number' && typeof head.size.height === 'number';
	const window = isSized ? Object.entries(windowOf(head)) : [];
	const isPlain = isSized && window.every(([name, value]) => root.attributes[name] === value);
	const whole = isSized ? upright(head) : '';
	return ({ element, transforms }: Shape, part: PartName) =>
		(value: Part): boolean => {
			if (!isPlain || transforms.length !== 1 || transforms[0] !== whole) return false;
			const written = drawn(part, value);
			return (
				written.name === element.name &&
				Object.entries(written.attributes).every(
					([name, text]) => element.attributes[name] === text
				)
			);
		};
}

function readPart(shape: Shape, part: PartName, isUnmoved: (value: Part) => boolean): Result<Part> {
	const id = (shape.element.attributes.id ?? part).slice(0, 40);
	const read = parseJson(shape.element.attributes['data-value'] ?? '');
	const checked = read.ok ? kindOf(part).schema.safeParse(read.value) : undefined;
	if (!checked?.success) return failure('svg.part', { id });
	const value = checked.data as Part;
	if (isUnmoved(value)) return success(value);
	const moved = kindOf(part).schema.safeParse(asDrawn(part, value, shape));
	return moved.success ? success(moved.data as Part) : failure('svg.part', { id });
}

/** What was written, where and as large as it is drawn now. */
function asDrawn(part: PartName, value: Part, { points }: Shape): Part {
	const own = points.map(tidyPoint);
	const [first, second] = own as unknown as [Point, Point];
	const box = boundsOf({ line: points, half: 0, isFilled: false });
	const at = tidyPoint(middleOf(box));
	const radius = tidy((box.east - box.west) / 2);
	const { pull, withPoints, extent } = kindOf(part);
	// A circle.
	if (pull && extent(value).line.length === 1) return { ...value, at, [pull]: radius } as Part;
	switch (part) {
		case 'gates':
			return {
				...value,
				at,
				bearing: tidyBearing(bearingTo(first, second) + 90),
				width: tidy(lengthTo(first, second))
			} as Part;
		case 'crates':
			return {
				...value,
				at,
				// Its corners are written from the front on the left, counter-clockwise.
				bearing: tidyBearing(bearingTo(points[1]!, points[0]!)),
				depth: tidy(lengthTo(points[0]!, points[1]!)),
				width: tidy(lengthTo(points[1]!, points[2]!))
			} as Part;
		case 'starts':
			return {
				...value,
				at: first,
				bearing: tidyBearing(bearingTo(points[0]!, points[1]!))
			} as Part;
		case 'rails':
			return {
				...value,
				at: first,
				bearing: tidyBearing(bearingTo(points[0]!, points[1]!))
			} as Part;
		case 'tapes':
			return tapeAsDrawn(value as Part<'tapes'>, own);
		default:
			return withPoints(value, own);
	}
}

/** Corners that were rounded have become part of the line. */
function tapeAsDrawn(tape: Part<'tapes'>, points: readonly [number, number][]): Part {
	const isRepeated = tape.isClosed && lengthTo(points[0]!, points.at(-1)!) < 1e-3;
	const line = isRepeated ? points.slice(0, -1) : points;
	return {
		...tape,
		points: [...line],
		...(tape.radius > 0 && line.length !== tape.points.length && { radius: 0 })
	};
}
