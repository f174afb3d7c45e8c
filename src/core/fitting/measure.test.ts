import { describe, expect, it } from 'vitest';
import { planSchema } from '../plan/plan';
import { robotKinds } from '../robots/kinds';
import { modelOf } from '../robots/models';
import { sampleRobot } from '../robots/robot-document';
import { simulate } from '../simulation/simulate';
import { planRobot } from '../plan/plan';
import { fitRobot } from './fit';
import { measuredMoves, speedLineOf, type Measure } from './line';
import { figureIn, kindsFor, planOfMeasure, runOf } from './measure';
import { moveFloor } from './moves';
import { usual } from './unknowns';
import type { ParameterValues } from '../robots/parameter';
import type { PlanRobot } from '../plan/plan';

const sample = (name: string) =>
	planRobot(sampleRobot(robotKinds.find(({ kind }) => kind === name)!));
const [skiff, drone] = [sample('skiff'), sample('drone')];
const measure = (more: Partial<Measure>): Measure => ({
	...{ kind: 'goFor', speed: 0.5, amount: 2, value: 0.4, battery: null, at: 1 },
	...more
});

describe('the line through what was measured', () => {
	it('needs two powers, and goes through both', () => {
		const [slow, fast] = [
			measure({ speed: 0.2, value: 0.12 }),
			measure({ speed: 0.6, value: 0.52 })
		];
		expect(speedLineOf([slow, slow], false)).toBeUndefined();
		const line = speedLineOf([slow, fast, measure({ kind: 'turnFor', speed: 0.3 })], false)!;
		// (0.26 - 0.06) m/s for 40 % more; 0.06 m/s at 20 %.
		expect(line.slope).toBeCloseTo(0.5, 9);
		expect(line.offset).toBeCloseTo(-0.04, 9);
		expect(line.deadZone).toBeCloseTo(0.08, 9);
		expect(line).toMatchObject({ scatter: null, powers: [0.2, 0.6], batteries: null });
	});

	it('says how far measures lie about it, and at which battery', () => {
		const off = [0.01, -0.02, 0.01];
		const points = [0.2, 0.4, 0.6].map((speed, i) =>
			measure({ speed, amount: 1, value: 0.5 * speed + off[i]!, battery: 0.9 - 0.1 * i })
		);
		const line = speedLineOf(points, false)!;
		expect(line.slope).toBeCloseTo(0.5, 9);
		// Three points leave one figure: the root of the squares.
		expect(line.scatter).toBeCloseTo(Math.sqrt(0.0006), 9);
		expect(line.batteries).toEqual([0.7, 0.9]);
	});
});

it.each(robotKinds.map((kind) => [kind.kind, kind] as const))(
	'each move that a %s can make alone is a plan, and moves it',
	(_, robotKind) => {
		const robot = planRobot(sampleRobot(robotKind));
		const kinds = kindsFor(robot);
		expect(kinds.length).toBeGreaterThan(0);
		for (const each of kinds) {
			const told = {
				kind: each,
				speed: measuredMoves[each].hasSpeed ? 0.5 : null,
				amount: measuredMoves[each].usual
			};
			const plan = planOfMeasure(robot, told);
			expect(planSchema.safeParse(plan).success).toBe(true);
			const course = moveFloor(robotKind.isOnRail === true);
			const did = figureIn(simulate({ plan, course, variation: 'ideal', seed: 1 }), each);
			expect(did, each).toBeGreaterThan(0.05);
			if (each === 'turn') expect(did).toBeCloseTo(90, -0.5);
			if (each === 'rise') expect(did).toBeCloseTo(0.5, 1);
		}
	}
);

/** What such a robot makes of a move alone, as a hand measures it. */
function measuredOf(robot: PlanRobot, like: ParameterValues, told: Omit<Measure, 'value' | 'at'>) {
	const attempt = simulate({
		plan: planOfMeasure({ ...robot, id: 'robot1' }, told),
		course: moveFloor(false),
		variation: 'classroom',
		seed: 1,
		parameters: { robot1: like }
	});
	return runOf(robot, measure({ ...told, value: figureIn(attempt, told.kind) }));
}

it('a robot is found out from what was measured of its moves', () => {
	const list = modelOf('skiff').parameters;
	const like = { ...usual(list, 'classroom'), battery: 0.8, topSpeed: 0.46 };
	const runs = [0.3, 0.9, 1].map((speed) =>
		measuredOf(skiff, like, { kind: 'goFor', speed, amount: 2, battery: 0.8 })
	);
	const fitted = fitRobot({ kind: 'skiff', variation: 'classroom', runs });
	const top = fitted.found.find(({ name }) => name === 'topSpeed')!;
	expect(top.value).toBeLessThan(0.49);
	expect(Math.abs(top.value - 0.46)).toBeLessThan(2 * top.sigma);
	expect(fitted.runs.every(({ before }) => before === null)).toBe(true);
});

it('a drone whose metre is none is found out by how far it rises', () => {
	const like = { ...usual(modelOf('drone').parameters, 'worn'), measure: 1.1 };
	const runs = [0.5, 1].map((amount) =>
		measuredOf(drone, like, { kind: 'rise', speed: 0.4, amount, battery: null })
	);
	const [metre] = fitRobot({ kind: 'drone', variation: 'worn', runs }).found;
	expect(metre!.name).toBe('measure');
	expect(Math.abs(metre!.value - 1.1)).toBeLessThan(2 * metre!.sigma);
	expect(metre!.sigma).toBeLessThan(0.02);
});
