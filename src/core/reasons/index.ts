/**
 * The likely reasons of what a leg added, or inherited at the start: each matter says what it would
 * explain, and what explains most is said. Where nothing explains half of it, that is said as well, and which try would decide.
 */
import type { Leg, Miss } from '../attempts/legs';
import type { Sentence } from '../sentence';
import { askew } from './askew';
import { breeze } from './breeze';
import { coasting } from './coasting';
import { curve } from './curve';
import { drift } from './drift';
import { gain } from './gain';
import { gyroBiasIn, gyroDrift } from './gyro-drift';
import { inVain } from './in-vain';
import { met } from './met';
import { pushed } from './pushed';
import type { LegMend } from './mend';
import { noMiss, sizeOf, twinsIn, type Guess, type LegScene, type Matter } from './reason';
import { stillRolling } from './rolling';
import { sensed } from './sensed';
import { slip } from './slip';
import { slow } from './slow';
import { stalled } from './stalled';
import { startUp } from './start-up';
import { turnGain } from './turn-gain';
import { undecided } from './undecided';

/** A new matter is a file, and a line here. */
const matters: Readonly<Record<string, Matter>> = {
	met,
	stalled,
	pushed,
	inVain,
	sensed,
	rolling: stillRolling,
	slow,
	startUp,
	coasting,
	curve,
	breeze,
	drift,
	slip,
	gain,
	gyroDrift,
	turnGain,
	askew
};

export interface Reason {
	/** Its name; `undecided` where the recording does not decide. */
	readonly matter: string;
	readonly sentence: Sentence;
	/** Metres of the miss that it explains. */
	readonly weight: number;
	/** Seconds since Run: where it shows. */
	readonly at: number;
	/** What may lessen it: to be tried before it is offered. */
	readonly mend?: LegMend | undefined;
}

/** Metres of a miss for which nobody looks for a reason. */
const unseen = 0.008;
/** The part of a miss that a reason explains at least, and of what the strongest does. */
const leastPart = 0.25;
const close = 0.6;
/** The part that has to be explained, or else it is not. */
const enough = 0.5;

/** @returns of a leg of the scene the strongest first, and one that comes close to it; then that nothing decides, and which try would, if that is so */
export function reasonsIn(scene: LegScene): (leg: Leg) => Reason[] {
	const lookedAt = { ...scene, twinOf: twinsIn(scene), gyroBias: gyroBiasIn(scene) };
	const tryOf = undecided(scene);
	const looks = Object.entries(matters).map(([matter, look]) => ({ matter, look: look(lookedAt) }));
	return (leg) => {
		const found = looks.flatMap(({ matter, look }) => {
			const guess = look(leg);
			return guess ? [{ matter, guess, weight: weightOf(guess, leg) }] : [];
		});
		const own = found.filter(({ guess, weight }) => !guess.isInherited && weight > 0);
		const added = leg.added ? sizeOf(leg.added) : 0;
		const isSeen = added >= unseen;
		const likely = own
			.filter(({ weight }) => isSeen && weight >= leastPart * added)
			.toSorted((a, b) => b.weight - a.weight);
		const [first, second] = likely;
		const said =
			first && second && second.weight >= close * first.weight ? [first, second] : [first];
		const start = found.filter(({ guess }) => guess.isInherited);
		const reasons = [...said, ...start].flatMap((each) =>
			each ? [{ matter: each.matter, ...pick(each.guess), weight: each.weight }] : []
		);
		const explained = said.reduce((sum, each) => sum + (each?.weight ?? 0), 0);
		if (!isSeen || explained >= enough * added) return reasons;
		return [...reasons, { matter: 'undecided', sentence: tryOf(leg), weight: 0, at: leg.span.end }];
	};
}

const pick = ({ sentence, at, mend }: Guess) => ({ sentence, at, ...(mend && { mend }) });

/** By how much smaller the miss would be without it, metres. */
function weightOf({ explains, isInherited }: Guess, { added, inherited }: Leg): number {
	const miss = (isInherited ? inherited : added) ?? noMiss;
	return sizeOf(miss) - sizeOf(without(miss, explains));
}

const without = (miss: Miss, part: Miss): Miss => ({
	ahead: miss.ahead - part.ahead,
	left: miss.left - part.left,
	turn: miss.turn - part.turn
});
