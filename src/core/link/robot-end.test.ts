import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Happenings } from '../devices/happenings';
import { skiff } from '../robots/skiff';
import { Store } from '../live/stored-run';
import { courseOf, planOf } from '../testing/sample';
import { standingSkiff } from '../testing/standing';
import { planRobot, type Plan } from '../plan/plan';
import {
	fromRobotSchema,
	longestMessage,
	type FromRobot,
	type Greeting,
	type ToRobot
} from './frames';
import { LinkPort } from './link-port';
import { RobotEnd } from './robot-end';
import { Knocker } from './knocker';
import { makeKeys, makeNonce, sealOf } from './secret';
import { mostTries, quietFor, signLight, signsLast, signValues } from './signs';
import { keptTokens, Visitor } from '../testing/knocking';
import { runs } from '../testing/runs';

const maren = { id: 'maren', name: 'Maren' };
const piet = { id: 'piet', name: 'Piet' };

/** A robot's end on a machine that stands on a floor, and a clock that a test turns on. */
function standing(chance: () => number = () => 0.5) {
	const course = courseOf();
	const { machine } = standingSkiff(course);
	const end = new RobotEnd(
		{
			...{ id: 'tallow', name: 'Tallow', firmware: '1', version: 1, kind: skiff, settings: {} },
			...{ machine, happened: new Happenings(), battery: 1, isCharging: false },
			...{ hindrance: undefined, fault: undefined, rename: () => {}, switchOff: () => {} },
			...{ store: new Store('tallow', () => 0.5), runStored: () => false }
		},
		chance,
		keptTokens()
	);
	let time = 0;
	const pass = (seconds: number) => {
		const until = time + seconds;
		for (; time < until; time += 1 / 120) end.report(time);
	};
	const visitor = (person = maren, token?: string) => new Visitor(end, 'tallow', person, token);
	const pairedBy = (person = maren) => visitor(person).hello().tell();
	return { end, machine, pass, visitor, pairedBy, press: () => end.door.press(time) };
}

let strangers = 0;
const stranger = () => ({ id: `stranger-${(strangers += 1)}`, name: 'Somebody' });

/** What somebody says who has miscounted. */
const wrong = (signs: readonly number[]) => signs.map((sign) => (sign % signValues) + 1);

