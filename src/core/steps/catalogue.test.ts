import { describe, expect, it } from 'vitest';
import { turnedLamps } from '../devices/lampGrid/shown';
import { readPicture } from '../pictures/picture';
import { planSchema } from '../plan/plan';
import { pictureAt, picturesIn } from '../simulation/pictures';
import { skiffLite } from '../robots/skiff';
import { ownClips } from '../sounds/own-clips';
import { speechSeconds } from '../sounds/speech';
import { planFor } from '../testing/sample';
import { rehearseAlone, type Alone } from '../testing/alone';
import { degrees } from '../units/angles';
import { catalogue } from './list';
import { exampleOf } from '../examples/examples';

const rehearse = (kind: string): Alone =>
	rehearseAlone({
		...exampleOf(kind),
		variation: 'ideal',
		seed: 1,
		limit: 12
	});

/** How far it came along its way, and how far it turned, metres and degrees. */
const way = ({ trace }: Alone) => ({
	ahead: trace.x.at(-1)! - trace.x[0]!,
	north: trace.y.at(-1)! - trace.y[0]!,
	turned: degrees(trace.heading.at(-1)! - trace.heading[0]!)
});
const near = (value: number, wanted: number, within = 0.006) =>
	expect(Math.abs(value - wanted)).toBeLessThan(within);
const span = (attempt: Alone, kind: string) => attempt.spans.find((one) => one.kind === kind)!;
const shownAt = (a: Alone, time: number) => pictureAt(picturesIn(a, 'robot1'), time);
const lampsOf = (picture: string) => readPicture(picture)?.filter(Boolean).length ?? 0;
const lampAt = ({ trace }: Alone, time: number) =>
	trace.columns.leftLamp![trace.time.findIndex((moment) => moment >= time - 1e-9)];
const timesOf = (attempt: Alone, kind: string) =>
	attempt.spans.filter((one) => one.kind === kind).length;
const circumference = 0.056 * Math.PI;

