/**
 * Speed of the simulation, as ratios within one run. First, for each plan of the demo data, which
 * part of a rehearsal's time the interpreter takes, as a person watches it. Then, in simulation
 * ticks a second, median of several rounds:
 * - free: the car alone on a course of 60 walls, far from any of them;
 * - two: the same with another car that drives the same squares, far away;
 * - contact: the same car sliding along one of them;
 * - planck: the bare package stepping one body among the same walls, sliding along one;
 * - a line for each kind of robot: one that goes on and on, far from any wall;
 * - chains: the free car, with 100 chains of 50 steps beside it in loops that never rest, for 8 s.
 */
import { readFileSync } from 'node:fs';
import { Polygon, Vec2, World } from 'planck';
import index from '../samples/index.json';
import { courseSchema, type Course } from '../src/core/course/course';
import { checkPlan } from '../src/core/checks';
import { planRobot, planSchema } from '../src/core/plan/plan';
import { flying } from '../src/core/devices/flying/device';
import { robotKinds } from '../src/core/robots/kinds';
import { canDo } from '../src/core/robots/robot';
import { skiff } from '../src/core/robots/skiff';
import * as skiffSettings from '../src/core/robots/skiff/settings';
import { tick } from '../src/core/time';
import { simulate } from '../src/core/simulation/simulate';
import {
	courseOf,
	deepPlan,
	go,
	planFor,
	planOf,
	repeat,
	right,
	step,
	trigger,
	wait,
	wall
} from '../src/core/testing/sample';
import { wallCorners } from '../src/core/world/walls';
import { interpreterPart } from './interpreter-part';

const rounds = 7;
const long = wall([-45, 1], [45, 1]);
const walls = [
	long,
	...Array.from({ length: 59 }, (_, i) => wall([i - 30, 6 + (i % 5)], [i - 29.4, 6.5 + (i % 5)]))
];

const course = (x: number, y: number, bearing: number) =>
	courseOf({ size: { width: 20, height: 20 }, starts: [{ at: [x, y], bearing }], walls });

const median = (numbers: number[]): number =>
	numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)]!;

function ticksPerSecond(run: () => number): number {
	const began = performance.now();
	const ticks = run();
	return (ticks / (performance.now() - began)) * 1000;
}

/** The same 60 walls around the car, and so many parts more elsewhere on the course. */
const thousand = Array.from({ length: 940 }, (_, i): Course['walls'][number] => {
	const [x, y] = [-45 + (i % 47) * 2, -45 - Math.floor(i / 47) * 0.2];
	return { ...wall([x, y], [x + 0.3, y]), id: `far-${i}` };
});

const squares = planOf([repeat(60, [repeat(4, [go(0.5), right(90)])])]);
const free = () =>
	simulate({
		plan: squares,
		course: course(0, -20, 0),
		variation: 'classroom',
		seed: 1,
		limit: 900
	}).ticks;

const another = planRobot({ ...squares.robots[0]!, name: 'Ember-6' }, squares.robots);
const twoSquares = {
	...squares,
	robots: [...squares.robots, another],
	chains: [...squares.chains, { ...squares.chains[0]!, id: 'other', robot: another.id }]
};
const two = () =>
	simulate({
		plan: twoSquares,
		course: {
			...course(0, -20, 0),
			starts: [
				{ at: [0, -20], bearing: 0 },
				{ at: [10, -20], bearing: 0 }
			]
		},
		variation: 'classroom',
		seed: 1,
		limit: 900
	}).ticks;

/** Under the start of those who need one. */
const roundRail = {
	...{ id: 'rail', at: [0, -49] as [number, number], bearing: 180, isClosed: true, marks: [] },
	pieces: [{ radius: 5, angle: 360 }]
};

/** Robots of every kind set off and roll on; what they are told takes no time. */
const alone = Object.fromEntries(
	robotKinds.map((kind) => [
		kind.kind,
		() =>
			simulate({
				plan: planFor(
					kind,
					planOf([
						...(canDo(kind, [flying]) ? [step('takeOff')] : []),
						step('start', { direction: 'forward', speed: 0.4 }),
						wait(300)
					])
				),
				course: { ...course(0, -49, 180), rails: [roundRail] },
				variation: 'classroom',
				seed: 1,
				limit: 300
			}).ticks
	])
);

const alongWall = planOf([repeat(8, [go(10, 1)])]);
function contact(): number {
	const attempt = simulate({
		plan: alongWall,
		course: course(-44, 0.9, 80),
		variation: 'ideal',
		seed: 1,
		limit: 120
	});
	if (attempt.runs[0]!.bumps.length === 0)
		throw new Error('The car was expected to touch the wall.');
	return attempt.ticks;
}

const scale = 10;
const toVec = ([x, y]: readonly [number, number]) => new Vec2(x * scale, y * scale);

