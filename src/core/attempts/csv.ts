/**
 * An attempt as tables of comma-separated values (RFC 4180): a header with units, lines ended by CR LF.
 * What begins like a formula is set behind an apostrophe, so that no spreadsheet works it out.
 */
import { colourCode } from '../colours';
import type { Attempt, RobotRun } from '../simulation/attempt';
import { legsOf } from '../simulation/attempt';
import type { Datum } from '../types';
import { bearingOfHeading, degrees } from '../units/angles';
import type { Leg, LegWay, Miss } from './legs';
import { seriesIn, type Series, type SeriesUnit } from './series';

export const csvStyles = {
	comma: { separator: ',', decimal: '.' },
	semicolon: { separator: ';', decimal: '.' },
	decimalComma: { separator: ';', decimal: ',' }
} as const;
/** What lies between two cells, and before the decimals. */
export type CsvStyle = keyof typeof csvStyles;

/** A number in the unit of its header; null where nothing is known. */
export type CsvCell = number | string | null;

export interface Table {
	readonly header: readonly string[];
	readonly rows: readonly (readonly CsvCell[])[];
}

/** Parts of one that are written: of a metre, hundredths of a millimetre. */
const parts = 100_000;

/** @returns the table as a file */
export function csvOf({ header, rows }: Table, style: CsvStyle = 'comma'): string {
	const { separator, decimal } = csvStyles[style];
	const write = (cell: CsvCell): string => {
		if (cell === null) return '';
		if (typeof cell === 'string') return quoted(cell, separator);
		if (!Number.isFinite(cell)) return '';
		return String(Math.round(cell * parts) / parts + 0).replace('.', decimal);
	};
	const lines = [header, ...rows].map((row) => row.map(write).join(separator));
	return `${lines.join('\r\n')}\r\n`;
}

function quoted(text: string, separator: string): string {
	const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
	return safe.includes(separator) || /["\r\n]/.test(safe)
		? `"${safe.replaceAll('"', '""')}"`
		: safe;
}

const suffixes: Readonly<Record<SeriesUnit, string>> = {
	mps: '_mps',
	metres: '_m',
	degrees: '_deg',
	part: '_percent',
	count: '',
	colour: '',
	seconds: '_s',
	dps: '_dps',
	hertz: '_hz',
	truth: '',
	plain: ''
};

const inSmallLetters = (name: string): string =>
	name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

function cellOf(unit: SeriesUnit, value: number): CsvCell {
	if (Number.isNaN(value)) return null;
	if (unit === 'colour') return colourCode(value);
	return unit === 'part' ? value * 100 : value;
}

/** The pose and what the robot's kind records, with each sample. */
export const traceTable = (attempt: Attempt, run: RobotRun): Table =>
	tableOf(
		run,
		seriesIn(attempt, run).filter(({ group }) => group === 'column')
	);

/** The same, and all that it sensed, each as it was last. */
export const seriesTable = (attempt: Attempt, run: RobotRun): Table =>
	tableOf(
		run,
		seriesIn(attempt, run).filter(({ group }) => group !== 'pose')
	);

function tableOf({ trace }: RobotRun, series: readonly Series[]): Table {
	const { time, x, y, heading } = trace;
	const nameOf = ({ group, name, unit }: Series) =>
		(group === 'reading' ? 'sensed_' : '') + inSmallLetters(name) + suffixes[unit];
	// Both ascend: each goes on from where it stood for the sample before.
	const places = series.map(() => -1);
	const rows = Array.from(time, (now, i) => [
		now,
		x[i]!,
		y[i]!,
		bearingOfHeading(heading[i]!),
		...series.map(({ time: times, values, unit }, column) => {
			while (places[column]! + 1 < times.length && times[places[column]! + 1]! <= now + 1e-9)
				places[column]! += 1;
			return cellOf(unit, values[places[column]!] ?? NaN);
		})
	]);
	return { header: ['time_s', 'x_m', 'y_m', 'bearing_deg', ...series.map(nameOf)], rows };
}

/** @param wordsOf the step, as a person reads it */
export const legTable = (legs: readonly Leg[], wordsOf: (leg: Leg) => string): Table => ({
	header: [
		...['number', 'round', 'step', 'start_s', 'end_s', 'speed_at_start_mps', 'bumps', 'cost_m'],
		...wayHeader('meant'),
		...wayHeader('did'),
		...missHeader('added'),
		...missHeader('inherited')
	],
	rows: legs.map((leg) => [
		...[leg.span.number, leg.round, wordsOf(leg), leg.span.start, leg.span.end],
		...[leg.speedAtStart, leg.bumps.length, leg.cost],
		...wayCells(leg.meant),
		...wayCells(leg.did),
		...missCells(leg.added),
		...missCells(leg.inherited)
	])
});

/** To the right, and clockwise, as bearings go. */
const missHeader = (of: string) => [`${of}_ahead_m`, `${of}_right_m`, `${of}_turn_deg`];
const wayHeader = (of: string) => [...missHeader(of), `${of}_up_m`, `${of}_s`];
const missCells = (miss: Miss | null): CsvCell[] =>
	miss ? [miss.ahead, -miss.left, -degrees(miss.turn)] : [null, null, null];
const wayCells = (way: LegWay | null): CsvCell[] => [
	...missCells(way),
	way?.up ?? null,
	way?.seconds ?? null
];

/** What the steps of all robots wrote in the log. */
export const logTable = ({ log }: Attempt): Table => ({
	header: ['time_s', 'number', 'value'],
	rows: log.map(({ time, number, value }) => [time, number, logged(value)])
});

function logged(value: Datum): CsvCell {
	if (typeof value === 'number' || typeof value === 'string') return value;
	return Array.isArray(value) ? value.map(logged).join(' ') : value ? 'yes' : 'no';
}

/** What happened to one robot, in order: steps that began and ended, bumps, lamp posts, tones. */
export const happeningsTable = (attempt: Attempt, run: RobotRun): Table => ({
	header: ['time_s', 'what', 'which', 'number', 'x_m', 'y_m'],
	rows: [
		...legsOf(attempt, run).flatMap(({ start, end, kind, number, from, to }): CsvCell[][] => [
			[start, 'begins', kind, number, from.x, from.y],
			[end, 'ends', kind, number, to.x, to.y]
		]),
		...run.bumps.map(({ time, against, number, x, y }) => [
			...[time, 'bump', against],
			...[number || null, x, y]
		]),
		...attempt.outcome.lampPosts.map(({ id, time }) => [time, 'lampPost', id, null, null, null]),
		...run.tones.map(({ time, pitch }) => [
			time,
			'tone',
			`${Math.round(pitch)} Hz`,
			null,
			null,
			null
		])
	].toSorted((a, b) => Number(a[0]) - Number(b[0]))
});
