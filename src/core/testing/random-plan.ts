/** Random plans from the catalogue, for property tests: numbers in, the same plan out each time. */
import { colourCode } from '../colours';
import { faces, faceSize, writeFace } from '../pictures/face';
import { writeFilm } from '../pictures/film';
import { darkLamps, gridSize, writePicture } from '../pictures/picture';
import { makePlan, planRobot, type Chain, type Plan, type Step } from '../plan/plan';
import { sampleRobot } from '../robots/robot-document';
import { robotKinds } from '../robots/kinds';
import { readClip, writeClip } from '../sounds/clip';
import { definitionOf, initialValues, mayHang, triggerKinds } from '../steps/catalogue';
import { catalogue } from '../steps/list';
import type { Value, ValueDefinition, Values } from '../steps/definition';

/** Expressions of several types, some of which make no sense where they land. */
const expressions = [
	'n',
	'n + 1',
	'360 / n',
	'distanceAhead',
	'brightness > 40*percent',
	'heading + 10*deg',
	'random(1, 6)',
	'item(turns, n)',
	'length(turns) < 3',
	'time < 2*s',
	'1 / 0',
	'sqrt(-1)',
	'n ^ 99',
	'unknown + 1',
	'not (bumped or touched)',
	'floorColour == red',
	'3 +',
	'cruise'
];

const pictureFor = (pick: number): string =>
	writePicture(darkLamps(gridSize).map((_, i) => (pick * (i + 1)) % 0x1000000));

/** Another content for a value; the same for the same number. */
export function valueFor(definition: ValueDefinition, pick: number): Value {
	const expression = () => ({ expression: expressions[pick % expressions.length]! });
	switch (definition.type) {
		case 'colour':
			return colourCode(pick % 0xffffff);
		case 'choice':
			return definition.options[pick % definition.options.length]!;
		case 'condition':
			return expression();
		case 'anything':
			return pick % 3 === 0 ? pick % 100 : pick % 3 === 1 ? `word ${pick % 9}` : expression();
		case 'name':
			return definition.of === 'variable' ? ['n', 'turns'][pick % 2]! : `name${pick % 3}`;
		case 'inputs':
			return ['', 'a', 'a, b'][pick % 3]!;
		case 'picture':
			return pictureFor(pick);
		case 'film':
			return writeFilm(
				Array.from({ length: 1 + (pick % 3) }, (_, i) => ({
					picture: pictureFor(pick + i),
					beats: 1 + (pick % 4)
				}))
			);
		case 'face':
			return pick % 2
				? faces[pick % faces.length]!
				: writeFace({ skin: pick % 0x1000000, lamps: darkLamps(faceSize).with(pick % 256, 0xff) });
		case 'clip':
			return ['gull', 'frog', writeClip({ ...readClip('bell')!, name: `sound ${pick % 3}` })][
				pick % 3
			]!;
		case 'notes':
			return ['C4 E4:1/2 -:2', 'F#5', ''][pick % 3]!;
		case 'number': {
			if (pick % 4 === 0) return expression();
			const { minimum, maximum, quantity } = definition;
			const value = minimum + ((pick % 1001) / 1000) * (maximum - minimum);
			return quantity === 'count' ? Math.round(value) : value;
		}
	}
}

export function emptyStep(kind: string, id: string, values: Values = initialValues(kind)): Step {
	return { id, kind, values, ...(definitionOf(kind).hasBody ? { body: [] } : {}) };
}

/** @param numbers as many as there are; each decides one thing */
export function planFrom(numbers: readonly number[]): Plan {
	let used = 0;
	let count = 0;
	const next = (): number => numbers[used++ % numbers.length]! + used;
	const id = () => `s${(count += 1)}`;
	const valuesOf = (kind: string): Values =>
		Object.fromEntries(
			Object.entries(definitionOf(kind).values).map(([name, slot]) => [
				name,
				next() % 2 ? slot.initial : valueFor(slot, next())
			])
		);
	const stepsIn = (holder: string | null, depth: number): Step[] =>
		Array.from({ length: 1 + (next() % 4) }, () => {
			const kinds = catalogue.filter(
				({ kind, hasBody, isBranch }) =>
					mayHang(kind, holder) && (depth < 4 || !hasBody || isBranch)
			);
			const { kind, hasBody } = kinds[next() % kinds.length]!;
			const step = { id: id(), kind, values: valuesOf(kind) };
			const off = next() % 9 === 0 ? { off: true as const } : {};
			return { ...step, ...off, ...(hasBody ? { body: stepsIn(kind, depth + 1) } : {}) };
		});
	const chains: Chain[] = Array.from({ length: 1 + (next() % 4) }, (_, index) => {
		const { kind } = triggerKinds[index === 0 ? 0 : next() % triggerKinds.length]!;
		const trigger = { id: id(), kind, values: valuesOf(kind) };
		return { id: id(), trigger, steps: stepsIn(null, 0) };
	});
	const kind = robotKinds[next() % robotKinds.length]!;
	const robots = [planRobot({ ...sampleRobot(kind), name: 'Tallow' })];
	return makePlan({ name: 'Reed maze, inner path', robots, chains });
}
