/** What a Skiff makes of its counters and its gyro. */
import { turning } from '../../devices/turning/device';
import { pacing } from '../../devices/pacing/device';
import { counters } from '../../devices/counters/device';
import { curving } from '../../devices/curving/device';
import { headingOfBearing, radians, wrapAngle } from '../../units/angles';
import type { Facing } from '../gyro';
import { part, type MachinePart } from '../machine';
import type { Drive } from './drive';
import * as settings from './settings';

const wheelCircumference = Math.PI * settings.wheelDiameter;

export function pacingOf(drive: Drive): MachinePart {
	let zero = 0;
	const way = () => (drive.left.way + drive.right.way) / 2;
	return part(
		pacing,
		{
			go: ({ distance, speed }) => drive.travel(distance, distance, speed),
			zero() {
				zero = way();
			}
		},
		{
			travelled: () => way() - zero,
			speed: () => (drive.left.speed + drive.right.speed) / 2
		}
	);
}

export function countersOf(drive: Drive): MachinePart {
	const zeroes = { left: 0, right: 0 };
	return part(
		counters,
		{
			turns: ({ left, right, speed }) =>
				drive.travel(left * wheelCircumference, right * wheelCircumference, speed),
			zero() {
				Object.assign(zeroes, { left: drive.left.way, right: drive.right.way });
			}
		},
		{
			leftCount: () => ((drive.left.way - zeroes.left) / wheelCircumference) * 360,
			rightCount: () => ((drive.right.way - zeroes.right) / wheelCircumference) * 360
		}
	);
}

export const curvingOf = (drive: Drive): MachinePart =>
	part(curving, {
		arc({ direction, radius, angle, speed }) {
			const way = radians(angle);
			const inner = way * (radius - settings.axle / 2);
			const outer = way * (radius + settings.axle / 2);
			return direction === 'right'
				? drive.travel(outer, inner, speed)
				: drive.travel(inner, outer, speed);
		}
	});

export const turningOf = (drive: Drive, facing: Facing): MachinePart =>
	part(turning, {
		turn: ({ angle }) => drive.turn(-radians(angle)),
		turnTo({ bearing }) {
			const heading = facing.start + drive.gyroAngle;
			return drive.turn(wrapAngle(headingOfBearing(bearing) - heading));
		}
	});
