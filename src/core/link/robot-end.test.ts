import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Happenings } from '../devices/happenings';
import { skiff } from '../robots/skiff';
import { sampleRobot } from '../robots/robot-document';
import { Store } from '../live/stored-run';
import { Stage } from '../simulation/stage';
import { courseOf, planOf } from '../testing/sample';
import { planRobot, type Plan } from '../plan/plan';
import { Terrain } from '../world/scene';
import { fromRobotSchema, longestMessage, type FromRobot, type ToRobot } from './frames';
import { LinkPort } from './link-port';
import { RobotEnd } from './robot-end';
import { lockedFor, signLight, signsLast } from './signs';
import { runs } from '../testing/runs';

const maren = { id: 'maren', name: 'Maren' };
const piet = { id: 'piet', name: 'Piet' };

/** A robot's end on a machine that stands on a floor, and a clock that a test turns on. */
function standing() {
	const course = courseOf();
	const robot = { ...sampleRobot(skiff), id: 'tallow' };
	const terrain = new Terrain(course);
	const stage = new Stage({
		terrain,
		starts: course.starts,
		robots: [robot],
		variation: 'ideal',
		seed: 1
	});
	const { machine } = stage.crew[0]!;
	const end = new RobotEnd(
		{
			...{ id: 'tallow', name: 'Tallow', firmware: '1', version: 1, kind: skiff, settings: {} },
			...{ machine, happened: new Happenings(), battery: 1, isCharging: false },
			...{ hindrance: undefined, fault: undefined, rename: () => {}, switchOff: () => {} },
			...{ store: new Store('tallow', () => 0.5), runStored: () => false }
		},
		() => 0.5,
		(person) => `token of ${person}`
	);
	let time = 0;
	const pass = (seconds: number) => {
		const until = time + seconds;
		for (; time < until; time += 1 / 120) end.report(time);
	};
	const caller = () => {
		const said: FromRobot[] = [];
		let isClosed = false;
		const line = end.connect(
			(frame) => said.push(fromRobotSchema.parse(JSON.parse(JSON.stringify(frame)))),
			() => (isClosed = true)
		);
		const send = (frame: ToRobot) => line.receive(JSON.stringify(frame));
		const types = () => said.map(({ type }) => type);
		return { line, send, said, types, last: () => said.at(-1)!, isClosed: () => isClosed };
	};
	const hello = (person = maren, token?: string): ToRobot => ({
		type: 'hello',
		version: 1,
		person,
		...(token !== undefined && { token })
	});
	const signs = () => [...end.door.signs!];
	const pairedBy = (person = maren) => {
		const one = caller();
		one.send(hello(person));
		one.send({ type: 'signs', signs: signs() });
		return one;
	};
	return { end, machine, pass, caller, hello, signs, pairedBy };
}

describe('pairing', () => {
	it('lets in who tells its signs, and next time who has its token', () => {
		const { caller, hello, signs, pass } = standing();
		const one = caller();
		one.send(hello());
		expect(one.last()).toEqual({ type: 'confirm', seconds: signsLast, left: 3 });
		one.send({ type: 'signs', signs: signs() });
		expect(one.types()).toContain('greeting');
		one.line.closed();
		pass(0.1);
		const again = caller();
		again.send(hello(maren, 'token of maren'));
		expect(again.types()).toEqual(['greeting', 'battery']);
		again.line.closed();
		const other = caller();
		other.send(hello(piet, 'token of maren'));
		expect(other.types()).toEqual(['confirm']);
	});

	it('draws new signs for each try, takes three wrong ones, and then none for a while', () => {
		const { caller, hello, pass, signs } = standing();
		const one = caller();
		one.send(hello());
		const wrong = signs().map((sign) => (sign % 4) + 1);
		for (const left of [2, 1]) {
			one.send({ type: 'signs', signs: wrong });
			expect(one.last()).toEqual({ type: 'wrong', left });
		}
		one.send({ type: 'signs', signs: wrong });
		expect(one.last()).toMatchObject({ type: 'sorry', why: 'tooManyTries', seconds: lockedFor });
		one.send(hello());
		expect(one.last()).toMatchObject({ type: 'sorry', why: 'tooManyTries' });
		pass(lockedFor + 0.1);
		one.send(hello());
		expect(one.last()).toMatchObject({ type: 'confirm' });
	});

	it('does not take signs that are older than a minute', () => {
		const { caller, hello, pass, signs } = standing();
		const one = caller();
		one.send(hello());
		const seen = signs();
		pass(signsLast + 0.1);
		one.send({ type: 'signs', signs: seen });
		expect(one.last()).toEqual({ type: 'sorry', why: 'expired' });
	});

	it('tells others who has it, and is free again when they are gone or say nothing', () => {
		const { caller, hello, pass, pairedBy } = standing();
		const one = pairedBy();
		pass(2);
		const other = caller();
		other.send(hello(piet));
		expect(other.last()).toMatchObject({ type: 'sorry', why: 'busy', with: 'Maren' });
		pass(3);
		expect(one.isClosed()).toBe(true);
		other.send(hello(piet));
		expect(other.last()).toMatchObject({ type: 'confirm' });
	});

	it('holds plans for itself alone', () => {
		const { pairedBy } = standing();
		const one = pairedBy();
		const plan = planOf([]);
		const { robots } = plan;
		const store = (plan: Plan): ToRobot => ({
			...{ type: 'store', place: 1, planId: 'quay', courseId: null, owner: 'Maren' },
			...{ plan, course: courseOf() }
		});
		one.send(store({ ...plan, robots: [...robots, planRobot(robots[0]!, robots)] }));
		expect(one.last()).toMatchObject({ type: 'bad' });
		one.send(store(plan));
		expect(one.last()).toEqual({
			type: 'stored',
			places: [{ place: 1, name: plan.name, owner: 'Maren' }]
		});
	});

	it('never obeys two', () => {
		const { caller, hello, pairedBy, machine } = standing();
		pairedBy();
		const other = caller();
		other.send(hello(piet, 'token of piet'));
		other.send({
			type: 'begin',
			id: 1,
			command: { device: 'motion', name: 'start', values: { speed: 0.5 } }
		});
		expect(other.last()).toEqual({ type: 'bad', why: 'notPaired' });
		expect(machine.isStill).toBe(true);
	});

	it('blinks each sign as often as it counts', () => {
		const counts = [];
		let wasLit = false;
		let colours = 0;
		for (let time = 0; time < 6.5; time += 0.01) {
			const light = signLight([2, 4, 1], time);
			if (light && !wasLit) counts.push(light);
			wasLit = light !== 0;
			if (light) colours += 1;
		}
		expect(counts).toHaveLength(7);
		expect(new Set(counts.slice(0, 2)).size).toBe(1);
		expect(colours).toBeGreaterThan(50);
	});
});

