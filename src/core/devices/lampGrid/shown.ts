/** What a lamp grid shows, from what it was told: in a robot that is modelled, and in what was recorded. */
import type { GridOrder, turns } from './device';
import { beatsOf, clothAt, readFilm } from '../../pictures/film';
import { gridSize, readPicture, writePicture, type Lamps } from '../../pictures/picture';

const { columns, rows } = gridSize;

export interface Shown {
	/** What came last, and when, seconds; null while it is dark. */
	readonly order: Exclude<GridOrder, { name: 'turn' | 'brightness' | 'dark' }> | null;
	readonly since: number;
	/** How that was turned since it came. */
	readonly turned: readonly (typeof turns)[number][];
	/** 0 to 1, of all that it shows. */
	readonly brightness: number;
}

export const newGrid: Shown = { order: null, since: 0, turned: [], brightness: 1 };

/** @param time seconds */
export function told(grid: Shown, order: GridOrder, time: number): Shown {
	switch (order.name) {
		case 'turn':
			return { ...grid, turned: [...grid.turned, order.values.way] };
		case 'brightness':
			return { ...grid, brightness: order.values.part };
		case 'dark':
			return { ...grid, order: null, turned: [] };
		default:
			return { ...grid, order, since: time, turned: [] };
	}
}

/** Seconds from when it came until it has been shown to its end; none where it just stays. */
export function lastsFor(order: GridOrder): number {
	if (order.name === 'play')
		return order.values.times * order.values.beat * beatsOf(readFilm(order.values.film) ?? []);
	if (order.name === 'run') return (order.values.columns.length / 2 + columns) / order.values.pace;
	return 0;
}

/** A little more than what sums of seconds are wrong by. */
const hair = 1e-6;

/** The picture of a moment, seconds; empty while it is dark. */
export function seen({ order, since, turned, brightness }: Shown, time: number): string {
	if (!order || brightness === 0) return '';
	const upright = uprightAt(order, time - since + hair);
	if (upright === '' || (turned.length === 0 && brightness === 1)) return upright;
	let lamps = readPicture(upright)!;
	for (const way of turned) lamps = turnedLamps(lamps, way);
	return writePicture(lamps.map((lamp) => dimmed(lamp, brightness)));
}

function uprightAt(order: NonNullable<Shown['order']>, age: number): string {
	if (order.name === 'show') return order.values.picture;
	if (order.name === 'run') return textAt(order.values, age);
	const { film, beat, times } = order.values;
	const cloths = readFilm(film)!;
	const whole = beatsOf(cloths);
	const beats = age / beat;
	// Its last cloth stays.
	const isOver = times > 0 && beats >= times * whole;
	return clothAt(cloths, isOver ? whole : beats % whole).picture;
}

/** It comes in from the right, and goes out to the left. */
function textAt(
	{ columns: text, colour, pace }: Extract<GridOrder, { name: 'run' }>['values'],
	age: number
): string {
	const first = Math.floor(age * pace) - columns + 1;
	if (first * 2 >= text.length) return '';
	const lit = Number.parseInt(colour.slice(1), 16);
	const bits = Array.from({ length: columns }, (_, x) => {
		const at = 2 * (first + x);
		return at < 0 ? 0 : Number.parseInt(text.slice(at, at + 2) || '0', 16);
	});
	return writePicture(
		Array.from({ length: columns * rows }, (_, i) =>
			(bits[i % columns]! >> Math.floor(i / columns)) & 1 ? lit : 0
		)
	);
}

/** Where the lamp of a place comes from. */
const fromWhere: Readonly<
	Record<(typeof turns)[number], (x: number, y: number) => [number, number]>
> = {
	right: (x, y) => [y, columns - 1 - x],
	left: (x, y) => [rows - 1 - y, x],
	half: (x, y) => [columns - 1 - x, rows - 1 - y],
	sides: (x, y) => [columns - 1 - x, y],
	ends: (x, y) => [x, rows - 1 - y]
};

export const turnedLamps = (lamps: Lamps, way: (typeof turns)[number]): Lamps =>
	lamps.map((_, i) => {
		const [x, y] = fromWhere[way](i % columns, Math.floor(i / columns));
		return lamps[y * columns + x]!;
	});

/** Each colour of a lamp, 0xrrggbb, so much less. */
const dimmed = (lamp: number, part: number): number =>
	[16, 8, 0].reduce((sum, bits) => sum + (Math.round(((lamp >> bits) & 0xff) * part) << bits), 0);
