/** Where the letters of laid attempts stand: beside where each ends, none on a robot or on another. */

import type { Attempt, RobotRun } from '$core/simulation/attempt';

interface Place {
	/** Metres. */
	readonly x: number;
	readonly y: number;
}

/** Metres from the end of a trace to its letter: past a robot that stands there. */
const beside = 0.11;
/** Radians from one letter to the next, where attempts end at one place; ways around, until it is where it was. */
const fan = 0.63;
const around = 10;
/** By how much further a letter goes with each time around. */
const further = 0.6;
const rings = 3;
/** Pixels from the middle of a letter to that of another one, at least. */
const apart = 22;

/**
 * @param ends of traces, each with the number of its letter @param standing robots of the attempt below
 * @param scale pixels a metre @returns metres from each end to its letter
 */
export function placeLetters(
	ends: readonly (Place & { readonly letter: number })[],
	standing: readonly Place[],
	scale: number
): Place[] {
	const taken: Place[] = [];
	const isNear = (one: Place, other: Place, distance: number) =>
		Math.hypot(one.x - other.x, one.y - other.y) < distance;
	return ends.map(({ letter, x, y }) => {
		const ways = Array.from({ length: rings * around }, (_, turn) => {
			const angle = 0.8 + (letter + turn) * fan;
			const far = beside * (1 + further * Math.floor(turn / around));
			return { x: far * Math.cos(angle), y: far * Math.sin(angle) };
		});
		const isFree = (way: Place) => {
			const at = { x: x + way.x, y: y + way.y };
			return (
				!standing.some((robot) => isNear(robot, at, beside)) &&
				!taken.some((other) => isNear(other, at, apart / scale))
			);
		};
		const way = ways.find(isFree) ?? ways[0]!;
		taken.push({ x: x + way.x, y: y + way.y });
		return way;
	});
}

/** One that lies over the attempt on the floor, with its letter. */
export interface Lettered {
	readonly id: string;
	readonly letter: string;
	readonly attempt: Attempt;
}

const endOf = ({ trace }: RobotRun): Place => ({ x: trace.x.at(-1)!, y: trace.y.at(-1)! });

/** From 0 on. */
export const numberOf = (letter: string): number => letter.charCodeAt(0) - 'A'.charCodeAt(0);

/** Of each robot of each of them: where it ended, and where its letter stands, metres. */
export function lettersOf(laid: readonly Lettered[], shown: Attempt | null, scale: number) {
	const ends = laid.flatMap(({ id, letter, attempt }) =>
		attempt.runs.map((run) => ({ key: `${id} ${run.id}`, letter, ...endOf(run) }))
	);
	const numbered = ends.map(({ letter, x, y }) => ({ letter: numberOf(letter), x, y }));
	const ways = placeLetters(numbered, shown?.runs.map(endOf) ?? [], scale);
	return ends.map((end, i) => ({ ...end, at: { x: end.x + ways[i]!.x, y: end.y + ways[i]!.y } }));
}
