/** Parts and courses that random numbers make: within what the schema allows, to its borders. */
import { courseSchema, makeCourse, type Course, type Part, type PartName } from '../course/course';
import { floorColours, type FloorColour } from '../colours';
import { surfaceKinds, type SurfaceName } from '../course/surfaces';
import { freeIds, kindOf, partNames, partsOf, withParts } from '../course/parts';

/** Hands out what a list of numbers means, round and round. */
export class Dice {
	private next = 0;
	constructor(private readonly numbers: readonly number[]) {}

	/** A whole number below this one. */
	below(end: number): number {
		const number = this.numbers[this.next % this.numbers.length]! + 31 * this.next;
		this.next += 1;
		return number % end;
	}
	/** To a tenth of a millimetre. */
	from(least: number, most: number): number {
		const steps = Math.round((most - least) * 10_000);
		return Math.round((least + this.below(steps + 1) / 10_000) * 10_000) / 10_000;
	}
	of<T>(list: readonly T[]): T {
		return list[this.below(list.length)]!;
	}
}

const colours = Object.keys(floorColours) as FloorColour[];
const surfaceNames = Object.keys(surfaceKinds) as SurfaceName[];

const pointOf = (dice: Dice): [number, number] => [dice.from(0, 4), dice.from(0, 3)];
const pointsOf = (dice: Dice, least: number): [number, number][] =>
	Array.from({ length: least + dice.below(4) }, () => pointOf(dice));
const bearingOf = (dice: Dice): number => dice.below(360);

const makers: Readonly<Record<PartName, (dice: Dice, id: string) => object>> = {
	surfaces: (dice, id) => ({ id, corners: pointsOf(dice, 3), surface: dice.of(surfaceNames) }),
	patches: (dice, id) => ({ id, corners: pointsOf(dice, 3), colour: dice.of(colours) }),
	tapes: (dice, id) => ({
		...{ id, points: pointsOf(dice, 2), isClosed: dice.below(2) === 0 },
		...{ radius: dice.from(0, 0.3), width: dice.from(0.005, 0.1), colour: dice.of(colours) }
	}),
	rails: (dice, id) => ({
		...{ id, at: pointOf(dice), bearing: bearingOf(dice), isClosed: false },
		pieces: Array.from({ length: 1 + dice.below(4) }, () =>
			dice.below(2) === 0
				? { length: dice.from(0.1, 2) }
				: { radius: dice.from(0.2, 1), angle: dice.below(361) - 180 }
		),
		marks: dice.below(2) === 0 ? [] : [{ at: dice.from(0, 1), colour: dice.of(colours) }]
	}),
	pads: (dice, id) => ({ id, at: pointOf(dice), radius: dice.from(0.05, 0.5) }),
	finish: (dice) => ({ at: pointOf(dice), radius: dice.from(0.05, 0.5) }),
	lampPosts: (dice, id) => ({ id, at: pointOf(dice), reach: dice.from(0.05, 0.5) }),
	gates: (dice, id) => ({
		...{ id, shape: dice.of(['ring', 'door']), at: pointOf(dice), bearing: bearingOf(dice) },
		...{ width: dice.from(0.2, 1), height: dice.from(0.3, 2) }
	}),
	walls: (dice, id) => ({
		...{ id, from: pointOf(dice), to: pointOf(dice), thickness: dice.from(0.01, 0.1) },
		...(dice.below(2) === 0 && { height: dice.from(0.05, 1) })
	}),
	crates: (dice, id) => ({
		...{ id, at: pointOf(dice), bearing: bearingOf(dice), width: dice.from(0.05, 0.5) },
		...{ depth: dice.from(0.05, 0.5), mass: dice.from(0.05, 2) },
		...(dice.below(2) === 0 && { height: dice.from(0.05, 1) })
	}),
	starts: (dice) => ({ at: pointOf(dice), bearing: bearingOf(dice) }),
	table: (dice) => pointsOf(dice, 3)
};

export const partFrom = (part: PartName, dice: Dice, id: string): Part =>
	makers[part](dice, id) as Part;

/** A course with some parts of every kind. */
export function randomCourse(numbers: readonly number[], most = 4): Course {
	const dice = new Dice(numbers);
	let course = makeCourse({
		...{ name: 'The reed maze', size: { width: 4, height: 3 }, starts: [] },
		...{ light: dice.below(11) / 10, sound: dice.below(11) / 10, ceiling: dice.from(1, 4) },
		...{ surface: dice.of(surfaceNames), isInOrder: dice.below(2) === 0 }
	});
	for (const part of partNames) {
		const count = dice.below(Math.min(most, kindOf(part).most) + 1);
		const ids = freeIds(course, part, count);
		course = withParts(
			course,
			part,
			ids.map((id) => partFrom(part, dice, id))
		);
	}
	return courseSchema.parse(course);
}

/** The parts of all kinds, with what they are. */
export const listedOf = (course: Course) =>
	partNames.flatMap((part) =>
		partsOf(course, part).map((value, index) => ({ part, value, index }))
	);
