/** Who may have a robot: one person at a time, and only who saw its signs, or has its token. */
import type { FromRobot, Person } from './frames';
import { lockedFor, mostTries, signCount, signsLast, signValues } from './signs';

type Answer = Extract<FromRobot, { type: 'confirm' | 'wrong' | 'sorry' }> | 'welcome';

export interface Guest {
	readonly person: Person;
	/** Seconds of the robot's clock at which they came in. */
	readonly since: number;
}

export class Door {
	/** Who has the robot. */
	guest: Guest | undefined;
	/** What it shows, while somebody is to tell what they see. */
	signs: readonly number[] | undefined;
	private knocker: Person | undefined;
	private shownAt = 0;
	private tries = 0;
	private lockedUntil = -Infinity;

	/** @param chance uniform in [0, 1) @param tokenOf the token of a person, by their id */
	constructor(
		private readonly chance: () => number,
		readonly tokenOf: (person: string) => string
	) {}

	/** Somebody wants in. @param time seconds of the robot's clock */
	knock(person: Person, token: string | undefined, time: number): Answer {
		if (this.guest) return this.busy(this.guest, time);
		if (token !== undefined && token === this.tokenOf(person.id)) return this.welcome(person, time);
		if (time < this.lockedUntil) return this.locked(time);
		if (this.signs && this.knocker && time < this.shownAt + signsLast) {
			return this.busy({ person: this.knocker, since: this.shownAt }, time);
		}
		this.knocker = person;
		this.signs = Array.from(
			{ length: signCount },
			() => 1 + Math.floor(this.chance() * signValues)
		);
		this.shownAt = time;
		this.tries = 0;
		return { type: 'confirm', seconds: signsLast, left: mostTries };
	}

	/** They tell what they saw. */
	tell(signs: readonly number[], time: number): Answer {
		const { knocker } = this;
		if (!this.signs || !knocker || time >= this.shownAt + signsLast) {
			this.leave();
			return { type: 'sorry', why: 'expired' };
		}
		if (this.signs.every((sign, index) => sign === signs[index]))
			return this.welcome(knocker, time);
		this.tries += 1;
		if (this.tries < mostTries) return { type: 'wrong', left: mostTries - this.tries };
		this.leave();
		this.lockedUntil = time + lockedFor;
		return this.locked(time);
	}

	/** Whoever was there, or wanted in, is gone. */
	leave(): void {
		this.guest = undefined;
		this.signs = undefined;
		this.knocker = undefined;
	}

	private welcome(person: Person, since: number): Answer {
		this.leave();
		this.guest = { person, since };
		return 'welcome';
	}

	private busy({ person, since }: Guest, time: number): Answer {
		return { type: 'sorry', why: 'busy', with: person.name, since: time - since };
	}

	private locked(time: number): Answer {
		return { type: 'sorry', why: 'tooManyTries', seconds: this.lockedUntil - time };
	}
}
