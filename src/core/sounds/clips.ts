/**
 * Sounds of the harbour, made by ourselves: each of a few tones and murmurs that swell and fade. The
 * same bytes on every machine, so that they have the same hash wherever they are made.
 */
import { sampleRate } from './limits';
import * as exact from '../exact';
import { Random } from '../random/random';
import type { OwnClip } from './own-clips';
import { sampleOf, type Samples } from './samples';

/** One sound, by the seconds since it began: to be asked once for each sample, in order. */
type Sounding = (time: number) => number;

const turn = 2 * Math.PI;
/** The loudest sample of each, of all it could be. */
const peak = 0.8;

/** A tone. @param pitch Hz, that may change @param shape of one wave, by how far it has come, 0 to 1 */
function tone(
	pitch: number | ((time: number) => number),
	shape: (part: number) => number = (part) => exact.sin(turn * part)
): Sounding {
	let phase = 0;
	return (time) => {
		const value = shape(phase - Math.floor(phase));
		phase += (typeof pitch === 'number' ? pitch : pitch(time)) / sampleRate;
		return value;
	};
}

/** Waves as of a reed: they climb, and fall at once. */
const reed = (part: number): number => 2 * part - 1;

/** Murmurs between two pitches, Hz. */
function murmur(seed: number, low: number, high: number): Sounding {
	const chance = new Random(seed);
	const take = (pitch: number) => 1 - exact.exp((-turn * pitch) / sampleRate);
	const [slow, fast] = [take(low), take(high)];
	let [below, all] = [0, 0];
	return () => {
		all += (chance.chance() - all) * fast;
		below += (all - below) * slow;
		return all - below;
	};
}

/** Struck once: it fades, to a third in so many seconds. */
const fading =
	(seconds: number, from = 0) =>
	(time: number): number =>
		time < from ? 0 : exact.exp((from - time) / seconds);

/** It comes and goes, once. */
const swell =
	(from: number, to: number) =>
	(time: number): number =>
		time <= from || time >= to ? 0 : exact.sin((Math.PI * (time - from)) / (to - from));

/** A glide from one pitch to another, Hz. */
const glide =
	(from: number, to: number, seconds: number, since = 0) =>
	(time: number): number =>
		from + (to - from) * Math.max(0, Math.min(1, (time - since) / seconds));

const times =
	(...all: readonly Sounding[]): Sounding =>
	(time) =>
		all.reduce((product, each) => product * each(time), 1);
const sum =
	(...all: readonly Sounding[]): Sounding =>
	(time) =>
		all.reduce((total, each) => total + each(time), 0);
const louder =
	(by: number, one: Sounding): Sounding =>
	(time) =>
		by * one(time);
/** The same, again and again. @param make with the second at which it begins */
const again = (count: number, gap: number, make: (from: number, round: number) => Sounding) =>
	sum(...Array.from({ length: count }, (_, round) => make(round * gap, round)));

/** A bell that is struck. @param partials pitch as a multiple, loudness, seconds */
const struck = (
	pitch: number,
	partials: readonly (readonly [number, number, number])[],
	from = 0
) =>
	sum(
		...partials.map(([multiple, loudness, seconds]) =>
			louder(loudness, times(tone(pitch * multiple), fading(seconds, from)))
		)
	);

interface Made {
	readonly seconds: number;
	readonly make: () => Sounding;
}

