/** How a kind of robot gets through a course, and a way as a plan that follows it. */
import { flying, takeOffHeight } from '../devices/flying/device';
import { markSensor } from '../devices/markSensor/device';
import { makePlan, planRobot, type Plan, type Step } from '../plan/plan';
import { likewise } from '../robots/instead';
import { canDo, type RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import { initialValues } from '../steps/catalogue';
import { topOfCrate, topOfWall, type Course } from '../course/course';
import { bearingTo, lengthTo, turnBetween } from '../course/measure';
import type { Way } from '../course/way';

/** Metres from a robot's middle to its farthest corner. */
export const radiusOf = ({ outline }: Pick<RobotKind, 'outline'>): number =>
	Math.max(...outline.map(([x, y]) => Math.sqrt(x * x + y * y)));

/** It goes where its rail goes: what looks at marks beside a rail stands on one. */
export const isOnRail = (kind: Pick<RobotKind, 'devices'>): boolean => canDo(kind, [markSensor]);

/** Metres that stay free below what flies. */
const below = 0.2;

/** A course with only what stands in the way of this kind: what flies is above the rest. */
export function asMetBy(kind: Pick<RobotKind, 'devices'>, course: Course): Course {
	if (!canDo(kind, [flying])) return course;
	const isHigh = (top: number) => top > takeOffHeight - below;
	return {
		...course,
		walls: course.walls.filter((wall) => isHigh(topOfWall(wall))),
		crates: course.crates.filter((crate) => isHigh(topOfCrate(crate))),
		table: null
	};
}

/** A part of the top speed at which no robot slides. */
const speed = 0.4;
/** Degrees that are not worth a turn. */
const straight = 0.05;

/** The moves of a way, each as a robot of this kind does it; undefined if it cannot. */
export function planAlong(
	way: Way,
	course: Course,
	kind: RobotKind,
	name: string
): Plan | undefined {
	const moves: { kind: string; values: Step['values'] }[] = [];
	let bearing = course.starts[0]?.bearing ?? 0;
	for (let i = 1; i < way.points.length; i++) {
		const [from, to] = [way.points[i - 1]!, way.points[i]!];
		const next = bearingTo(from, to);
		const turned = turnBetween(bearing, next);
		const angle = Math.round(Math.abs(turned) * 10) / 10;
		if (angle > straight)
			moves.push({
				kind: 'turn',
				values: { ...initialValues('turn'), direction: turned > 0 ? 'right' : 'left', angle }
			});
		// What is rounded off here is turned with the next.
		bearing += angle > straight ? Math.sign(turned) * angle : 0;
		const distance = Math.round(lengthTo(from, to) * 1000) / 1000;
		moves.push({ kind: 'go', values: { ...initialValues('go'), distance, speed } });
	}
	const isFlown = canDo(kind, [flying]);
	const up = isFlown ? [{ kind: 'takeOff', values: {} }] : [];
	const down = isFlown ? [{ kind: 'land', values: {} }] : [];
	const steps: Step[] = [];
	for (const move of [...up, ...moves, ...down]) {
		const own = likewise(kind, move);
		if (own.length === 0) return undefined;
		for (const { kind, values } of own)
			steps.push({
				id: `s${steps.length + 1}`,
				kind,
				values: { ...initialValues(kind), ...values }
			});
	}
	const trigger = { id: 'run', kind: 'whenRunPressed', values: {} };
	return makePlan({
		name,
		robots: [planRobot(sampleRobot(kind))],
		chains: [{ id: 'chain1', trigger, steps }]
	});
}