/** For every step and trigger: what its example must show in the recording. */
const effects: Record<string, (attempt: Alone) => void> = {
	go: (a) => near(way(a).ahead, 0.3),
	turn: (a) => near(way(a).turned, -90, 0.5),
	start: (a) => near(way(a).ahead, 0.4 * 0.5 * 1.5, 0.01),
	stop: (a) => {
		expect(span(a, 'stop').speedAtStart).toBeGreaterThan(0.15);
		expect(span(a, 'stop').speedAtEnd).toBeLessThan(0.005);
	},
	roll: (a) => {
		// It took the corner without a pause, so it is round.
		expect(way(a).ahead).toBeGreaterThan(0.33);
		expect(way(a).north).toBeGreaterThan(0.1);
	},
	rollTimed: (a) => {
		const [v, lag, grip] = [0.3 * 1.5, 0.35, 1.8];
		const speed = v * (1 - Math.exp(-1 / lag));
		near(way(a).ahead, v - lag * speed + speed ** 2 / (2 * grip), 0.01);
	},
	rollFar: (a) => {
		near(way(a).ahead, 0.4);
		near(way(a).north, 0.2);
	},
	takeOff: (a) => {
		near(a.trace.columns.height!.at(-1)!, 1, 0.01);
		const { start, end } = span(a, 'takeOff');
		near(end - start, 3, 0.15);
	},
	land: (a) => {
		near(way(a).ahead, 0.4);
		expect(span(a, 'land').isComplete).toBe(true);
		expect(a.trace.columns.height!.at(-1)).toBe(0);
	},
	hover: (a) => {
		near(span(a, 'hover').end - span(a, 'hover').start, 2, 0.01);
		expect(span(a, 'hover').speedAtStart).toBeGreaterThan(0.3);
		expect(span(a, 'hover').speedAtEnd).toBeLessThan(0.01);
		near(a.trace.columns.height!.at(-1)!, 1, 0.01);
	},
	flip: (a) => {
		expect(Math.max(...a.trace.columns.pitch!)).toBeGreaterThan(355);
		near(a.trace.columns.height!.at(-1)!, 1, 0.01);
	},
	cutMotors: (a) => {
		expect(a.outcome).toMatchObject({ kind: 'crashed', reason: { key: 'outcome.dropped' } });
		expect(a.trace.columns.height!.at(-1)).toBe(0);
	},
	pin: (a) => {
		expect(a.trace.columns.pin5!.at(-1)).toBe(0xffb020);
		near(way(a).ahead, 0.22, 0.01);
	},
	pinFor: (a) => {
		// One wheel alone: it turns around the other one.
		expect(way(a).turned).toBeLessThan(-40);
		expect(a.trace.columns.pin5!.at(-1)).toBe(0);
	},
	pinsAtOnce: (a) => near(way(a).ahead, 0.22, 0.01),
	pinsOff: (a) => {
		expect(span(a, 'pinsOff').speedAtStart).toBeGreaterThan(0.2);
		expect(a.trace.columns.speed!.at(-1)).toBeLessThan(0.01);
		expect(a.trace.columns.pin5!.at(-1)).toBe(0);
	},
	patches: (a) => expect(way(a).turned).toBeLessThan(-15),
	patchesFor: (a) => near(way(a).turned, -degrees((0.5 * 0.2) / 0.1), 3),
	face: (a) => expect(a.trace.columns.face![1]).toBe(1),
	goFor: (a) => near(way(a).ahead, 0.4, 0.01),
	arc: (a) => {
		near(way(a).turned, -90, 0.5);
		near(way(a).ahead, 0.2);
		near(way(a).north, -0.2);
	},
	turnTo: (a) => near(way(a).turned, -90, 0.5),
	turnFor: (a) => near(way(a).turned, -degrees((2 * 0.15) / 0.112), 3),
	goTurns: (a) => near(way(a).ahead, 2 * circumference),
	goDegrees: (a) => near(way(a).ahead, circumference),
	steer: (a) => expect(way(a).turned).toBeLessThan(-20),
	wheels: (a) => near(way(a).turned, -degrees((0.1 * 1.5) / 0.112), 8),
	wheelsFor: (a) => near(way(a).turned, -degrees(0.05 / 0.112), 2),
	wheelsTurns: (a) => near(way(a).turned, degrees(circumference / 0.112), 1),
	motor: (a) => {
		expect(Math.max(...a.trace.columns.leftWheel!)).toBeGreaterThan(0.19);
		expect(Math.max(...a.trace.columns.rightWheel!)).toBeLessThan(0.001);
	},
	ifStuck: (a) => {
		expect(a.outcome.kind).toBe('ended');
		expect(a.notes.map(({ sentence }) => sentence.key)).toEqual(['note.refused.gaveUp']);
		// From the wall 20 cm back.
		near(a.trace.x.at(-1)!, 0.82 - 0.015 - 0.08 - 0.2, 0.01);
	},
	cruise: (a) => near(Math.max(...a.trace.columns.speed!), 0.35, 0.02),
	drivePorts: (a) => expect(way(a).turned).toBeGreaterThan(20),
	lamp: (a) => expect(a.trace.columns.leftLamp![1]).toBe(0xffb020),
	blink: (a) => {
		expect(lampAt(a, 0.2)).toBe(0xffb020);
		expect(lampAt(a, 0.3)).toBe(0);
		expect(lampAt(a, 0.7)).toBe(0xffb020);
	},
	lampOff: (a) => {
		expect(a.trace.columns.leftLamp![1]).toBe(0xffb020);
		expect(a.trace.columns.rightLamp!.at(-1)).toBe(0);
	},
	showPicture: (a) => {
		expect(lampsOf(shownAt(a, 0))).toBeGreaterThan(9);
		expect(shownAt(a, 9)).toBe(shownAt(a, 0));
	},
	playPictures: (a) => {
		// Four times two cloths of half a second each, as it is exactly: and its last cloth stays.
		const [cloth, next, ...more] = [0, 0.5, 1, 3.4, 3.6, 9].map((time) => shownAt(a, time));
		expect(next).not.toBe(cloth);
		expect(more).toEqual([cloth, cloth, next, next]);
		expect(a.spans[0]!.end).toBeCloseTo(4, 9);
	},
	runText: (a) => {
		// "HELLO" is 24 columns wide: 32 until the last one is gone, ten a second.
		const lit = [0, 3.05, 3.3].map((time) => lampsOf(shownAt(a, time)));
		expect(lit).toEqual([6, 4, 0]);
		expect(a.spans[0]!.end).toBeCloseTo(3.2, 2);
	},
	turnGrid: (a) => {
		const [before, after] = [0.5, 1.5].map((time) => readPicture(shownAt(a, time))!);
		expect(after).toEqual(turnedLamps(before!, 'right'));
		expect(after).not.toEqual(before);
	},
	gridBrightness: (a) => expect(shownAt(a, 0.1)).toContain('805810'),
	darkGrid: (a) => {
		const times = [-1, 0, 0.9, 1.1].map((time) => shownAt(a, time) !== '');
		expect(times).toEqual([false, true, true, false]);
	},
	horn: (a) => expect(a.tones).toMatchObject([{ time: 0, pitch: 311, length: 0.6 }]),
	tone: (a) => expect(a.tones).toEqual([{ time: 0, pitch: 440, length: 0.5, volume: 0.6 }]),
	clip: (a) => {
		const { id, pitch, samples } = ownClips.bell;
		expect(a.tones).toEqual([{ time: 0, pitch, length: samples / 16_000, volume: 0.6, clip: id }]);
		expect(span(a, 'go').start).toBeCloseTo(1.6, 9);
	},
	melody: (a) => {
		expect(a.tones.map(({ time }) => time)).toEqual([0, 0.5, 1, 1.5]);
		expect(a.tones[0]!.pitch).toBeCloseTo(261.63, 1);
		expect(a.tones[3]!.length).toBe(1);
	},
	say: (a) => {
		const length = speechSeconds('Ahoy!');
		expect(a.tones).toEqual([{ time: 0, pitch: 0, length, volume: 0.6, text: 'Ahoy!' }]);
		expect(span(a, 'say').end).toBeCloseTo(length, 9);
	},
	volume: (a) => expect(a.tones[0]!.volume).toBe(0.6),
	silence: (a) => expect(a.tones[0]!.length).toBeCloseTo(1, 2),
	wait: (a) => near(span(a, 'wait').end - span(a, 'wait').start, 1, 0.01),
	repeat: (a) => {
		expect(timesOf(a, 'go')).toBe(4);
		near(way(a).ahead, 0);
	},
	waitUntil: (a) => near(0.805 - (a.trace.x.at(-1)! + 0.08), 0.18, 0.02),
	forever: (a) => {
		expect(a.outcome.kind).toBe('timeout');
		expect(timesOf(a, 'lamp')).toBeGreaterThan(30);
	},
	until: (a) => near(0.805 - (a.trace.x.at(-1)! + 0.08), 0.19, 0.02),
	choose: (a) => expect(a.trace.columns.leftLamp!.at(-1)).toBe(0x4aa8ff),
	when: (a) => expect(a.trace.columns.leftLamp!.at(-1)).toBe(0x4aa8ff),
	otherwise: (a) => expect(a.trace.columns.leftLamp!.at(-1)).toBe(0xffb020),
	together: (a) => {
		expect(span(a, 'melody').start).toBe(span(a, 'go').start);
		expect(span(a, 'together').end).toBe(Math.max(span(a, 'go').end, span(a, 'melody').end));
	},
	side: (a) => expect(span(a, 'melody').start).toBe(0),
	leave: (a) => {
		expect(timesOf(a, 'go')).toBeGreaterThan(1);
		expect(a.trace.columns.leftLamp!.at(-1)).toBe(0xff6b5c);
	},
	end: (a) => expect(timesOf(a, 'go')).toBe(1),
	waitStill: (a) => {
		expect(span(a, 'waitStill').speedAtStart).toBeGreaterThan(0.1);
		expect(span(a, 'waitStill').speedAtEnd).toBeLessThan(0.005);
	},
	zero: (a) => near(Number(a.log[0]!.value), 0.1),
	set: (a) => near(way(a).ahead, 0.4),
	change: (a) => expect(a.log[0]!.value).toBe(3),
	newList: (a) => near(way(a).ahead, 0.3),
	addItem: (a) => near(way(a).ahead, 0.3),
	setItem: (a) => near(way(a).ahead, 0.1),
	log: (a) => near(Number(a.log[0]!.value), 0.3),
	send: (a) => {
		expect(a.tones).toHaveLength(1);
		expect(timesOf(a, 'go')).toBe(2);
	},
	call: (a) => {
		expect(timesOf(a, 'call')).toBe(4);
		near(way(a).ahead, 0);
	},
	routine: (a) => expect(timesOf(a, 'turn')).toBe(4),
	whenRunPressed: (a) => near(way(a).ahead, 0.4),
	whenBump: (a) => {
		expect(a.bumps).toHaveLength(1);
		near(a.trace.x.at(-1)!, 0.805 - 0.08 - 0.15, 0.01);
	},
	whenHears: (a) => expect(a.spans.map(({ start }) => start)).toContain(1),
	whenTouched: (a) => {
		expect(lampAt(a, 0.98)).toBe(0);
		expect(lampAt(a, 1.02)).toBe(0xff6b5c);
	},
	whenReading: (a) => near(0.805 - (a.trace.x.at(-1)! + 0.08), 0.18, 0.02),
	whenLampPost: (a) => expect(span(a, 'blink').start).toBeCloseTo(a.outcome.lampPosts[0]!.time, 1),
	whenEdge: (a) => {
		expect(a.outcome.kind).toBe('ended');
		expect(Math.max(...a.trace.x)).toBeGreaterThan(0.65);
		expect(Math.max(...a.trace.x)).toBeLessThan(0.7);
	},
	every: (a) => expect(a.tones.map(({ time }) => time).slice(0, 3)).toEqual([0.5, 1, 1.5]),
	whenMessage: (a) => expect(a.tones).toHaveLength(1)
};

describe('every step and trigger', () => {
	it('has an effect to be looked at', () => {
		expect(Object.keys(effects).sort()).toEqual(catalogue.map(({ kind }) => kind).sort());
	});

	it.each(Object.keys(effects))('%s does in its example what it says', (kind) => {
		expect(planSchema.safeParse(exampleOf(kind).plan).error).toBeUndefined();
		effects[kind]!(rehearse(kind));
	});

	it('is left out with a sentence where the robot has nothing for it', () => {
		const { plan, course } = exampleOf('go');
		const attempt = rehearseAlone({
			plan: planFor(skiffLite, plan),
			course,
			variation: 'ideal',
			seed: 1
		});
		expect(attempt.notes.map(({ sentence }) => sentence.key)).toEqual(['note.cannot.pacing']);
		expect(attempt.pathLength).toBe(0);
	});
});