describe('messages that make no sense', () => {
	const good: readonly ToRobot[] = [
		{ type: 'hello', version: 1, person: maren, token: 'token of maren' },
		{ type: 'signs', signs: [1, 2, 3] },
		{ type: 'start' },
		{ type: 'lineUp', at: { x: 1, y: 2, heading: 0 } },
		{
			type: 'begin',
			id: 3,
			command: { device: 'wheels', name: 'drive', values: { left: 1, right: 1 } }
		},
		{ type: 'halt' },
		{ type: 'rename', name: 'Wick' }
	];
	const answers: readonly FromRobot[] = [
		{ type: 'sense', time: 1, row: { battery: 1, heading: null }, shows: { speed: 1 } },
		{ type: 'happened', happening: { time: 1, kind: 'bump', what: 'wall' } },
		{ type: 'done', id: 1 },
		{ type: 'refused', id: 2, why: 'onGround' }
	];
	/** A text with some of its characters changed, taken out, doubled or cut off. */
	const mutated = (frames: readonly object[]) =>
		fc
			.tuple(
				fc.constantFrom(...frames.map((frame) => JSON.stringify(frame))),
				fc.array(fc.tuple(fc.nat(200), fc.nat(3), fc.string({ minLength: 1, maxLength: 4 })), {
					minLength: 1,
					maxLength: 5
				})
			)
			.map(([text, changes]) =>
				changes.reduce((changed, [place, way, more]) => {
					const at = place % (changed.length + 1);
					if (way === 0) return changed.slice(0, at) + more + changed.slice(at);
					if (way === 1) return changed.slice(0, at) + changed.slice(at + more.length);
					if (way === 2) return changed.slice(0, at) + changed.slice(0, at) + changed.slice(at);
					return changed.slice(0, at);
				}, text)
			);

	it('10,000 of them leave a robot alive, and it still knows who has it', () => {
		const { caller, hello, pass, end } = standing();
		let one = caller();
		one.send(hello(maren, 'token of maren'));
		fc.assert(
			fc.property(mutated(good), (text) => {
				if (one.isClosed()) {
					one.line.closed();
					one = caller();
					one.send(hello(maren, 'token of maren'));
				}
				one.line.receive(text);
				pass(1 / 120);
				one.said.length = 0;
			}),
			{ numRuns: runs(1200, 10_000), seed: 3 }
		);
		one.line.closed();
		pass(1);
		const last = caller();
		last.send(hello(maren, 'token of maren'));
		expect(last.types()).toEqual(['greeting', 'battery']);
		expect(end.door.guest?.person).toEqual(maren);
	});

	it('10,000 of them are refused by an app, or do no harm', () => {
		const port = new LinkPort(skiff.devices, () => {});
		let taken = 0;
		fc.assert(
			fc.property(mutated(answers), (text) => {
				let value: unknown;
				try {
					value = JSON.parse(text);
				} catch {
					return;
				}
				const frame = fromRobotSchema.safeParse(value).data;
				if (!frame) return;
				taken += 1;
				port.receive(frame);
			}),
			{ numRuns: runs(1200, 10_000), seed: 4 }
		);
		expect(taken).toBeLessThan(2000);
		expect(['number', 'boolean', 'string']).toContain(typeof port.read('battery'));
	});

	it('are refused with a reason, and after many it hangs up', () => {
		const { pairedBy } = standing();
		const one = pairedBy();
		one.line.receive('{');
		expect(one.last()).toEqual({ type: 'bad', why: 'notJson' });
		one.line.receive('{"type":"halt","now":true}');
		expect(one.last()).toEqual({ type: 'bad', why: 'unknown' });
		one.line.receive(' '.repeat(longestMessage + 1));
		expect(one.last()).toEqual({ type: 'bad', why: 'tooLong' });
		for (let i = 0; i < 20; i++) one.line.receive('{');
		expect(one.isClosed()).toBe(true);
	});

	it('a flood of good ones is refused, too', () => {
		const { pairedBy } = standing();
		const one = pairedBy();
		for (let i = 0; i < 1000; i++) one.send({ type: 'alive' });
		expect(one.last()).toEqual({ type: 'bad', why: 'tooMany' });
		expect(one.isClosed()).toBe(true);
	});
});
