/** Where the numbers of legs stand on the floor, so that none lies on another. Pixels, y downwards. */
import { meet, type Box } from '$core/world/box';

export interface LegEnd {
	readonly x: number;
	readonly y: number;
	readonly number: number;
	readonly stepId: string;
}

export interface Label {
	/** Where the leg ends. */
	readonly x: number;
	readonly y: number;
	readonly stepId: string;
	/** Numbers of all legs that end here. */
	readonly text: string;
	readonly width: number;
	/** The middle of its box, from the end of the leg; null where there is no room for it. */
	readonly at: { readonly x: number; readonly y: number } | null;
}

/** Ends so near each other share a label. */
const same = 14;
const height = 20;
const letterWidth = 7.2;
/** Kept free around a box. */
const gap = 2;
/** The rounds of a loop end alike: within so much of a label, its text is not said again. */
const again = 120;

/** Beside the end, where there is room first: right above it, then around it. */
const sides = [
	[1, -1],
	[-1, -1],
	[1, 1],
	[-1, 1]
] as const;
/** Around a robot that stands there: to its right, left, above it and below. */
const around = [
	[1, 0],
	[-1, 0],
	[0, -1],
	[0, 1]
] as const;

/** A robot, and pixels around its middle that it covers. */
export interface LabelledRobot {
	readonly x: number;
	readonly y: number;
	readonly radius: number;
}

/** Whether a box lies on a robot. */
function covers([left, top, right, bottom]: Box, { x, y, radius }: LabelledRobot): boolean {
	const [dx, dy] = [Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom)];
	return dx * dx + dy * dy < radius * radius;
}

/** @param robots where robots stand: no number lies on them */
export function placeLabels(
	ends: readonly LegEnd[],
	robots: readonly LabelledRobot[] = []
): Label[] {
	const groups: { first: LegEnd; numbers: number[] }[] = [];
	for (const end of ends) {
		const near = groups.find(({ first }) => Math.hypot(first.x - end.x, first.y - end.y) < same);
		if (!near) groups.push({ first: end, numbers: [end.number] });
		else if (!near.numbers.includes(end.number)) near.numbers.push(end.number);
	}
	const taken: Box[] = [];
	const said: { readonly text: string; readonly x: number; readonly y: number }[] = [];
	return groups.map(({ first: { x, y, stepId }, numbers }) => {
		const text = numbers.join(' · ');
		const width = 12 + text.length * letterWidth;
		const beside = sides.map(([right, down]) => ({
			x: right * (width / 2 + 3),
			y: down * (height / 2 + 4)
		}));
		// Clear of the robot that stands here, wherever in it this leg ended.
		const clear = robots
			.filter((robot) => Math.hypot(robot.x - x, robot.y - y) < robot.radius + width)
			.flatMap((robot) =>
				around.map(([right, down]) => ({
					x: robot.x - x + right * (robot.radius + width / 2 + 4),
					y: robot.y - y + down * (robot.radius + height / 2 + 4)
				}))
			);
		const boxes = [...beside, ...clear].map((at) => {
			const left = x + at.x - width / 2 - gap;
			const top = y + at.y - height / 2 - gap;
			const box: Box = [left, top, left + width + 2 * gap, top + height + 2 * gap];
			return { at, box };
		});
		const isSaid = said.some(
			(other) => other.text === text && Math.hypot(other.x - x, other.y - y) < again
		);
		const free = isSaid
			? undefined
			: boxes.find(
					({ box }) =>
						!taken.some((other) => meet(box, other)) && !robots.some((robot) => covers(box, robot))
				);
		if (free) {
			taken.push(free.box);
			said.push({ text, x, y });
		}
		return { x, y, stepId, text, width, at: free?.at ?? null };
	});
}
