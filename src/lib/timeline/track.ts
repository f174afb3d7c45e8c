/** What a timeline draws of an attempt: bands of steps, the line of its speed, and its axis. */
import {
	legsOf,
	type Attempt,
	type RobotRun,
	type Span,
	type Trace
} from '$core/simulation/attempt';

/** Bands of more than this are too many to draw those that nobody could see. */
const many = 400;
/** Part of the whole time below which a band cannot be seen. */
const unseen = 0.0015;

/** The legs of a robot that can be seen. @param duration of the attempt, seconds */
export function bandsOf(attempt: Attempt, run: RobotRun, duration: number): readonly Span[] {
	const legs = legsOf(attempt, run);
	return legs.length > many
		? legs.filter(({ start, end }) => end - start > unseen * duration)
		: legs;
}

/** What sounds, as it is drawn: how high it is, 0 at the bottom to 1; what has no pitch fills the lane. */
export interface SoundMark {
	readonly start: number;
	readonly end: number;
	readonly high: number | null;
	/** Of a sound that is played as it is, its hash; of what is said, the text. */
	readonly clip?: string | undefined;
	readonly text?: string | undefined;
}

/** Hz at the bottom and at the top of the lane. */
const lowest = 110;
const highest = 1760;

/** What a robot sounds; of very many, those that can be seen. @param duration of the attempt, seconds */
export function soundsOf({ tones }: Pick<RobotRun, 'tones'>, duration: number): SoundMark[] {
	const seen =
		tones.length > many ? tones.filter(({ length }) => length > unseen * duration) : tones;
	return seen.map(({ time, length, pitch, clip, text }) => ({
		start: time,
		end: time + length,
		high: clip === undefined && text === undefined ? heightOf(pitch) : null,
		clip,
		text
	}));
}

/** Is there anything to hear: then each robot has a lane for it, too. */
export const isHeard = (runs: readonly Pick<RobotRun, 'tones'>[]): boolean =>
	runs.some(({ tones }) => tones.length > 0);

/** As on a staff: an octave is as high wherever it is. */
const heightOf = (pitch: number): number =>
	Math.max(0, Math.min(1, Math.log2(pitch / lowest) / Math.log2(highest / lowest)));

/** Seconds that a press of a key goes on the timeline. */
export const increment = 0.05;

/** Where the hand is meant to be: what is less than an increment from the end is the end, seconds. */
export const soughtTime = (told: number, duration: number): number =>
	told + increment > duration ? duration : told;

/** Points of the line of speed, at the most. */
const points = 240;
/** m/s: the line of who goes slower than this does not fill the height. */
const slow = 0.1;

/** The speed over time as an SVG path, 100 wide and 30 high; empty if it is not known. */
export function speedPath({ time, columns: { speed } }: Trace, duration: number): string {
	if (!speed) return '';
	const top = speed.reduce((most, each) => Math.max(most, Math.abs(each)), slow);
	const stride = Math.max(1, Math.floor(time.length / points));
	let path = '';
	for (let i = 0; i < time.length; i += stride) {
		const x = (time[i]! / Math.max(duration, 1e-6)) * 100;
		path += `${path ? 'L' : 'M'}${x.toFixed(2)} ${(30 - (Math.abs(speed[i]!) / top) * 28).toFixed(2)}`;
	}
	return path;
}

/** Seconds between two ticks of the axis, and pixels that they need at least. */
const gaps = [1, 2, 5, 10, 20, 30, 60, 120, 300, 600];
const room = 48;

/** Ticks of the axis: whole seconds, not too close. @param width pixels */
export function axisOf(duration: number, width: number): number[] {
	const gap = gaps.find((each) => (each / Math.max(duration, 0.1)) * width >= room) ?? gaps.at(-1)!;
	return Array.from({ length: Math.floor(duration / gap) + 1 }, (_, index) => index * gap);
}
