import { expect, it } from 'vitest';
import type { RobotModelDocument } from '$core/fitting/robot-model';
import { forgetRobotModel, keepRobotModel, robotModelOf } from './robot-models';
import { withDatabase } from './testing';

const model = (name: string, at: string, value = 1): RobotModelDocument => ({
	format: 'lantern-step/robot-model',
	version: 1,
	kind: 'skiff',
	...{ name, at, modelVersion: 12, runs: 3, moves: 0 },
	parameters: { wheels: { unit: 'factor', value, sigma: 0.01, usualSigma: 0.02 } }
});

it('the newest model of a robot is everybody’s, until it is forgotten', () =>
	withDatabase(async () => {
		const [older, newer] = ['2026-11-01T10:00:00.000Z', '2026-12-01T10:00:00.000Z'];
		const tallow = { kind: 'skiff', name: 'Tallow' };
		expect(await robotModelOf(tallow)).toBeNull();
		await keepRobotModel(model('Tallow', newer, 1.02));
		await keepRobotModel(model('tallow ', older, 0.9));
		await keepRobotModel(model('Wick', older));
		expect(await robotModelOf({ kind: 'skiff', name: 'TALLOW' })).toEqual(
			model('Tallow', newer, 1.02)
		);
		expect(await robotModelOf({ ...tallow, kind: 'ball' })).toBeNull();
		await forgetRobotModel(tallow);
		expect(await robotModelOf(tallow)).toBeNull();
		expect(await robotModelOf({ kind: 'skiff', name: 'Wick' })).not.toBeNull();
	}));
