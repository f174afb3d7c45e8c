/** What is odd about a course, for a kind of robot: in words, with a repair where there is one. */
import { flying } from '../devices/flying/device';
import { asMetBy, reachOf } from '../analysis/par';
import type { Course, Part } from '../course/course';
import { changing, type CourseEdit } from '../course/editing/edits';
import { boundsOf, clearanceBetween, middleOf, type Bounds } from '../course/extent';
import { isInside, lengthTo, type Point } from '../course/measure';
import { tidy, tidyPoint } from '../course/motions';
import { coverOf, find, placedParts, type PartRef } from '../course/parts';
import { RailPath } from '../course/rails';
import { Net } from '../course/search/net';
import { shortestWay } from '../course/search/way';
import { canDo, type RobotKind } from '../robots/robot';
import type { Sentence } from '../sentence';

export interface CourseProblem {
	/** The parts that it is about; none for the whole course. */
	readonly refs: readonly PartRef[];
	readonly sentence: Sentence;
	readonly repair?: { readonly key: string; readonly edit: CourseEdit };
}

type Checked = readonly CourseProblem[];

/** @param kind the robot that is to find its way there */
export const checkCourse = (course: Course, kind: RobotKind): CourseProblem[] => {
	const radius = reachOf(kind);
	const met = asMetBy(kind, course);
	return [
		...lacking(course, kind),
		...starts(course, radius),
		...(kind.isOnRail ? [] : [...reachable(met, radius), ...gaps(met, 2 * radius)]),
		...rails(course),
		...(canDo(kind, [flying]) ? gates(course) : []),
		...tapes(course),
		...beyond(course)
	];
};

const problem = (
	key: string,
	refs: readonly PartRef[],
	values: Sentence['values'] = {},
	repair?: CourseProblem['repair']
): CourseProblem => ({
	...{ refs, sentence: { key: `courseCheck.${key}`, values } },
	...(repair && { repair })
});

/** What every course for this kind has to have. */
function lacking(course: Course, kind: RobotKind): Checked {
	const lack = kind.course?.lacks(course);
	return lack ? [{ refs: [], sentence: { key: `check.${lack}` } }] : [];
}

/** Metres around a place that are searched for one with room. */
const moveReach = 1;

function starts(course: Course, radius: number): Checked {
	const { size } = course;
	if (course.starts.length === 0) {
		const at: Point = [size.width / 2, Math.min(0.25, size.height / 2)];
		const room = new Net(course, { radius });
		const free = room.freeNear(at, Math.max(size.width, size.height));
		const value = { at: tidyPoint(free < 0 ? at : room.pointOf(free)), bearing: 0 };
		const edit: CourseEdit = { type: 'add', part: 'starts', index: 0, value };
		return [problem('noStart', [], {}, { key: 'courseRepair.addStart', edit })];
	}
	const room = new Net(course, { radius });
	return course.starts.flatMap((start, index) => {
		if (room.isFree(room.indexOf(start.at))) return [];
		const ref = { part: 'starts', id: String(index + 1) } as const;
		const free = room.freeNear(start.at, moveReach);
		const values = { number: index + 1 };
		if (free < 0) return [problem('startTaken', [ref], values)];
		const edit = changing(ref, { ...start, at: tidyPoint(room.pointOf(free)) });
		return [problem('startTaken', [ref], values, { key: 'courseRepair.moveStart', edit })];
	});
}

/** The finish, and lamp posts and gates in their order, as far as they have to be reached. */
function reachable(course: Course, radius: number): Checked {
	const way = shortestWay(course, { radius });
	if (!way || 'points' in way) return [];
	const walledIn = (key: string, part: 'lampPosts' | 'gates') =>
		course[part].map(({ id }, i) => problem(key, [{ part, id }], { number: i + 1 }));
	// As a way leads over them.
	const ordered = course.isInOrder
		? [...walledIn('postWalledIn', 'lampPosts'), ...walledIn('gateWalledIn', 'gates')]
		: [];
	return [ordered[way.unreached] ?? problem('finishWalledIn', [{ part: 'finish', id: '1' }])];
}

/** Metres: what is nearer is meant to be joined. */
const joined = 0.012;
/** More pairs than these are not worth saying. */
const mostGaps = 20;

/** Gaps between walls and crates that look like ways. @param needed metres, to pass and to turn */
function gaps(course: Course, needed: number): Checked {
	const solid = placedParts(course)
		.filter(({ ref: { part } }) => part === 'walls' || part === 'crates')
		.map(({ ref, value }) => {
			const extent = coverOf(ref.part, value);
			return { ref, extent, box: boundsOf(extent) };
		})
		.toSorted((a, b) => a.box.west - b.box.west);
	const found: CourseProblem[] = [];
	for (let i = 0; i < solid.length && found.length < mostGaps; i++)
		for (let j = i + 1; j < solid.length; j++) {
			const [one, other] = [solid[i]!, solid[j]!];
			// Those after it begin farther east still.
			if (other.box.west - one.box.east >= needed) break;
			if (areApart(one.box, other.box, needed)) continue;
			const gap = clearanceBetween(one.extent, other.extent);
			if (gap <= joined || gap >= needed) continue;
			const values = { gap: centimetres(gap), needed: centimetres(needed) };
			found.push(
				problem('narrow', [one.ref, other.ref], values, apart(course, one, other, gap, needed))
			);
		}
	return found;
}

