/** How near a robot came to anything in a leg. */
import type { Course } from '../course/course';
import { topOfCrate } from '../course/parts/crates';
import { topOfWall } from '../course/parts/walls';
import * as exact from '../exact';
import { robotKindOf } from '../robots/kinds';
import type { Attempt, RobotRun, Span } from '../simulation/attempt';
import { indexAt } from '../simulation/moment';
import { headingOfBearing } from '../units/angles';
import { cornersOfCrate } from '../world/crates';
import { NearClearance } from '../world/near-clearance';
import { outlineAt, radiusOf, type Pose } from '../world/pose';
import { separationOf } from '../world/separation';
import { wallCorners } from '../world/walls';

/** What it came nearest to, and the metres between both outlines, never too much. */
export interface Nearest {
	readonly length: number;
	readonly to: 'wall' | 'crate' | 'robot';
}

/** Something that may move. */
interface Thing {
	readonly to: Nearest['to'];
	readonly outline: readonly (readonly [number, number])[];
	/** Where it is; undefined where it cannot be met at that height. */
	at(time: number, height: number): Pose | undefined;
}

/** Metres up to which two robots may meet though one of them flies. */
const asHigh = 0.12;

/** @returns null where there is nothing */
export function leastRoom(
	run: RobotRun,
	{ start, end }: Pick<Span, 'start' | 'end'>,
	course: Course,
	attempt: Pick<Attempt, 'crates' | 'runs'>
): Nearest | null {
	const { walls } = course;
	const { outline } = robotKindOf(run.robot.kind);
	const radius = radiusOf(outline);
	const clearance = new NearClearance(walls);
	const things = [...cratesOf(course, attempt), ...robotsBeside(run, attempt)].map((thing) => ({
		...thing,
		radius: radiusOf(thing.outline)
	}));
	const { time, x, y, heading, columns } = run.trace;
	let length = Infinity;
	let to: Nearest['to'] = 'wall';
	const meet = (what: Nearest['to'], other: number) => {
		if (other < length) [length, to] = [other, what];
	};
	for (let i = indexAt(time, start); i <= indexAt(time, end); i++) {
		const [east, north] = [x[i]!, y[i]!];
		const height = columns.height?.[i] ?? 0;
		const shape = outlineAt(outline, { x: east, y: north, heading: heading[i]! });
		if (clearance.at(east, north, height) - radius < length)
			for (const wall of walls)
				if (topOfWall(wall) > height) meet('wall', separationOf(shape, wallCorners(wall)));
		for (const thing of things) {
			const pose = thing.at(time[i]!, height);
			if (!pose) continue;
			const between = exact.lengthOf(pose.x - east, pose.y - north);
			if (between - radius - thing.radius >= length) continue;
			meet(thing.to, separationOf(shape, outlineAt(thing.outline, pose)));
		}
	}
	return length < Infinity ? { length, to } : null;
}

const cratesOf = ({ crates }: Course, attempt: Pick<Attempt, 'crates'>): Thing[] =>
	crates.map((crate) => {
		const trace = attempt.crates.find(({ id }) => id === crate.id);
		const [x, y] = crate.at;
		const standing = { x, y, heading: headingOfBearing(crate.bearing) };
		return {
			to: 'crate',
			outline: cornersOfCrate(crate),
			at: (time, height) => {
				if (height >= topOfCrate(crate) || time >= (trace?.fellAt ?? Infinity)) return undefined;
				return trace?.moments.findLast((moment) => moment.time <= time) ?? standing;
			}
		};
	});

const robotsBeside = (run: RobotRun, { runs }: Pick<Attempt, 'runs'>): Thing[] =>
	runs
		.filter(({ id }) => id !== run.id)
		.map(({ robot, trace }) => ({
			to: 'robot',
			outline: robotKindOf(robot.kind).outline,
			at: (time, height) => {
				const i = indexAt(trace.time, time);
				if (Math.abs((trace.columns.height?.[i] ?? 0) - height) > asHigh) return undefined;
				return { x: trace.x[i]!, y: trace.y[i]!, heading: trace.heading[i]! };
			}
		}));
