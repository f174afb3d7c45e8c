import fc from 'fast-check';
import { LinkPort } from '../link/link-port';
import { Reckoner } from '../link/reckoner';
import { hoversFor, patience, Served } from '../link/served';
import type { Plan } from '../plan/plan';
import type { Course } from '../course/course';
import { drone } from '../robots/drone';
import { railCar } from '../robots/rail';
import { skiff, skiffLite } from '../robots/skiff';
import { ball } from '../robots/ball';
import { simulate } from '../simulation/simulate';
import type { Variation } from '../robots/robot';
import { Stage } from '../simulation/stage';
import { courseOf, go, planFor, planOf, repeat, right, step, wait, wall } from '../testing/sample';
import { tickRate } from '../time';
import { headingOfBearing } from '../units/angles';
import { Terrain } from '../world/scene';
import { startPlaces } from '../world/start-places';
import { describe, expect, it } from 'vitest';
import { LiveRecord } from './live-news';
import { LiveRun } from './live-run';
import { runs } from '../testing/runs';

const course = courseOf({ size: { width: 4, height: 4 } });

/** A run in virtual time, on robots that stand on a stage of their own. */
function live(
	plan: Plan,
	on: Course = course,
	isByHand = false,
	day: { readonly variation: Variation; readonly seed: number } = { variation: 'ideal', seed: 4 },
	isByLeg = false
) {
	const stage = new Stage({
		terrain: new Terrain(on),
		starts: startPlaces(on, plan.robots.length),
		robots: plan.robots,
		...day
	});
	stage.begin();
	let isCut = false;
	let isDeaf = false;
	const ends = stage.crew.map(({ machine, kind, happened }, index) => {
		const reckoner = new Reckoner(machine, kind.devices);
		const port: LinkPort = new LinkPort(
			kind.devices,
			(frame) =>
				isCut || served.receive(isDeaf && frame.type === 'halt' ? { type: 'alive' } : frame)
		);
		const served: Served = new Served(
			machine,
			kind,
			happened,
			(frame) => isCut || port.receive(frame),
			reckoner.pose
		);
		const { at, bearing } = startPlaces(on, plan.robots.length)[index]!;
		reckoner.lineUp({ x: at[0], y: at[1], heading: headingOfBearing(bearing) });
		served.report(0);
		port.start();
		return { port, served, reckoner };
	});
	const run = new LiveRun({
		plan,
		course: on,
		ports: ends.map(({ port }) => port),
		chance: () => 0.5,
		isByHand,
		isByLeg
	});
	const record = new LiveRecord();
	const until = (seconds: number) => {
		while (stage.time < seconds && !run.outcome) {
			// The app looks 40 times a second.
			if (stage.tickNumber % 3 === 0) run.tick(stage.time);
			stage.advance();
			for (const { served, reckoner } of ends) {
				reckoner.advance();
				served.report(stage.time, stage.tickNumber % 4 === 0);
			}
		}
		return record.add(run.news());
	};
	/** With nobody who looks. */
	const pass = (seconds: number) => {
		const end = stage.time + seconds;
		while (stage.time < end) {
			stage.advance();
			for (const { served, reckoner } of ends) {
				reckoner.advance();
				served.report(stage.time);
			}
		}
	};
	return {
		...{ run, until, pass, crew: stage.crew, port: ends[0]!.port },
		cut: () => (isCut = true),
		deafen: () => (isDeaf = true)
	};
}

