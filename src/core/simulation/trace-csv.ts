/** A trace as CSV (RFC 4180): a header with units, one line a sample, lines ended by CR LF. */
import { bearingOfHeading } from '../units/angles';
import type { Trace } from './attempt';

const header = [
	'time_s',
	'x_m',
	'y_m',
	'bearing_deg',
	'speed_mps',
	'left_wheel_mps',
	'right_wheel_mps',
	'battery_percent',
	'left_lamp',
	'right_lamp'
];

export function traceCsv(trace: Trace): string {
	const lines = [header.join(',')];
	trace.time.forEach((time, i) => {
		const numbers = [
			time,
			trace.x[i]!,
			trace.y[i]!,
			bearingOfHeading(trace.heading[i]!),
			trace.speed[i]!,
			trace.leftWheel[i]!,
			trace.rightWheel[i]!,
			trace.battery[i]! * 100
		];
		const lamps = [trace.leftLamp[i]!, trace.rightLamp[i]!].map(
			(lamp) => `#${lamp.toString(16).padStart(6, '0')}`
		);
		lines.push([...numbers.map((number) => number.toFixed(5)), ...lamps].join(','));
	});
	return `${lines.join('\r\n')}\r\n`;
}