const centimetres = (metres: number): number => Math.round(metres * 1000) / 10;

const areApart = (one: Bounds, other: Bounds, by: number): boolean =>
	one.north + by <= other.south || other.north + by <= one.south;

interface Solid {
	readonly ref: PartRef;
	readonly box: Bounds;
}

/** A crate, or else the later part, moves away from the other until one can pass. */
function apart(
	course: Course,
	one: Solid,
	other: Solid,
	gap: number,
	needed: number
): CourseProblem['repair'] {
	const [moving, still] = one.ref.part === 'crates' ? [one, other] : [other, one];
	if (moving.ref.part !== 'crates') return undefined;
	const crate = find(course, moving.ref) as Part<'crates'>;
	const [mx, my] = middleOf(moving.box);
	const [sx, sy] = nearestIn(still.box, [mx, my]);
	const away = lengthTo([sx, sy], [mx, my]);
	if (away === 0) return undefined;
	const by = (needed + 0.02 - gap) / away;
	const at = tidyPoint([crate.at[0] + (mx - sx) * by, crate.at[1] + (my - sy) * by]);
	return { key: 'courseRepair.moveCrate', edit: changing(moving.ref, { ...crate, at }) };
}

const nearestIn = ({ west, south, east, north }: Bounds, [x, y]: Point): Point => [
	Math.max(west, Math.min(east, x)),
	Math.max(south, Math.min(north, y))
];

/** Metres within which the end of a rail seems to be meant to meet its start. */
const meant = 0.12;

function rails(course: Course): Checked {
	return course.rails.flatMap((rail) => {
		if (rail.isClosed) return [];
		const path = new RailPath(rail);
		const end = path.end;
		const away = lengthTo([end.x, end.y], rail.at);
		if (rail.pieces.length < 3 || away > meant) return [];
		const ref = { part: 'rails', id: rail.id } as const;
		const repair = path.doesMeetItself
			? { key: 'courseRepair.closeRail', edit: changing(ref, { ...rail, isClosed: true }) }
			: undefined;
		return [problem('railOpen', [ref], { away: centimetres(away) }, repair)];
	});
}

/** Metres: what something that flies needs of a door, and below a ring. */
const leastDoor = 0.35;
const leastUnderRing = 0.12;

function gates(course: Course): Checked {
	return course.gates.flatMap((gate) => {
		const ref = { part: 'gates', id: gate.id } as const;
		const top = gate.shape === 'ring' ? gate.height + gate.width / 2 : gate.height;
		const least = gate.shape === 'ring' ? gate.width / 2 + leastUnderRing : leastDoor;
		const put = (height: number, key: string) => ({
			...{ key, edit: changing(ref, { ...gate, height: tidy(height) }) }
		});
		if (gate.height < least)
			return [problem('gateLow', [ref], {}, put(least, 'courseRepair.raiseGate'))];
		if (top > course.ceiling) {
			const lower = course.ceiling - (top - gate.height);
			const repair = lower >= least ? put(lower, 'courseRepair.lowerGate') : undefined;
			return [problem('gateHigh', [ref], {}, repair)];
		}
		return [];
	});
}

function tapes(course: Course): Checked {
	const { table } = course;
	if (!table) return [];
	return course.tapes
		.filter(({ points }) => points.some((point) => !isInside(table, ...point)))
		.map(({ id }) => problem('tapeOffTable', [{ part: 'tapes', id }]));
}

/** Metres by which something may reach over the edge of the floor, such as half of a wall. */
const overhang = 0.06;
const largest = 20;

/** Parts that lie off the floor. */
function beyond(course: Course): Checked {
	const { width, height } = course.size;
	const boxes = placedParts(course).map(({ ref, value }) => ({
		ref,
		box: boundsOf(coverOf(ref.part, value))
	}));
	const off = boxes.filter(
		({ ref, box }) =>
			ref.part !== 'lampPosts' &&
			(box.west < -overhang ||
				box.south < -overhang ||
				box.east > width + overhang ||
				box.north > height + overhang)
	);
	if (off.length === 0) return [];
	const refs = off.map(({ ref }) => ref);
	const east = Math.max(width, ...off.map(({ box }) => box.east));
	const north = Math.max(height, ...off.map(({ box }) => box.north));
	const fits =
		east <= largest &&
		north <= largest &&
		off.every(({ box }) => box.west >= -overhang && box.south >= -overhang);
	const up = (metres: number) => Math.ceil(metres * 10 - 1e-6) / 10;
	const size = { width: up(east), height: up(north) };
	const repair = fits
		? { key: 'courseRepair.widen', edit: { type: 'set', field: 'size', value: size } as CourseEdit }
		: undefined;
	return [problem('offFloor', refs, { count: refs.length }, repair)];
}
