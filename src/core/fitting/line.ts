/** Moves that were measured by themselves, and what they tell of speeds. */
import type { Values } from '../steps/definition';

interface MeasuredMove {
	/** The kind of its step, and what it is told. */
	readonly step: string;
	readonly values?: Values;
	/** Which of its values says how much, and how much people begin with. */
	readonly amount: string;
	readonly quantity: 'length' | 'duration' | 'angle';
	readonly usual: number;
	/** What a hand measures of it: how far it came, how high it rose, how far it turned. */
	readonly tells: 'length' | 'height' | 'turn';
	/** A turn by an angle has no power of its own. */
	readonly hasSpeed: boolean;
}

const byTime = { amount: 'duration', quantity: 'duration', hasSpeed: true } as const;
const byLength = { amount: 'distance', quantity: 'length', hasSpeed: true } as const;

export const measuredKinds = ['go', 'goFor', 'rollOut', 'rise', 'turn', 'turnFor'] as const;
export type MeasuredKind = (typeof measuredKinds)[number];

export const measuredMoves: Readonly<Record<MeasuredKind, MeasuredMove>> = {
	go: { step: 'go', ...byLength, usual: 1, tells: 'length' },
	goFor: { step: 'goFor', ...byTime, usual: 2, tells: 'length' },
	rollOut: { step: 'goFor', values: { ending: 'coast' }, ...byTime, usual: 1, tells: 'length' },
	rise: { step: 'go', values: { direction: 'up' }, ...byLength, usual: 0.5, tells: 'height' },
	turn: {
		...{ step: 'turn', amount: 'angle', quantity: 'angle', hasSpeed: false },
		...{ usual: 90, tells: 'turn' }
	},
	turnFor: { step: 'turnFor', ...byTime, usual: 1, tells: 'turn' }
};

export interface Measure {
	readonly kind: MeasuredKind;
	/** A part of the top speed; null where its step has none. */
	readonly speed: number | null;
	/** Metres, seconds or degrees that it was told. */
	readonly amount: number;
	/** Metres that it went, or degrees that it turned. */
	readonly value: number;
	/** 0 to 1 as it was then; null where nobody knows. */
	readonly battery: number | null;
	/** Milliseconds since 1970. */
	readonly at: number;
}

export const isOfTurn = ({ kind }: Pick<Measure, 'kind'>): boolean =>
	measuredMoves[kind].tells === 'turn';
/** What was told is a time, and it ended with it: so it tells a speed. */
export const isByTime = ({ kind }: Pick<Measure, 'kind'>): boolean => kind.endsWith('For');

/** How fast it is by power: metres or degrees a second. */
export interface SpeedLine {
	/** For each part of the top speed, and at none. */
	readonly slope: number;
	readonly offset: number;
	/** Part of the top speed below which it does not move. */
	readonly deadZone: number;
	/** Standard deviation of a measured speed about the line; null where two points make it. */
	readonly scatter: number | null;
	/** Least and greatest power, and battery, that were measured. */
	readonly powers: readonly [number, number];
	readonly batteries: readonly [number, number] | null;
	readonly points: readonly { readonly power: number; readonly speed: number }[];
}

/** Through what was measured by time at two powers or more; undefined of fewer. */
export function speedLineOf(measures: readonly Measure[], ofTurn: boolean): SpeedLine | undefined {
	const own = measures.filter((each) => isByTime(each) && isOfTurn(each) === ofTurn);
	const points = own.flatMap(({ speed, value, amount }) =>
		speed === null || !(amount > 0) ? [] : [{ power: speed, speed: value / amount }]
	);
	const powers = points.map(({ power }) => power);
	if (new Set(powers).size < 2) return undefined;
	const mean = (numbers: readonly number[]) =>
		numbers.reduce((sum, each) => sum + each, 0) / numbers.length;
	const [middle, speed] = [mean(powers), mean(points.map((each) => each.speed))];
	const across = points.reduce(
		(sum, each) => sum + (each.power - middle) * (each.speed - speed),
		0
	);
	const spread = powers.reduce((sum, power) => sum + (power - middle) * (power - middle), 0);
	const slope = across / spread;
	const offset = speed - slope * middle;
	const off = points.reduce((sum, each) => {
		const miss = each.speed - offset - slope * each.power;
		return sum + miss * miss;
	}, 0);
	const batteries = own.flatMap(({ battery }) => battery ?? []);
	return {
		...{ slope, offset, points },
		deadZone: slope > 0 ? Math.max(0, -offset / slope) : 0,
		scatter: points.length > 2 ? Math.sqrt(off / (points.length - 2)) : null,
		powers: [Math.min(...powers), Math.max(...powers)],
		batteries: batteries.length > 0 ? [Math.min(...batteries), Math.max(...batteries)] : null
	};
}
