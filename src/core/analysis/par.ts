/** A way as a plan that follows it. */
import { makePlan, planRobot, type Plan, type Step } from '../plan/plan';
import { likewise } from '../robots/instead';
import type { RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import { initialValues } from '../steps/catalogue';
import type { Course } from '../course/course';
import { bearingTo, lengthTo, turnBetween } from '../course/measure';
import type { Way } from '../course/way';

/** Metres from a robot's middle to its farthest corner. */
export const radiusOf = ({ outline }: Pick<RobotKind, 'outline'>): number =>
	Math.max(...outline.map(([x, y]) => Math.sqrt(x * x + y * y)));

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
	const steps: Step[] = [];
	for (const move of moves) {
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
