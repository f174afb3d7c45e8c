/** Worlds full of things to run into, with robots of any kind that drive about in them. */
import { makeCourse, type Course } from '../course/course';
import { flying } from '../devices/flying/device';
import { turning } from '../devices/turning/device';
import { wheelsDevice } from '../devices/wheels/device';
import { planRobot, type PlanRobot, type Step } from '../plan/plan';
import { Random } from '../random/random';
import { robotKinds } from '../robots/kinds';
import { canDo, variations, type RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import type { Rehearsal } from '../simulation/simulate';
import { planOf, fullStep as step, trigger, wait, wall } from './sample';

/** Metres: the floor is a square. */
const size = 3;

export function randomWorld(seed: number): Rehearsal {
	const chance = new Random(seed);
	const between = (least: number, most: number) => chance.between(least, most);
	const count = (most: number) => Math.floor(between(0, most + 1));
	const place = (): [number, number] => [between(0.2, size - 0.2), between(0.2, size - 0.2)];
	const isSo = (odds: number) => between(0, 1) < odds;

	const kinds = Array.from({ length: 1 + count(2) }, () => robotKinds[count(6)]!);
	const rail = {
		...{ id: 'rail', at: place(), bearing: 90, isClosed: false, marks: [] },
		pieces: [
			{ length: between(0.5, 1) },
			{ radius: between(0.3, 0.6), angle: between(-90, 90) },
			{ length: between(0.2, 1) }
		]
	};
	const walls: Course['walls'] = Array.from({ length: count(5) }, () => {
		const [x, y] = place();
		const [dx, dy] = [between(-1, 1), between(-1, 1)];
		return wall([x, y], [x + dx, y + dy], between(0.005, 0.05));
	});
	const crates: Course['crates'] = Array.from({ length: count(6) }, (_, i) => ({
		...{ id: `k${i}`, at: place(), bearing: between(0, 360) },
		...{ width: between(0.04, 0.3), depth: between(0.04, 0.3), mass: between(0.05, 2) }
	}));
	const starts: Course['starts'] = kinds.map(({ isOnRail }) =>
		isOnRail
			? { at: [rail.at[0] + between(0.1, 0.4), rail.at[1]], bearing: 90 }
			: { at: place(), bearing: between(0, 360) }
	);

	const stepsFor = (kind: RobotKind): Step[] => {
		const canReverse = kind.kind !== 'face';
		const power = () => between(0.3, 1);
		const leg = (): Step[] => {
			const direction = canReverse && isSo(0.3) ? 'back' : 'forward';
			const ahead = [step('start', { direction, speed: power() }), wait(between(0.2, 2.5))];
			if (isSo(0.5)) return ahead;
			if (canDo(kind, [turning])) return [...ahead, step('turn', { angle: between(-170, 170) })];
			if (!canDo(kind, [wheelsDevice])) return ahead;
			return [...ahead, step('wheels', { left: power(), right: -power() }), wait(0.6)];
		};
		const legs = [leg(), leg(), leg(), leg()].flat();
		return canDo(kind, [flying]) ? [step('takeOff'), ...legs] : legs;
	};

	const robots: PlanRobot[] = [];
	for (const kind of kinds) robots.push(planRobot(sampleRobot(kind), robots));
	const chains = kinds.map((kind, i) => ({
		...{ id: `chain${i}`, trigger: trigger(), steps: stepsFor(kind), robot: robots[i]!.id }
	}));
	return {
		plan: { ...planOf([]), robots, chains },
		course: makeCourse({
			...{ name: 'The net loft', size: { width: size, height: size } },
			...{ starts, walls, crates, rails: [rail] }
		}),
		...{ variation: variations[seed % variations.length]!, seed, limit: 15 }
	};
}
