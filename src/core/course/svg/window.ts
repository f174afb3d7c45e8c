/** Windows of a drawing: how large it is, and how its own units lie in those around it. */
import { unchanged, type Matrix } from './matrix';
import { Unreadable, number, millimetresOf } from './numbers';
import type { Element } from './xml';

function boxOf(element: Element): readonly [number, number, number, number] | undefined {
	const text = element.attributes.viewBox;
	if (text === undefined) return undefined;
	const list = text
		.trim()
		.split(/[\s,]+/)
		.map(Number);
	const [x, y, w, h] = list as [number, number, number, number];
	if (list.length !== 4 || !list.every(Number.isFinite) || !(w > 0 && h > 0))
		throw new Unreadable('svg.viewBox', { found: text.slice(0, 30) });
	return [x, y, w, h];
}

/** From the root's own units to millimetres. */
export function window(root: Element): { matrix: Matrix; width: number; height: number } {
	const box = boxOf(root);
	const isShare = (name: string) => /%\s*$/.test(root.attributes[name] ?? '%');
	const pixel = millimetresOf['']!;
	const width = (isShare('width') ? (box?.[2] ?? 0) : number(root, 'width')) * pixel;
	const height = (isShare('height') ? (box?.[3] ?? 0) : number(root, 'height')) * pixel;
	if (!box) return { matrix: [pixel, 0, 0, pixel, 0, 0], width, height };
	return { matrix: fitted(box, width, height, root.attributes.preserveAspectRatio), width, height };
}

/** Of an inner window, in the units around it. */
export function inner(element: Element): Matrix {
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