const made: Readonly<Record<OwnClip, Made>> = {
	bell: {
		seconds: 1.6,
		make: () =>
			struck(660, [
				[1, 1, 0.5],
				[2.02, 0.6, 0.35],
				[2.8, 0.4, 0.2],
				[5.2, 0.2, 0.08]
			])
	},
	shipBell: {
		seconds: 1.4,
		make: () =>
			again(2, 0.32, (from) =>
				struck(
					980,
					[
						[1, 1, 0.3],
						[2.4, 0.5, 0.15],
						[4.1, 0.2, 0.06]
					],
					from
				)
			)
	},
	fogHorn: {
		seconds: 2,
		make: () =>
			times(
				sum(tone(92, reed), louder(0.6, tone(138, reed)), louder(0.2, murmur(3, 60, 500))),
				(time) => Math.min(1, time / 0.15) * Math.min(1, (2 - time) / 0.4)
			)
	},
	whistle: {
		seconds: 0.9,
		make: () =>
			sum(
				times(tone(glide(1150, 1900, 0.25)), swell(0, 0.45)),
				times(tone(glide(1900, 1300, 0.3, 0.45)), swell(0.4, 0.9))
			)
	},
	gull: {
		seconds: 1.3,
		make: () =>
			again(3, 0.4, (from) =>
				times(
					sum(
						tone(glide(1500, 900, 0.3, from)),
						louder(0.5, tone(glide(3000, 1800, 0.3, from))),
						louder(0.3, murmur(5, 800, 3000))
					),
					swell(from, from + 0.34)
				)
			)
	},
	frog: {
		seconds: 0.8,
		make: () =>
			again(2, 0.4, (from) =>
				times(
					sum(tone(190, reed), louder(0.5, tone(glide(240, 300, 0.3, from)))),
					swell(from, from + 0.32),
					(time) => (exact.sin(turn * 32 * time) > -0.2 ? 1 : 0.1)
				)
			)
	},
	cricket: {
		seconds: 0.9,
		make: () =>
			again(3, 0.3, (from) =>
				times(tone(4100), swell(from, from + 0.2), (time) =>
					exact.sin(turn * 30 * time) > 0 ? 1 : 0
				)
			)
	},
	creak: {
		seconds: 1.1,
		make: () =>
			times(
				sum(tone(glide(70, 150, 1), reed), louder(0.6, tone(glide(310, 460, 1.1)))),
				swell(0, 1.1),
				(time) => 0.5 + 0.5 * exact.sin(turn * (9 + 6 * time) * time)
			)
	},
	winch: {
		seconds: 1.5,
		make: () =>
			sum(
				again(15, 0.1, (from) => times(murmur(7, 900, 3500), fading(0.012, from))),
				times(louder(0.5, tone(120, reed)), swell(0, 1.5))
			)
	},
	rope: {
		seconds: 0.9,
		make: () =>
			times(murmur(11, 300, 1800), swell(0, 0.9), (time) => 0.4 + 0.6 * swell(0.5, 0.9)(time))
	},
	chain: {
		seconds: 1.2,
		make: () =>
			again(10, 0.11, (from, round) =>
				struck(
					1500 + 170 * ((round * 5) % 7),
					[
						[1, 1, 0.02],
						[2.7, 0.6, 0.015]
					],
					from
				)
			)
	},
	splash: {
		seconds: 1,
		make: () =>
			sum(
				times(murmur(13, 200, 5000), fading(0.18, 0.04)),
				again(4, 0.14, (from, round) =>
					louder(
						0.25,
						times(tone(glide(500 + 120 * round, 900, 0.1, from)), swell(from, from + 0.1))
					)
				)
			)
	},
	drip: {
		seconds: 0.4,
		make: () => times(tone(glide(700, 1600, 0.12)), fading(0.06))
	},
	wave: {
		seconds: 2,
		make: () => times(murmur(17, 90, 1400), swell(0, 2))
	},
	wind: {
		seconds: 2,
		make: () =>
			sum(
				times(murmur(19, 250, 900), swell(0, 2)),
				times(
					louder(
						0.15,
						tone((time) => 520 + 90 * exact.sin(turn * 0.6 * time))
					),
					swell(0.2, 1.9)
				)
			)
	},
	knock: {
		seconds: 0.6,
		make: () =>
			again(2, 0.24, (from) =>
				sum(
					times(tone(170), fading(0.05, from)),
					louder(0.4, times(murmur(23, 400, 2500), fading(0.01, from)))
				)
			)
	}
};

/** Samples of one of ours. */
export function makeClip(name: OwnClip): Samples {
	const { seconds, make } = made[name];
	const sounding = make();
	const values = Array.from({ length: Math.round(seconds * sampleRate) }, (_, i) =>
		sounding(i / sampleRate)
	);
	const most = values.reduce((found, each) => Math.max(found, Math.abs(each)), 0);
	return Int16Array.from(values, (value) => sampleOf((peak * value) / most));
}