describe('a run on robots', () => {
	const square = planOf([repeat(4, [go(0.3), right(90)])]);

	it('does the steps of a rehearsal in their order, and is where the robot reckons to be', () => {
		const { until, crew } = live(square);
		const attempt = until(60);
		const rehearsal = simulate({ plan: square, course, variation: 'ideal', seed: 4 });
		expect(attempt.outcome.reason.key).toBe('outcome.over');
		expect(attempt.source).toEqual({ type: 'run' });
		expect(attempt.spans.map(({ kind }) => kind)).toEqual(rehearsal.spans.map(({ kind }) => kind));
		const { x, y, time, columns } = attempt.runs[0]!.trace;
		expect(Math.hypot(x.at(-1)! - crew[0]!.pose.x, y.at(-1)! - crew[0]!.pose.y)).toBeLessThan(0.01);
		expect(columns.speed!.length).toBe(time.length);
		expect(attempt.outcome.seconds).toBeGreaterThan(rehearsal.outcome.seconds);
	});

	it('tells on its way what is in progress, and put together it is all that was recorded', () => {
		const { until } = live(square);
		const early = until(1);
		expect(early.outcome.reason.key).toBe('outcome.running');
		expect(early.spans.filter(({ isComplete }) => !isComplete).map(({ kind }) => kind)).toEqual(
			expect.arrayContaining(['go', 'repeat'])
		);
		const whole = until(60);
		const { time } = whole.runs[0]!.trace;
		expect(time.length).toBeGreaterThan(early.runs[0]!.trace.time.length * 3);
		expect(time.every((each, index) => index === 0 || each > time[index - 1]!)).toBe(true);
	});

	it.each([skiff, skiffLite, ball, drone])('halts a $kind at once', (kind) => {
		const start = step('start', { direction: 'forward', speed: 0.4 });
		const steps = [...(kind === drone ? [step('takeOff')] : []), start, wait(30)];
		const { run, until, crew } = live(planFor(kind, planOf(steps)));
		until(4.5);
		expect(Math.abs(crew[0]!.machine.body.speed)).toBeGreaterThan(0.1);
		run.halt();
		// It is not said before the robot has said that it stands.
		expect(until(4.6).outcome.reason.key).toBe('outcome.running');
		const { outcome } = until(8);
		expect([outcome.kind, outcome.reason.key]).toEqual(['halted', 'outcome.halted']);
		expect(Math.abs(crew[0]!.machine.body.speed)).toBeLessThan(0.03);
		expect(outcome.seconds).toBeLessThan(6);
	});

	it('says at once that a robot does not hear Halt, and what to do', () => {
		const steps = [step('start', { direction: 'forward', speed: 0.4 }), wait(30)];
		const { run, until, deafen } = live(planOf(steps));
		until(2);
		deafen();
		run.halt();
		until(4);
		expect(run.alarm).toMatchObject({ key: 'live.deaf', values: { name: 'Tallow' } });
		expect(run.outcome).toBeUndefined();
		expect(until(20).outcome.reason.key).toBe('outcome.deaf');
	});

	it('goes on when rows make no sense, and says so once', () => {
		const { until, port } = live(planOf([go(0.3)]));
		port.odd.add('distanceAhead');
		port.receive({ type: 'sense', time: 0, row: { heading: 'north', battery: 0.5 } });
		expect([port.read('heading'), port.read('battery')]).toEqual([NaN, 0.5]);
		const { notes, outcome } = until(10);
		expect(outcome.reason.key).toBe('outcome.over');
		const said = notes.map(({ sentence }) => sentence.values!.readings);
		expect(said).toEqual(['distanceAhead, heading']);
	});

	it('says that a robot stands still which is to move, and has not said that it is done', () => {
		const walled = courseOf({ walls: [wall([0, 0.7], [2, 0.7])] });
		const { until, crew } = live(planOf([go(1)]), walled);
		crew[0]!.machine.begin({ device: 'persistence', name: 'giveUpAfter', values: { seconds: 60 } });
		const { notes } = until(9);
		expect(notes.map(({ sentence }) => sentence.key)).toEqual(['note.standsStill']);
	});

	it('is where its robot reckons to be, though a rail is near, unless it stands on that', () => {
		const rail = {
			...{ id: 'r', at: [1, 0.9], bearing: 90, isClosed: false, marks: [] },
			pieces: [{ length: 2 }]
		};
		const beside = courseOf({
			...{ size: { width: 4, height: 4 }, rails: [rail] as never },
			starts: [{ at: [1.5, 1], bearing: 0 }]
		});
		const steps = [step('takeOff'), go(0.4), step('land')];
		const { until } = live(planFor(drone, planOf(steps)), beside);
		const { trace } = until(30).runs[0]!;
		expect(trace.y.at(-1)! - 1).toBeCloseTo(0.4, 1);
		const car = live(planFor(railCar, planOf([go(0.4)])), beside).until(30).runs[0]!.trace;
		expect([car.y[0], car.y.at(-1)]).toEqual([0.9, 0.9]);
	});

	it('is put together with as many ticks as it has seconds, 120 to one', () => {
		const attempt = live(planOf([wait(2)])).until(30);
		expect(attempt.ticks).toBe(Math.round(attempt.outcome.seconds * tickRate));
		expect(attempt.runs[0]!.trace.time.at(-1)! * tickRate).toBeCloseTo(attempt.ticks, 6);
	});

	it('ends when a robot is lost, and keeps what it told until then', () => {
		const { run, until, cut } = live(square);
		const before = until(2);
		cut();
		until(3);
		run.lost('Tallow');
		const { outcome, runs, spans } = until(3);
		expect(outcome.reason).toEqual({ key: 'outcome.lost', values: { name: 'Tallow', seconds: 3 } });
		expect(runs[0]!.trace.time.length).toBeGreaterThanOrEqual(before.runs[0]!.trace.time.length);
		expect(spans.at(-1)!.isComplete).toBe(false);
	});

	it('ends when its robot heard nothing for a while and has halted by itself', () => {
		const { until, pass } = live(square);
		until(1);
		pass(patience - 0.1);
		expect(until(1.5).outcome.reason.key).toBe('outcome.running');
		pass(patience + 0.1);
		const { kind, reason } = until(30).outcome;
		const values = { name: 'Tallow', number: 2 };
		expect([kind, reason]).toEqual(['halted', { key: 'outcome.live.alone', values }]);
	});

	it.each([skiff, ball, drone])(
		'that is cut at any of 100 moments: a $kind is still soon after, and what it told is kept',
		(kind) => {
			const start = step('start', { direction: 'forward', speed: 0.3 });
			const steps = [...(kind === drone ? [step('takeOff')] : []), start, wait(30)];
			const plan = planFor(kind, planOf(steps));
			const wide = courseOf({ size: { width: 9, height: 9 } });
			fc.assert(
				fc.property(fc.double({ min: 0.2, max: 7, noNaN: true }), (moment) => {
					const { run, until, crew, cut, pass } = live(plan, wide);
					const before = until(moment);
					cut();
					// Patience, and then as long as it takes to stop.
					pass(patience + 1.6);
					const [robot] = crew;
					expect(Math.abs(robot!.machine.body.speed)).toBeLessThan(0.03);
					run.lost('Tallow');
					const { outcome, runs } = until(moment);
					expect(outcome.reason.key).toBe('outcome.lost');
					expect(runs[0]!.trace.time.length).toBeGreaterThanOrEqual(
						before.runs[0]!.trace.time.length
					);
					if (kind !== drone) return;
					pass(hoversFor + 6);
					expect(robot!.heights.bottom).toBe(0);
				}),
				{ numRuns: runs(30, 100), seed: 8 }
			);
		}
	);

	it('tells what stops a robot, with the step that drove it', () => {
		const walled = courseOf({
			walls: [{ id: 'w', from: [0.2, 0.7], to: [0.9, 0.7], thickness: 0.02 }],
			starts: [{ at: [0.5, 0.4], bearing: 0 }]
		});
		const { until, run, crew } = live(planOf([go(1)]), walled);
		until(6);
		expect(crew[0]!.machine.isStalled).toBe(true);
		run.halt();
		expect(until(6).runs[0]!.bumps[0]!.number).toBe(1);
	});
});