describe('pairing', () => {
	it('lets in who tells its signs, and next time who proves to have its token', () => {
		const { visitor, pass } = standing();
		const one = visitor().hello();
		expect(one.last).toMatchObject({ type: 'confirm', seconds: signsLast, left: 3, hand: false });
		one.tell();
		expect(one.types).toEqual(['confirm', 'shown', 'greeting', 'battery']);
		const { token } = one.knocker;
		one.leave();
		pass(0.1);
		const again = visitor(maren, token).hello();
		expect(again.types).toEqual(['challenge', 'greeting', 'battery']);
		expect(again.knocker.trusts(again.said[1] as Greeting)).toBe(true);
		again.leave();
		// A token is of one person, and of one pairing.
		expect(visitor(piet, token).hello().types).toEqual(['confirm']);
		expect(visitor(maren, token!.replaceAll(/./g, '0')).hello().last).toEqual({
			type: 'sorry',
			why: 'stranger'
		});
	});

	it('draws new signs for each try, whoever makes it, and after three wants a hand on its button', () => {
		const { visitor, end, press, pass } = standing(Math.random);
		const guess = () => {
			const one = visitor(stranger()).hello();
			const before = end.door.signs!;
			one.tell(wrong(before));
			expect(end.door.signs).not.toBe(before);
			return one;
		};
		const guesses = Array.from({ length: mostTries }, guess);
		pass(2.1);
		expect(guesses[2]!.last).toEqual({ type: 'wrong', left: 0, hand: true });
		// From now on nobody is told anything, until somebody stands there.
		const more = Array.from({ length: 50 }, () =>
			visitor(stranger()).hello().tell(wrong(end.door.signs!))
		);
		const beside = visitor().hello();
		expect(beside.last).toMatchObject({ type: 'confirm', left: 0, hand: true });
		beside.tell();
		pass(30);
		expect([...more, beside].some(({ types }) => types.includes('shown'))).toBe(false);
		expect(press()).toBe(true);
		pass(2.1);
		expect([...more, ...guesses].some(({ isIn }) => isIn)).toBe(false);
		expect(beside.isIn).toBe(true);
		beside.leave();
		// Who comes in by hand brings no tries for those who guess; ten quiet minutes do.
		expect(visitor().hello().last).toMatchObject({ type: 'confirm', left: 0, hand: true });
		pass(quietFor);
		expect(visitor().hello().last).toMatchObject({ type: 'confirm', left: 3, hand: false });
	});

	it('lets nobody in where two are right, and who opens what was not sealed', () => {
		const { visitor, end, press, pass } = standing(Math.random);
		for (let i = 0; i < mostTries; i++) visitor(piet).hello().tell(wrong(end.door.signs!));
		pass(2.1);
		const two = [visitor(maren).hello().tell(), visitor(piet).hello().tell()];
		press();
		expect(two.map(({ last }) => last.type)).toEqual(['wrong', 'wrong']);
		// One who has heard what is right cannot say any more that it is what they told.
		const liar = visitor(piet).hello();
		const { shown: appKey } = makeKeys();
		liar.send({ ...liar.knocker.hello(), key: appKey } as ToRobot);
		const { key: robotKey } = liar.last as FromRobot & { type: 'confirm' };
		const visit = { robot: 'tallow', person: piet.id, appKey, robotKey };
		const nonce = makeNonce();
		liar.send({ type: 'seal', mark: sealOf(nonce, wrong(end.door.signs!), visit) });
		press();
		liar.send({ type: 'open', nonce });
		expect(liar.isIn).toBe(false);
	});

	it('is kept from nobody by those who only knock', () => {
		const { visitor, pass } = standing(Math.random);
		const knocking = Array.from({ length: 200 }, () => visitor(piet).hello());
		pass(signsLast * 2);
		expect(knocking.at(-1)!.types.filter((type) => type === 'confirm').length).toBeGreaterThan(1);
		expect(visitor().hello().tell().isIn).toBe(true);
		expect(knocking.at(-1)!.last).toMatchObject({ type: 'sorry', why: 'busy', with: 'Maren' });
	});

	it('never says what could be used again: all that was said, said again, lets nobody in', () => {
		const { visitor, pass, end } = standing(Math.random);
		const first = visitor();
		const told: string[] = [];
		const send = first.sendText.bind(first);
		first.sendText = (text) => (told.push(text), send(text));
		first.hello().tell();
		const { token } = first.knocker;
		first.leave();
		const known = visitor(maren, token);
		const sendKnown = known.sendText.bind(known);
		known.sendText = (text) => (told.push(text), sendKnown(text));
		known.hello();
		expect(known.isIn).toBe(true);
		known.leave();
		pass(0.1);
		expect(told.length).toBe(5);
		expect([...told, ...first.said, ...known.said].map(String).join()).not.toContain(token);
		const replayed = visitor(maren);
		replayed.knocker.see = () => {};
		for (const text of told) replayed.sendText(text);
		for (const text of told.toReversed()) replayed.sendText(text);
		pass(3);
		expect(replayed.isIn).toBe(false);
		expect(end.door.guest).toBeUndefined();
	});

	it('tells others who has it, and is free again when they are gone or say nothing', () => {
		const { visitor, pass, pairedBy } = standing();
		const one = pairedBy();
		pass(2);
		const other = visitor(piet).hello();
		expect(other.last).toMatchObject({ type: 'sorry', why: 'busy', with: 'Maren' });
		pass(3);
		expect(one.isClosed).toBe(true);
		expect(other.hello().last).toMatchObject({ type: 'confirm' });
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
		expect(one.last).toMatchObject({ type: 'bad' });
		one.send(store(plan));
		expect(one.last).toEqual({
			type: 'stored',
			places: [{ place: 1, name: plan.name, owner: 'Maren' }]
		});
	});

	it('never obeys two', () => {
		const { visitor, pairedBy, machine } = standing();
		pairedBy();
		const other = visitor(piet).hello();
		other.send({
			type: 'begin',
			id: 1,
			command: { device: 'motion', name: 'start', values: { speed: 0.5 } }
		});
		expect(other.last).toEqual({ type: 'bad', why: 'notPaired' });
		expect(machine.isStill).toBe(true);
	});

	it('blinks each sign as often as it counts', () => {
		const counts = [];
		let wasLit = false;
		let colours = 0;
		for (let time = 0; time < 5.9; time += 0.01) {
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
		new Knocker('tallow', maren, undefined).hello(),
		{ type: 'seal', mark: makeNonce() },
		{ type: 'open', nonce: makeNonce() },
		{ type: 'proof', proof: makeNonce() },
		{ type: 'start' },
		{ type: 'lineUp', at: { x: 1, y: 2, bearing: 90 } },
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
		const { visitor, pass, end, pairedBy } = standing();
		let one = pairedBy();
		const { token } = one.knocker;
		fc.assert(
			fc.property(mutated(good), (text) => {
				if (one.isClosed) {
					one.leave();
					one = visitor(maren, token).hello();
				}
				one.sendText(text);
				pass(1 / 120);
				one.said.length = 0;
			}),
			{ numRuns: runs(1200, 10_000), seed: 3 }
		);
		one.leave();
		pass(1);
		const last = visitor(maren, token).hello();
		expect(last.isIn).toBe(true);
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
		one.sendText('{');
		expect(one.last).toEqual({ type: 'bad', why: 'notJson' });
		one.sendText('{"type":"halt","now":true}');
		expect(one.last).toEqual({ type: 'bad', why: 'unknown' });
		one.sendText(' '.repeat(longestMessage + 1));
		expect(one.last).toEqual({ type: 'bad', why: 'tooLong' });
		for (let i = 0; i < 20; i++) one.sendText('{');
		expect(one.isClosed).toBe(true);
	});

	it('a flood of good ones is refused, too', () => {
		const { pairedBy } = standing();
		const one = pairedBy();
		for (let i = 0; i < 1000; i++) one.send({ type: 'alive' });
		expect(one.last).toEqual({ type: 'bad', why: 'tooMany' });
		expect(one.isClosed).toBe(true);
	});

	it('so is a flood of knocks: each costs it a key', () => {
		const one = standing().visitor();
		for (let i = 0; i < 11; i++) one.hello();
		expect(one.last).toEqual({ type: 'bad', why: 'tooMany' });
		expect(one.isClosed).toBe(true);
	});
});