/** The body is driven into and along the same wall; nothing but planck's own step. */
function barePlanck(): number {
	const world = new World({ gravity: { x: 0, y: 0 }, allowSleep: false });
	const ground = world.createBody();
	for (const each of walls)
		ground.createFixture(new Polygon(wallCorners(each).map(toVec)), { friction: 0.3 });
	const body = world.createBody({
		type: 'dynamic',
		position: new Vec2(-44 * scale, 0.9 * scale),
		angle: 0
	});
	body.createFixture(new Polygon(skiff.outline.map(toVec)), { density: 1, friction: 0.3 });
	body.setMassData({
		mass: skiffSettings.mass,
		center: new Vec2(0, 0),
		I: skiffSettings.inertia * scale * scale
	});
	const velocity = new Vec2(0.5 * scale, 0.05 * scale);
	const ticks = 14_400;
	for (let i = 0; i < ticks; i++) {
		body.setLinearVelocity(velocity);
		world.step(tick, 8, 3);
	}
	return ticks;
}

/** Each round of a chain reckons, compares, sets its lamp, and begins again in the next tick. */
const busyChain = (number: number) => ({
	id: `busy${number}`,
	trigger: trigger(),
	steps: [
		step('forever', {}, [
			step('set', { variable: `n${number}`, value: { expression: 'time * 2 / s' } }),
			...Array.from({ length: 48 }, (_, i) =>
				i % 2
					? step('change', { variable: `n${number}`, by: i })
					: step('set', {
							variable: `m${number}`,
							value: { expression: `n${number} * 0.5 + ${i}` }
						})
			)
		])
	]
});
const busyPlan = {
	...squares,
	chains: [...squares.chains, ...Array.from({ length: 100 }, (_, i) => busyChain(i))]
};
const chains = () =>
	simulate({
		plan: busyPlan,
		course: course(0, -20, 0),
		variation: 'classroom',
		seed: 1,
		limit: 8
	}).ticks;

// Before the others, which leave V8 with habits that no rehearsal in the app has met.
const read = (file: string): unknown => JSON.parse(readFileSync(`samples/${file}.json`, 'utf8'));
console.log('Interpreter, part of the time of a rehearsal:');
for (const { file, course: courseFile } of index.plans) {
	const plan = planSchema.parse(read(`plans/${file}`));
	const place = courseSchema.parse(read(`courses/${courseFile}`));
	let seed = 0;
	const rehearse = () => {
		seed = (seed + 1) % 50;
		simulate({ plan, course: place, variation: 'classroom', seed, isWatched: true });
	};
	const { part, ms } = await interpreterPart(rehearse);
	console.log(`${file.padEnd(22)} ${(part * 100).toFixed(1)} % of ${ms.toFixed(2)} ms`);
}
console.log();

const cases = { planck: barePlanck, free, two, contact, chains, ...alone };
const rates: Record<string, number[]> = Object.fromEntries(
	Object.keys(cases).map((name) => [name, []])
);
for (let round = 0; round < rounds; round++) {
	for (const [name, run] of Object.entries(cases)) rates[name]!.push(ticksPerSecond(run));
}

const planck = median(rates.planck!);
console.log(`planck   ${Math.round(planck)} ticks/s   1.00`);
for (const name of Object.keys(cases).slice(1)) {
	const rate = median(rates[name]!);
	console.log(`${name.padEnd(9)} ${Math.round(rate)} ticks/s   ${(rate / planck).toFixed(2)}`);
}
const parts = (median(rates.free!) / median(rates.two!)).toFixed(2);
console.log(`two robots take ${parts} times the time of one`);
const busyRate = median(rates.chains!);
const stepsEach = 100 * 49;
console.log(
	`chains take ${(median(rates.free!) / busyRate).toFixed(0)} times the plain car's time, ` +
		`${((busyRate * stepsEach) / 1e6).toFixed(1)} million steps a second`
);

/** Milliseconds of a mission of half a minute, as a worker is given it: nothing of it is known yet. */
function mission(more: Course['walls']): number {
	const given = structuredClone({ ...course(0, 5, 0), walls: [...walls, ...more] });
	const began = performance.now();
	simulate({ plan: squares, course: given, variation: 'classroom', seed: 1, limit: 30 });
	return performance.now() - began;
}
const missions = Array.from({ length: 40 }, () => [mission([]), mission(thousand)] as const);
const few = median(missions.map(([time]) => time));
const many = median(missions.map(([, time]) => time));
console.log(
	`a mission of 30 s on 1,000 parts takes ${(many / few).toFixed(2)} times as long as on 60 walls ` +
		`(${many.toFixed(1)} ms, ${few.toFixed(1)} ms)`
);

const deep = deepPlan();
const checkTimes = Array.from({ length: 30 }, () => {
	// Another plan each time, so that nothing is remembered from the last one.
	const chains = deep.chains.map((chain) => ({ ...chain }));
	const began = performance.now();
	checkPlan({ ...deep, chains });
	return performance.now() - began;
});
console.log(`\nChecks of 1,000 steps nested ten deep: ${median(checkTimes).toFixed(1)} ms`);
