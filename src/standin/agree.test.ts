/** Runs of the samples on robots of the yard: what is written down is what the robots did. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { courseSchema } from '../core/course/course';
import { readMessage, toRobotSchema, type FromRobot } from '../core/link/frames';
import { LinkPort } from '../core/link/link-port';
import { LiveRecord } from '../core/live/live-news';
import { LiveRun } from '../core/live/live-run';
import { planSchema, type Plan } from '../core/plan/plan';
import { Random } from '../core/random/random';
import { robotKinds } from '../core/robots/kinds';
import { skiffLite } from '../core/robots/skiff';
import type { Attempt } from '../core/simulation/attempt';
import { planFor } from '../core/testing/sample';
import { tick } from '../core/time';
import { startPlaces } from '../core/world/start-places';
import { headingOfBearing } from '../core/units/angles';
import type { StandIn } from './stand-in';
import { keptTokens, Visitor } from '../core/testing/knocking';
import { Yard } from './yard';

interface Index {
	readonly courses: readonly { readonly file: string }[];
	readonly plans: readonly { readonly file: string; readonly course: string }[];
}
const read = (file: string): unknown =>
	JSON.parse(readFileSync(new URL(`../../samples/${file}.json`, import.meta.url), 'utf8'));
const index = read('index') as Index;
const courses = new Map(
	index.courses.map(({ file }) => [file, courseSchema.parse(read(`courses/${file}`))])
);
const maren = { id: 'maren', name: 'Maren' };
/** Seconds between two looks of the app, and for which a run may go on. */
const looks = 3 * tick;
const longest = 45;

class Meeting {
	readonly robots: readonly StandIn[];
	/** Of the yard's clock, seconds. */
	private time = 0;
	private readonly yard: Yard;

	constructor(
		private readonly plan: Plan,
		private readonly courseFile: string,
		seed: number
	) {
		const chance = new Random(seed);
		this.yard = new Yard({
			places: [...courses].map(([id, course]) => ({ id, course })),
			robots: plan.robots.map(({ id, name, kind }) => ({ id, name, kind, signal: 1 })),
			...{
				variation: 'classroom',
				seed,
				tokens: keptTokens,
				chance: () => chance.between(0, 1)
			}
		});
		this.robots = plan.robots.map(({ id }) => this.yard.robots.get(id)!);
		// They have been on for a while before they are carried to the course.
		this.pass(2);
		for (const { id } of this.robots) this.yard.act({ do: 'carry', robot: id, to: courseFile });
		this.pass(1);
	}

	private pass(seconds: number): void {
		for (let left = seconds; left > 0; left -= looks) this.yard.pass(Math.min(left, looks));
		this.time += seconds;
	}

	private portTo(robot: StandIn): LinkPort {
		let port: LinkPort | undefined = undefined;
		const hear = (frame: FromRobot) => port?.receive(frame);
		const visitor = new Visitor(robot.end, robot.id, maren, undefined, hear).hello().tell();
		return (port = new LinkPort(robot.kind.devices, (frame) => {
			expect(readMessage(JSON.stringify(frame), toRobotSchema)).toBeDefined();
			visitor.send(frame);
		}));
	}

	/** @returns the record, and seconds since Run at which the robots really came to rest */
	run(): { attempt: Attempt; restedAt: number } {
		const course = courses.get(this.courseFile)!;
		const places = startPlaces(course, this.robots.length);
		const ports = this.robots.map((robot, index) => {
			const port = this.portTo(robot);
			const { at, bearing } = places[index]!;
			robot.end.reckoner.lineUp({ x: at[0], y: at[1], heading: headingOfBearing(bearing) });
			port.start();
			return port;
		});
		const dice = new Random(7);
		const live = new LiveRun({
			...{ plan: this.plan, course, ports },
			chance: () => dice.between(0, 1)
		});
		const record = new LiveRecord();
		const began = this.time;
		let restedAt = 0;
		while (!live.outcome && this.time - began < longest) {
			live.tick(this.time - began);
			this.pass(looks);
			const isBusy = this.robots.some(({ machine }) => !machine.isStill || machine.isPlaying);
			if (isBusy) restedAt = this.time - began;
		}
		// Some go on until somebody halts them.
		live.leave();
		return { attempt: record.add(live.news()), restedAt };
	}
}

describe('fifty runs on the yard', () => {
	const kinds = new Set<string>();
	const byTime = 'lamp-while-driving';
	const runs = index.plans.flatMap(({ file, course }) =>
		[1, 2].map((seed) => [file, course, seed] as const)
	);

	it.each(runs)('%s on %s, day %d: record and robot agree', (file, course, day) => {
		const sample = planSchema.parse(read(`plans/${file}`));
		// No sample is for a Skiff Lite: it does what it can of another one's.
		const plan = file === byTime && day === 2 ? planFor(skiffLite, sample) : sample;
		for (const { kind } of plan.robots) kinds.add(kind);
		const meeting = new Meeting(plan, course, day);
		const { attempt, restedAt } = meeting.run();
		attempt.runs.forEach(({ trace }, index) => {
			const { kind, machine } = meeting.robots[index]!;
			for (const { name, unit, of } of kind.columns.filter(({ unit }) => unit === 'colour'))
				expect(trace.columns[name]!.at(-1), `${name}, ${unit}`).toBe(of(machine));
		});
		if (attempt.outcome.kind !== 'ended') return;
		const lastStep = Math.max(...attempt.spans.map(({ end }) => end));
		const { seconds } = attempt.outcome;
		expect(Math.abs(seconds - Math.max(restedAt, lastStep))).toBeLessThan(0.1);
		expect(attempt.spans.every(({ isComplete }) => isComplete)).toBe(true);
		for (const { kind, start, end, values } of attempt.spans) {
			if ((kind !== 'tone' && kind !== 'horn') || values.then === 'carryOn') continue;
			const lasts = Number(values.length ?? values.duration);
			expect(Math.abs(end - start - lasts), kind).toBeLessThan(0.1);
		}
	});

	it('are of all kinds', () => {
		expect(runs.length).toBeGreaterThanOrEqual(50);
		expect([...kinds].toSorted()).toEqual(robotKinds.map(({ kind }) => kind).toSorted());
	});
});
