/** How a kind of robot gets through a course, and a way as a plan that follows it. */
import { flying, takeOffHeight } from '../devices/flying/device';
import { markSensor } from '../devices/markSensor/device';
import { makePlan, planRobot, type Plan, type Step } from '../plan/plan';
import { likewise } from '../robots/instead';
import { canDo, type Doing, type RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import { simulate } from '../simulation/simulate';
import { initialValues } from '../steps/catalogue';
import { topOfCrate, topOfWall, type Course, type Gate } from '../course/course';
import { bearingTo, lengthTo, turnBetween } from '../course/measure';
import { shortestWay, type Way } from '../course/way';

/** Metres from a robot's middle to its farthest corner. */
export const radiusOf = ({ outline }: Pick<RobotKind, 'outline'>): number =>
	Math.max(...outline.map(([x, y]) => Math.sqrt(x * x + y * y)));

/** It goes where its rail goes: what looks at marks beside a rail stands on one. */
export const isOnRail = (kind: Pick<RobotKind, 'devices'>): boolean => canDo(kind, [markSensor]);

/** Metres that stay free below what flies. */
const below = 0.2;

/**
 * A course with only what stands in the way of this kind, and what it can pass: what flies is above
 * the rest, and gates are for nothing else.
 */
export function asMetBy(kind: Pick<RobotKind, 'devices'>, course: Course): Course {
	if (!canDo(kind, [flying])) return { ...course, gates: [] };
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
/** Degrees that are not worth a turn, and metres that are not worth a climb. */
const straight = 0.05;
const level = 0.05;

/** Metres that stay free above what flies, under the top of a door. */
const above = 0.2;

/** How high something that flies at some height comes through a gate. Metres. */
const heightIn = ({ shape, height }: Gate, now: number): number =>
	shape === 'ring' ? height : Math.min(now, Math.max(height / 2, height - above));

/** The moves of a way, each as a robot of this kind does it; undefined if it cannot. */
export function planAlong(
	way: Way,
	course: Course,
	kind: RobotKind,
	name: string
): Plan | undefined {
	const moves: Doing[] = [];
	const go = (distance: number, direction = 'forward') =>
		moves.push({
			kind: 'go',
			values: {
				...initialValues('go'),
				direction,
				distance: Math.round(distance * 1000) / 1000,
				speed
			}
		});
	let height = takeOffHeight;
	const climb = (to: number) => {
		if (Math.abs(to - height) < level) return;
		go(Math.abs(to - height), to > height ? 'up' : 'down');
		height = to;
	};
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
		const gate = way.gates[i];
		if (gate) climb(heightIn(gate, height));
		go(lengthTo(from, to));
		// Above what it was sought to be above.
		if (gate) climb(Math.max(height, takeOffHeight));
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

/** A way, as it is asked for. */
export interface Found {
	readonly way: Way;
	/** A plan that follows it; undefined where the robot cannot turn and go. */
	readonly plan: Plan | undefined;
	/** Seconds that the robot takes for it without any error; undefined if it does not get there. */
	readonly par: number | undefined;
}

/**
 * The shortest way for this kind, and its par.
 * @param isTapeWall it must not cross tapes either
 * @param name of the plan
 * @returns null where there is no way
 */
export function findWay(
	course: Course,
	kind: RobotKind,
	isTapeWall: boolean,
	name: string
): Found | null {
	const met = asMetBy(kind, course);
	const way = shortestWay(met, { radius: radiusOf(kind), isTapeWall });
	if (!way || !('points' in way)) return null;
	const plan = planAlong(way, course, kind, name);
	const outcome = plan && simulate({ plan, course, variation: 'ideal', seed: 1 }).outcome;
	const due = met.isInOrder ? met.lampPosts.length + met.gates.length : 0;
	const isDone =
		outcome && outcome.lampPosts.length >= due && (outcome.reachedFinish || !course.finish);
	return { way, plan, par: isDone ? outcome.seconds : undefined };
}
