/**
 * What a model takes for granted about one robot, and about one day: not constants but a list, so that
 * it can be shown, fitted, saved and switched off. How a robot is drawn, how heavy it is and what its
 * firmware believes are no parameters: where it went does not tell them.
 */
import { Random, seedOfText } from '../random/random';

/** How a parameter differs from one robot, or one day, to the next. Sizes are guesses. */
export interface Variety {
	readonly mean: number;
	/** Standard deviation. */
	readonly sigma: number;
	draw(chance: Random): number;
}

/** `factor`: so much of what is told, counted or drawn; `part`: from none, 0, to all, 1. The rest in SI units, and degrees. */
export const parameterUnits = [
	...(['factor', 'part', 'metres', 'radians', 'degrees', 'seconds'] as const),
	...(['mps', 'mps2', 'm2ps2', 'radps'] as const)
] as const;
export type ParameterUnit = (typeof parameterUnits)[number];

export interface Parameter {
	readonly unit: ParameterUnit;
	/**
	 * It stays with the robot; or is another each day, or in each run; or says how much chance there is in
	 * it all.
	 */
	readonly of: 'robot' | 'day' | 'run' | 'chance';
	/** As its kind is drawn: what an ideal robot has. */
	readonly drawing: number;
	/** The least and the greatest that a model can do with. */
	readonly range: readonly [number, number];
	readonly classroom: Variety;
	readonly worn: Variety;
	/** Drawn apart from the others, so that theirs are what they are without it. */
	readonly isApart?: true;
}

export type Parameters = Readonly<Record<string, Parameter>>;

/** Values by the names of parameters. */
export type ParameterValues<P = Parameters> = { readonly [Name in keyof P]: number };

// --- spreads ---

/** Each has the same. @param sigma by which a real one may well be another */
export const same = (value: number, sigma = 0): Variety => ({
	mean: value,
	sigma,
	draw: () => value
});

/** Anywhere between two values. */
export const from = (least: number, most: number): Variety => ({
	mean: (least + most) / 2,
	sigma: (most - least) / Math.sqrt(12),
	draw: (chance) => chance.between(least, most)
});

/** Anywhere near a value, by no more than `size`. */
export const around = (value: number, size: number): Variety => ({
	mean: value,
	sigma: size / Math.sqrt(3),
	draw: (chance) => value + chance.between(-size, size)
});

/** Beside a value, by no less than `least` and no more than `most`. */
export const beside = (value: number, least: number, most: number): Variety => ({
	mean: value,
	sigma: Math.sqrt((least * least + least * most + most * most) / 3),
	draw: (chance) => value + chance.eitherSide(least, most)
});

/** As a hand does it: 0 on average. */
const byHand = (sigma: number): Variety => ({
	mean: 0,
	sigma,
	draw: (chance) => sigma * chance.chance()
});

// --- parameters that several kinds have ---

/** What all of a kind share, as far as we know. @param doubt standard deviation by which a real one may differ */
export const constant = (unit: ParameterUnit, drawing: number, doubt: number): Parameter => {
	const spread = same(drawing, doubt);
	const range = [drawing / 3, unit === 'part' ? 1 : drawing * 3] as const;
	return { unit, of: 'robot', drawing, range, classroom: spread, worn: spread };
};

/** How much chance there is: in an ideal robot none. */
export const scatter = (unit: ParameterUnit, classroom: Variety, worn: Variety): Parameter => ({
	unit,
	of: 'chance',
	drawing: 0,
	range: [0, unit === 'degrees' ? 45 : 1],
	classroom,
	worn
});

/** A factor that is 1 as drawn. */
export const factor = (classroom: Variety, worn: Variety): Parameter => ({
	unit: 'factor',
	of: 'robot',
	drawing: 1,
	range: [0.7, 1.4],
	classroom,
	worn
});

/** How full the battery is at Run. @param classroom, worn least and most */
export const batteryFrom = (
	classroom: readonly [number, number],
	worn: readonly [number, number]
): Parameter => ({
	unit: 'part',
	of: 'run',
	drawing: 1,
	range: [0, 1],
	classroom: from(...classroom),
	worn: from(...worn)
});

/** rad/s that a gyro reads while it stands still, at the most. */
export const gyroBiasUpTo = (classroom: number, worn: number): Parameter => ({
	unit: 'radps',
	of: 'robot',
	drawing: 0,
	range: [-0.1, 0.1],
	classroom: around(0, classroom),
	worn: around(0, worn)
});

/** What is 0 as drawn, and as a hand or the air has it. @param most that makes sense */
const asItComes =
	(of: 'day' | 'run') =>
	(unit: ParameterUnit, classroom: number, worn: number, most: number): Parameter => ({
		unit,
		of,
		drawing: 0,
		range: [-most, most],
		classroom: byHand(classroom),
		worn: byHand(worn)
	});
export const ofTheDay = asItComes('day');
const ofTheRun = asItComes('run');

/** How far from its start mark a hand sets it down. @param classroom, worn standard deviations in metres and radians */
export const setDownBeside = (
	classroom: readonly [number, number],
	worn: readonly [number, number]
) => {
	const metres = ofTheRun('metres', classroom[0], worn[0], 0.2);
	const turned = ofTheRun('radians', classroom[1], worn[1], 0.8);
	return { setAhead: metres, setLeft: metres, setTurned: turned };
};

/** Metres ahead and left of the start mark, and radians, as a machine says it. */
export const placingOf = ({
	setAhead,
	setLeft,
	setTurned
}: ParameterValues<ReturnType<typeof setDownBeside>>): readonly [number, number, number] => [
	setAhead,
	setLeft,
	setTurned
];

/** A list but for what does not show in a kind: its model draws it all the same. */
export const without = (list: Parameters, ...names: readonly string[]): Parameters =>
	Object.fromEntries(Object.entries(list).filter(([name]) => !names.includes(name)));

// --- one robot ---

interface Drawing {
	readonly name: string;
	readonly variation: 'ideal' | 'classroom' | 'worn';
	/** Of the attempt: what is of the day is drawn from it, in the order of the list. */
	readonly chance: Random;
	/** In place of what would be drawn. */
	readonly parameters?: ParameterValues | undefined;
}

/**
 * What a robot of this name has on one day. What is given for one parameter changes no other, and is taken
 * as far as its range goes.
 */
export function drawValues<P extends Parameters>(
	list: P,
	{ name, variation, chance, parameters = {} }: Drawing
): ParameterValues<P> {
	const own = new Random(seedOfText(name));
	const source = (key: string, { of, isApart }: Parameter): Random => {
		if (of !== 'robot') return chance;
		return isApart ? new Random(seedOfText(`${name} ${key}`)) : own;
	};
	const values = Object.entries(list).map(([key, parameter]) => {
		const value =
			variation === 'ideal' ? parameter.drawing : parameter[variation].draw(source(key, parameter));
		const given = parameters[key];
		const [least, most] = parameter.range;
		return [key, given === undefined ? value : Math.min(most, Math.max(least, given))];
	});
	return Object.fromEntries(values) as ParameterValues<P>;
}
