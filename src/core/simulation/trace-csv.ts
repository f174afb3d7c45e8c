/** A trace as CSV (RFC 4180): a header with units, one line a sample, lines ended by CR LF. */
import type { Column, ColumnUnit } from '../robots/robot';
import { bearingOfHeading } from '../units/angles';
import type { Trace } from './attempt';

interface Written {
	/** After the name, in the header. */
	readonly suffix: string;
	show(value: number): string;
}

const plain = (value: number): string => value.toFixed(5);

const units: Readonly<Record<ColumnUnit, Written>> = {
	mps: { suffix: '_mps', show: plain },
	metres: { suffix: '_m', show: plain },
	degrees: { suffix: '_deg', show: plain },
	part: { suffix: '_percent', show: (value) => plain(value * 100) },
	count: { suffix: '', show: String },
	colour: { suffix: '', show: (value) => `#${value.toString(16).padStart(6, '0')}` }
};

const inSmallLetters = (name: string): string =>
	name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** @param columns of the robot's kind */
export function traceCsv(trace: Trace, columns: readonly Column[]): string {
	const written = columns.map(({ name, unit }) => ({
		header: inSmallLetters(name) + units[unit].suffix,
		show: units[unit].show,
		values: trace.columns[name]!
	}));
	const header = ['time_s', 'x_m', 'y_m', 'bearing_deg', ...written.map(({ header }) => header)];
	const lines = [header.join(',')];
	trace.time.forEach((time, i) => {
		const pose = [time, trace.x[i]!, trace.y[i]!, bearingOfHeading(trace.heading[i]!)];
		lines.push(
			[...pose.map(plain), ...written.map(({ show, values }) => show(values[i]!))].join(',')
		);
	});
	return `${lines.join('\r\n')}\r\n`;
}
