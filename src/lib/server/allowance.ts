/**
 * How much one person, or one address, may make at once and on the average, so that nobody fills an
 * installation alone. A whole class may share one address.
 */
interface Room {
	left: number;
	/** Milliseconds since 1970. */
	at: number;
}

/** Keys that are remembered; those that have all of their room back are forgotten first. */
const mostKeys = 10_000;

export class Allowance {
	private readonly rooms = new Map<string, Room>();

	/** @param most at once @param perMinute that comes back */
	constructor(
		private readonly most: number,
		private readonly perMinute: number
	) {}

	/** @returns whether this key may make one more */
	takes(key: string, now = Date.now()): boolean {
		const room = this.rooms.get(key) ?? { left: this.most, at: now };
		const left = Math.min(this.most, room.left + ((now - room.at) / 60_000) * this.perMinute);
		const isTaken = left >= 1;
		this.rooms.set(key, { left: left - (isTaken ? 1 : 0), at: now });
		if (this.rooms.size > mostKeys) this.forget(now);
		return isTaken;
	}

	private forget(now: number): void {
		for (const [key, { left, at }] of this.rooms)
			if (left + ((now - at) / 60_000) * this.perMinute >= this.most) this.rooms.delete(key);
		// All are in use at once: the oldest go.
		for (const key of this.rooms.keys()) {
			if (this.rooms.size <= mostKeys) break;
			this.rooms.delete(key);
		}
	}
}

const names = new Allowance(400, 20);
const ofPerson = new Allowance(200, 20);
const ofAddress = new Allowance(1500, 120);

/** Whether one more name may come from this address. */
export const mayTakeName = (address: string): boolean => names.takes(address);

/** Whether one more document may be made by this person, or from this address. */
export const mayMakeDocument = (address: string, person: string | null): boolean =>
	(person === null || ofPerson.takes(person)) && ofAddress.takes(address);
