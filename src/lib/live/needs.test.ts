import { describe, expect, it } from 'vitest';
import '$lib/robots/words';
import type { Greeting } from '$core/link/frames';
import { sampleRobot } from '$core/robots/robot-document';
import { skiff } from '$core/robots/skiff';
import { go, planOf, repeat, step } from '$core/testing/sample';
import { needsNow } from './needs';

const plan = planOf([go(0.3), repeat(2, [step('lamp', { colour: 'red', brightness: 1 })])]);
const wanted = plan.robots[0]!;
const devices = skiff.devices.map(({ id }) => id);
const greetingWith = (own: readonly string[]): Greeting => ({
	...{ type: 'greeting', version: 3, id: 'tallow', firmware: '1', proof: '' },
	...sampleRobot(skiff),
	devices: [...own]
});
type Known = Parameters<typeof needsNow>[1];

function needs(own: readonly string[], more: Partial<Known> = {}) {
	const robot = greetingWith(own);
	const links = { tallow: { state: { phase: 'connecting' as const }, battery: 1 } };
	const known: Known = {
		robots: { links, paired: [robot] },
		...{ attempt: null, plan, isRoomClear: false, wasLost: false },
		isPlaced: () => true,
		isLinedUp: () => false,
		isFineWithout: () => false,
		...more
	};
	return needsNow([{ wanted, robot, id: undefined }], known).map(({ key, text }) => [
		key.split(' ')[1],
		text
	]);
}

describe('before a run', () => {
	it('nothing is missing where a robot is all that the plan takes it to be', () => {
		expect(needs(devices)).toEqual([]);
	});

	it('is said what the robot lacks of that which the plan is for, until somebody lets it', () => {
		const without = devices.filter((id) => id !== 'lamp');
		const [[key, text]] = needs(without) as [[string, string]];
		expect(key).toBe('lacks');
		expect(text).toContain('This robot has no lamp.');
		expect(needs(without, { isFineWithout: () => true })).toEqual([]);
		// Of what no step is for, nobody needs to hear.
		expect(needs(devices.filter((id) => id !== 'gyro'))).toEqual([]);
	});

	it('one that was lost on its way has to be set back', () => {
		const [[key, text]] = needs(devices, { wasLost: true, isPlaced: () => false }) as [
			[string, string]
		];
		expect(key).toBe('setBack');
		expect(text).toContain('was lost on its way');
	});
});