describe('real robots', () => {
	const plan = (name: string) => {
		const square = planOf([repeat(3, [go(0.6), right(90)])]);
		return { ...square, robots: square.robots.map((robot) => ({ ...robot, name })) };
	};
	const endOf = (name: string, seed: number) => {
		const { until, crew } = live(plan(name), course, false, { variation: 'classroom', seed });
		until(60);
		return crew[0]!.pose;
	};
	const apart = (one: { x: number; y: number }, other: { x: number; y: number }) =>
		Math.hypot(one.x - other.x, one.y - other.y);

	it('end where neither the model, nor another one, nor they themselves ended before', () => {
		const [rehearsed] = simulate({
			plan: plan('Tallow'),
			course,
			variation: 'ideal',
			seed: 1
		}).runs;
		const model = { x: rehearsed!.trace.x.at(-1)!, y: rehearsed!.trace.y.at(-1)! };
		const tallow = endOf('Tallow', 1);
		const again = endOf('Tallow', 2);
		const ember = endOf('Ember-6', 1);
		const ends = [model, tallow, again, ember];
		ends.forEach((one, index) => {
			for (const other of ends.slice(0, index)) expect(apart(one, other)).toBeGreaterThan(0.001);
		});
		expect(apart(tallow, again)).toBeLessThan(0.15);
	});
});

describe('a board', () => {
	const plan: Plan = {
		...planOf([go(0.2)]),
		chains: [
			{ id: 'run', trigger: step('whenRunPressed'), steps: [go(0.2)] },
			{
				id: 'loose',
				trigger: null,
				steps: [step('log', { value: { expression: 'sides' } })]
			},
			{ id: 'set', trigger: null, steps: [step('set', { variable: 'sides', value: 1 })] }
		]
	};

	it('starts chains, also loose ones, and none by itself; a slider sets a variable', () => {
		const { run, until, crew } = live(plan, course, true);
		until(1);
		expect(crew[0]!.machine.isStill).toBe(true);
		run.set('sides', 7);
		run.press('loose');
		expect(until(1.2).log.map(({ value }) => value)).toEqual([7]);
		run.press('run');
		run.press('run');
		run.press('nobody');
		const attempt = until(6);
		expect(attempt.spans.filter(({ kind }) => kind === 'go')).toHaveLength(1);
		expect(attempt.outcome.reason.key).toBe('outcome.running');
		run.halt();
		expect(until(8).outcome.kind).toBe('halted');
	});
});

it('waits behind each leg that moved until somebody goes on, and can be halted there', () => {
	const plan = planOf([repeat(2, [go(0.2), wait(0.3), right(90)])]);
	const begin = () => live(plan, course, false, undefined, true);
	const { run, until } = begin();
	const waits: string[] = [];
	for (let seconds = 5; !run.outcome && seconds < 100; seconds += 5) {
		until(seconds);
		const { held } = run.news();
		if (held) waits.push(`${held.number}/${held.round}`);
		run.goOn();
	}
	expect(waits).toEqual(['2/1', '4/1', '2/2', '4/2']);
	expect(run.outcome!.reason.key).toBe('outcome.over');
	const halted = begin();
	halted.until(5);
	halted.run.halt();
	expect(halted.until(8).outcome.reason.key).toBe('outcome.halted');
});
