import { describe, expect, it } from 'vitest';
import { robotKinds } from '../robots/kinds';
import { ball } from '../robots/ball';
import { drone } from '../robots/drone';
import { railCar } from '../robots/rail';
import { skiff, skiffLite } from '../robots/skiff';
import { radians } from '../units/angles';
import { centred, ordersOf, stepsFrom, type Driven, type Sticks } from './driving';

/** Ten moments a second: what the sticks did, and where the robot came to. */
const moments = (
	...parts: readonly (readonly [seconds: number, sticks: Partial<Sticks>, at: readonly number[]])[]
): Driven[] => {
	const all: Driven[] = [];
	let [x, y, heading] = [0, 0, 0];
	let time = 0;
	for (const [seconds, sticks, [toX = x, toY = y, toHeading = heading]] of parts) {
		const count = Math.round(seconds * 10);
		for (let i = 0; i < count; i++) {
			const part = i / count;
			const at = {
				x: x + (toX - x) * part,
				y: y + (toY - y) * part,
				heading: heading + (toHeading - heading) * part
			};
			all.push({ time: (time += 0.1), sticks: { ...centred, ...sticks }, at });
		}
		[x, y, heading] = [toX, toY, toHeading];
	}
	return all;
};

describe('driving by hand', () => {
	it.each(robotKinds.map((kind) => [kind.kind, kind] as const))(
		'asks a %s only for what its devices take',
		(_, kind) => {
			for (const sticks of [
				centred,
				{ ...centred, y: 1 },
				{ ...centred, x: -1, y: 0.5 },
				{ ...centred, turn: 1 },
				{ ...centred, rise: -1 }
			])
				for (const { device, name, values } of ordersOf(kind, sticks, 0.5)) {
					const schema = kind.devices.find(({ id }) => id === device)?.commands[name];
					expect(schema?.safeParse(values).success, `${device} ${name}`).toBe(true);
				}
		}
	);

	it('is kept as the ways that were really gone, with what rolled on, and without slips', () => {
		const driven = moments(
			[0.5, {}, []],
			[1, { y: 1 }, [0.2, 0, 0]],
			[0.4, {}, [0.231, 0, 0]],
			[0.1, { y: -1 }, []],
			[0.8, { x: 1 }, [0.231, 0, radians(-81)]],
			[2, {}, [0.231, 0, radians(-88)]],
			[1, { y: -0.5 }, [0.231, 0.1, radians(-88)]],
			[1, {}, []]
		);
		expect(stepsFrom(skiff, driven, 0.4)).toEqual([
			{ kind: 'go', values: { direction: 'forward', distance: 0.23, speed: 0.4 } },
			{ kind: 'turn', values: { direction: 'right', angle: 90 } },
			{ kind: 'wait', values: { duration: 2 } },
			{ kind: 'go', values: { direction: 'back', distance: 0.1, speed: 0.2 } }
		]);
	});

	it('goes by time where nothing is counted', () => {
		const driven = moments([1.2, { y: 1 }, []], [0.5, { x: -1 }, []], [0.3, {}, []]);
		expect(stepsFrom(skiffLite, driven, 0.4)).toEqual([
			{ kind: 'goFor', values: { direction: 'forward', duration: 1.2, speed: 0.4 } },
			{ kind: 'turnFor', values: { direction: 'left', duration: 0.5, speed: 0.4 } }
		]);
	});

	it('of a ball are ways along a bearing, of a drone also up and aside, of a rail car one line', () => {
		const east = moments([1, { x: 1, y: 0.02 }, [0.4, 0, 0]], [0.3, {}, []]);
		expect(stepsFrom(ball, east, 0.5)).toEqual([
			{ kind: 'rollFar', values: { bearing: 90, distance: 0.4, speed: 0.5, then: 'waitStill' } }
		]);
		expect(stepsFrom(drone, moments([1, { x: -1 }, [0, 0.3, 0]], [0.3, {}, []]), 0.5)).toEqual([
			{ kind: 'go', values: { direction: 'left', distance: 0.3, speed: 0.5 } }
		]);
		expect(
			stepsFrom(railCar, moments([1, { x: 0.1, y: 1 }, [0.5, 0, 0]], [0.3, {}, []]), 1)
		).toEqual([{ kind: 'go', values: { direction: 'forward', distance: 0.5, speed: 1 } }]);
		expect(stepsFrom(skiff, moments([2, {}, []]), 1)).toEqual([]);
	});
});
