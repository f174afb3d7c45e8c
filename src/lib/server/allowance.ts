/**
 * How much one person, or one address, may make at once and on the average, so that nobody fills an
 * installation alone. A whole class may share one address.
 */
import { Allowance } from '../../../server/allowance.mjs';

/** Keys that are remembered; those that have all of their room back are forgotten first. */
const mostKeys = 10_000;
/** How many of them stay when there are too many: to look through them for each new one is dear. */
const keptKeys = 9000;

export class Allowances {
	private readonly of = new Map<string, Allowance>();

	/** @param most at once @param perMinute that comes back */
	constructor(
		private readonly most: number,
		private readonly perMinute: number
	) {}

	/** @returns whether this key may make one more */
	takes(key: string, now = Date.now()): boolean {
		const known = this.of.get(key) ?? new Allowance(this.perMinute / 60, this.most, now);
		const isTaken = known.takes(1, now);
		this.of.set(key, known);
		if (this.of.size > mostKeys) this.forget(now);
		return isTaken;
	}

	private forget(now: number): void {
		for (const [key, one] of this.of) if (one.room(now) >= one.most) this.of.delete(key);
		// All are in use at once: the oldest go.
		for (const key of this.of.keys()) {
			if (this.of.size <= keptKeys) break;
			this.of.delete(key);
		}
	}
}

const names = new Allowances(400, 20);
const ofPerson = new Allowances(200, 20);
const ofAddress = new Allowances(1500, 120);
const attemptsOfPerson = new Allowances(300, 60);
const attemptsOfAddress = new Allowances(3000, 600);

/** Whether one more name may come from this address. */
export const mayTakeName = (address: string): boolean => names.takes(address);

/** Whether one more document may be made by this person, or from this address. */
export const mayMakeDocument = (address: string, person: string | null): boolean =>
	(person === null || ofPerson.takes(person)) && ofAddress.takes(address);

/** Whether one more attempt of this person, or from this address, may be kept. */
export const mayKeepAttempt = (address: string, person: string | null): boolean =>
	(person === null || attemptsOfPerson.takes(person)) && attemptsOfAddress.takes(address);
