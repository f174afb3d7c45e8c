import { describe, expect, it } from 'vitest';
import { definitionOf, initialValues, stepKinds } from '../steps/catalogue';
import { needsOf } from '../steps/definition';
import { valueSchema } from '../steps/value-schema';
import type { Values } from '../steps/definition';
import { ball } from './ball';
import { drone } from './drone';
import { faceRobot } from './face';
import { likewise } from './instead';
import { robotKinds } from './kinds';
import { pinboard } from './pinboard';
import { railCar } from './rail';
import { canDo, type RobotKind } from './robot';
import { skiff, skiffLite } from './skiff';

const kindsFor = (robot: RobotKind, kind: string, values: Values = {}): string[] =>
	likewise(robot, { kind, values: { ...initialValues(kind), ...values } }).map((one) => one.kind);

describe('what a robot does in place of a step that it cannot do', () => {
	it.each(robotKinds)(
		'$kind: nothing but steps that it can do, with values that they take',
		(robot) => {
			for (const definition of stepKinds) {
				const values = initialValues(definition.kind);
				if (canDo(robot, needsOf(definition, values))) continue;
				for (const one of likewise(robot, { kind: definition.kind, values })) {
					const { values: slots } = definitionOf(one.kind);
					expect(canDo(robot, needsOf(definitionOf(one.kind), one.values))).toBe(true);
					for (const [name, slot] of Object.entries(slots))
						expect(valueSchema(slot).safeParse(one.values[name]).success || slot.addedLater).toBe(
							true
						);
				}
			}
		}
	);

	it.each([
		['a Skiff turns to go to a side', skiff, 'go', { direction: 'left' }, 'turn go turn'],
		[
			'a Skiff Lite does that by time',
			skiffLite,
			'go',
			{ direction: 'right' },
			'turnFor goFor turnFor'
		],
		['a ball as well', ball, 'goFor', { direction: 'left' }, 'turn goFor turn'],
		['nothing but a drone goes up', skiff, 'go', { direction: 'up' }, ''],
		['a drone turns to a bearing first', drone, 'roll', {}, 'turnTo start'],
		['a drone measures what wheels count', drone, 'goTurns', {}, 'go'],
		['a drone turns by its gyro', drone, 'turnFor', {}, 'turn'],
		['a rail car measures what wheels count', railCar, 'goDegrees', {}, 'go'],
		['a rail car turns for nobody', railCar, 'turn', {}, ''],
		['a rail car has its horn', railCar, 'tone', {}, 'horn'],
		['a face robot has its speaker', faceRobot, 'horn', {}, 'tone'],
		['to hover is to wait', pinboard, 'hover', {}, 'wait'],
		['a pin board goes by time', pinboard, 'go', {}, 'goFor']
	] as const)('%s', (_, robot, kind, values, expected) => {
		expect(kindsFor(robot, kind, values).join(' ')).toBe(expected);
	});
});
