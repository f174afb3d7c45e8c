/** The floor's window on the course: metres to pixels, y up. */
import type { Course, Tape, Wall } from '$core/course/course';
import { along, type RailPath } from '$core/course/rails';
import { tapeCorners, onArc } from '$core/course/tape';
import type { Attempt, RecordedPose } from '$core/simulation/attempt';
import { measuresNow } from '$lib/words/measures';

export interface View {
	/** Pixels a metre. */
	readonly scale: number;
	/** Pixel of the course's south-west corner. */
	readonly x: number;
	readonly y: number;
}

/** Pixels that stay free between a course that was moved aside and the edge of the pane. */
const edge = 8;

/** Metres left free around a course that is fitted in. */
const margin = 0.12;

/** Where the shadow of something so high lies, from the point below it: east and north, metres. */
export const shadowOf = (height: number): readonly [number, number] => [
	0.13 * height,
	-0.17 * height
];

/** Shows the whole course in the middle of a pane. */
export function fit(course: Course, width: number, height: number): View {
	const { width: w, height: h } = course.size;
	const scale = Math.max(20, Math.min(width / (w + 2 * margin), height / (h + 2 * margin)));
	return { scale, x: (width - w * scale) / 2, y: (height + h * scale) / 2 };
}

/**
 * The same view moved aside, as far as there is room, for a panel in the lower left corner.
 * @param panel its size with its margins, pixels
 */
export function besidePanel(
	view: View,
	height: number,
	panel: { readonly width: number; readonly height: number }
): View {
	const [spareLeft, spareBelow] = [view.x, height - view.y];
	if (spareLeft >= panel.width || spareBelow >= panel.height) return view;
	// The course is in the middle: there is as much room on the other side.
	const byRight = Math.max(0, Math.min(spareLeft - edge, panel.width - spareLeft));
	const byUp = Math.max(0, Math.min(spareBelow - edge, panel.height - spareBelow));
	const isBetterRight = panel.width - spareLeft - byRight <= panel.height - spareBelow - byUp;
	return isBetterRight ? { ...view, x: view.x + byRight } : { ...view, y: view.y - byUp };
}

/** Where what is said of an attempt lies: below the course, left of it, or at the top of the pane. */
export type NewsPlace = 'below' | 'left' | 'top';

/** Pixels that it needs below a course, with the buttons under it. */
const newsBelow = 124;

/**
 * Room for what is said of an attempt, beside the course as far as there is any.
 *
 * @param height of the pane, pixels
 * @param above pixels that are wanted above the course, if what is said has to stand there
 * @param corner a panel in the lower left corner, where there is one
 * @returns the view, moved down where what is said comes above the course
 */
export function besideNews(
	view: View,
	course: Course,
	{ height, above }: { readonly height: number; readonly above: number },
	corner?: { readonly width: number }
): { readonly view: View; readonly place: NewsPlace } {
	const below = height - view.y;
	if (corner && below >= newsBelow) return { view, place: 'below' };
	if (corner && view.x >= corner.width - edge) return { view, place: 'left' };
	const top = view.y - course.size.height * view.scale;
	const down = Math.max(0, Math.min(above - top, below - edge));
	return { view: { ...view, y: view.y + down }, place: 'top' };
}

/** A round length that is long enough to be seen, in metres. */
export function scaleBar(scale: number): number {
	const { bars } = measuresNow();
	return bars.find((length) => length * scale >= 60) ?? bars.at(-1)!;
}

/** Where the crates of an attempt are at a time; null for one that has fallen off the table. */
export function cratesAt(
	attempt: Attempt | null,
	time: number
): ReadonlyMap<string, RecordedPose | null> {
	const places = attempt?.crates.map(({ id, moments, fellAt }) => {
		const last = moments.findLastIndex((moment) => moment.time <= time);
		return [
			id,
			fellAt !== undefined && time >= fellAt ? null : moments[Math.max(0, last)]!
		] as const;
	});
	return new Map(places);
}

/** The points of a line as a drawing has them, to a tenth of a millimetre. */
export const pathOf = (points: readonly (readonly number[])[]): string =>
	points.map(placed).join(' ');

/** The same of a way that stands as east and north by turns. */
export function lineOfPath(path: Float32Array): string {
	let line = '';
	for (let i = 0; i < path.length; i += 2) line += `${placed([path[i]!, path[i + 1]!])} `;
	return line.trimEnd();
}

function placed([x, y]: readonly number[]): string {
	return `${x!.toFixed(4)},${y!.toFixed(4)}`;
}

interface WallPath extends Pick<Wall, 'thickness' | 'height'> {
	readonly d: string;
}

/** All walls that are as thick and as high as each other in one path: a course may have thousands. */
export function wallPaths(walls: readonly Wall[]): WallPath[] {
	const paths = new Map<string, WallPath>();
	for (const { from, to, thickness, height } of walls) {
		const key = `${thickness} ${height}`;
		const d = `${paths.get(key)?.d ?? ''}M${pathOf([from, to])}`;
		paths.set(key, { d, thickness, height });
	}
	return [...paths.values()];
}

/** An arc of SVG from where the pen is. Its y points up: what turns to the left is positive. */
function arcTo(radius: number, turned: number, to: readonly number[]): string {
	const told = radius.toFixed(4);
	return `A${told},${told} 0 0 ${turned > 0 ? 1 : 0} ${placed(to)}`;
}

/** The middle line of a tape: a straight and an arc for each corner, however it is rounded. */
export function tapePath(tape: Tape): string {
	const ways = tapeCorners(tape).map((corner) =>
		'centre' in corner
			? `${placed(corner.from)}${arcTo(corner.radius, corner.turned, onArc(corner, 1, 1))}`
			: placed(corner)
	);
	return `M${ways.join('L')}${tape.isClosed ? 'Z' : ''}`;
}

/** The middle line of a rail: a curve in arcs that are no more than half of a circle. */
export function railPath(rail: RailPath): string {
	const ways = rail.parts.map((piece) => {
		const { length, curvature } = piece;
		const placeAt = (way: number) => {
			const { x, y } = along(piece, way);
			return [x, y];
		};
		if (curvature === 0) return `L${placed(placeAt(length))}`;
		const count = Math.ceil(Math.abs(length * curvature) / 2);
		return Array.from({ length: count }, (_, i) =>
			arcTo(1 / Math.abs(curvature), curvature, placeAt((length * (i + 1)) / count))
		).join('');
	});
	const { x, y } = rail.at(0);
	return `M${placed([x, y])}${ways.join('')}`;
}
