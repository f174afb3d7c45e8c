/**
 * Who may have a robot: one person at a time, and only who saw its signs, or proves that they have its
 * token. Whoever merely knocks keeps nobody out. Who guesses has three tries in all, whoever they say
 * they are; from then on a hand on the robot's button decides when what was told is looked at, until
 * nobody has told anything for a while: else each person who comes in by hand would bring three more.
 */
import type { FromRobot, LinkPerson, ToRobot } from './frames';
import { makeKeys, sealOf, proofOf, tokenOf, type Keys, type Visit } from './secret';
import { mostTries, quietFor, signCount, signsLast, signValues } from './signs';

/** Seconds within which who has heard the signs opens what they had sealed. */
const opensWithin = 2;
/** Connections that may wait at once: of more, the one that came first has to go. */
const mostKnocks = 128;

export interface Guest {
	readonly person: LinkPerson;
	/** Seconds of the robot's clock at which they came in. */
	readonly since: number;
}

/** What a robot knows people by: tokens of each, by their id, one for each device of theirs. */
export interface Tokens {
	of(person: string): readonly string[];
	keep(person: string, token: string): void;
}

/** One connection. */
export interface Caller {
	readonly send: (frame: FromRobot) => void;
	readonly close: () => void;
}

/** Somebody who wants in. */
interface Knock {
	readonly person: LinkPerson;
	readonly keys: Keys;
	readonly visit: Visit;
	/** What they told is sealed in it, until they open it. */
	mark?: string | undefined;
	/** Their mark counts in it. */
	round?: Round | undefined;
}

/** Marks that are held against the same signs. */
interface Round {
	readonly signs: readonly number[];
	readonly until: number;
	readonly isByHand: boolean;
	/** Who has not opened theirs yet, and whose was right. */
	readonly waiting: Set<Caller>;
	readonly right: Caller[];
}

export class Door {
	/** Who has the robot. */
	guest: Guest | undefined;
	/** What it shows, while somebody is to tell what they see. */
	signs: readonly number[] | undefined;
	/** Seconds of the robot's clock since which it shows them. */
	shownAt = 0;
	/** Since somebody came in by the signs alone, or it was quiet. */
	private tries = 0;
	/** When somebody told signs last, seconds of the robot's clock. */
	private toldAt = 0;
	private readonly knocks = new Map<Caller, Knock>();
	private readonly rounds = new Set<Round>();

	/**
	 * @param robot its id @param chance uniform in [0, 1)
	 * @param welcome told who comes in, with the token that both now have
	 */
	constructor(
		private readonly robot: string,
		private readonly chance: () => number,
		private readonly tokens: Tokens,
		private readonly welcome: (caller: Caller, visit: Visit, token: string) => void
	) {}

	/** Only what was told before a hand is on its button counts. */
	private get wantsHand(): boolean {
		return this.tries >= mostTries;
	}

	private get left(): number {
		return Math.max(0, mostTries - this.tries);
	}

	/** Somebody wants in. @param time seconds of the robot's clock */
	knock(caller: Caller, frame: ToRobot & { type: 'hello' }, time: number): void {
		if (this.guest) return caller.send(this.busy(this.guest, time));
		if (time >= this.toldAt + quietFor) this.tries = 0;
		this.gone(caller);
		const { person, key, hasToken } = frame;
		const keys = makeKeys();
		const visit = { robot: this.robot, person: person.id, appKey: key, robotKey: keys.shown };
		const first = this.knocks.keys().next().value;
		if (first && this.knocks.size >= mostKnocks) {
			this.gone(first);
			first.close();
		}
		this.knocks.set(caller, { person, keys, visit });
		if (hasToken && this.tokens.of(person.id).length > 0)
			return caller.send({ type: 'challenge', key: keys.shown });
		if (!this.signs) this.draw(time);
		this.ask(caller, keys, time);
	}

	/** Lets somebody know that there are signs to be seen. */
	private ask({ send }: Caller, { shown: key }: Keys, time: number): void {
		const { left, wantsHand: hand } = this;
		send({ type: 'confirm', key, seconds: this.shownAt + signsLast - time, left, hand });
	}

	private draw(time: number): void {
		const sign = () => 1 + Math.floor(this.chance() * signValues);
		this.signs = Array.from({ length: signCount }, sign);
		this.shownAt = time;
	}

	/** They show that they have its token. */
	prove(caller: Caller, proof: string, time: number): void {
		const knock = this.knocks.get(caller);
		if (!knock) return caller.send({ type: 'bad', why: 'notPaired' });
		const token = this.tokens
			.of(knock.person.id)
			.find((one) => proof === proofOf(one, 'app', knock.visit));
		if (token === undefined) return caller.send({ type: 'sorry', why: 'stranger' });
		this.letIn(caller, knock, token, time);
	}

	/** They have been told what somebody saw, and seal it. */
	seal(caller: Caller, mark: string, time: number): void {
		const knock = this.knocks.get(caller);
		if (!knock || !this.signs) return caller.send({ type: 'bad', why: 'notPaired' });
		knock.round?.waiting.delete(caller);
		knock.round = undefined;
		knock.mark = mark;
		this.toldAt = time;
		if (!this.wantsHand) this.hold([caller], time, false);
	}

	/** A hand is on its button. @returns whether somebody had waited for it */
	press(time: number): boolean {
		const sealed = [...this.knocks].filter(({ 1: { mark, round } }) => mark && !round);
		if (sealed.length === 0) return false;
		this.hold(
			sealed.map(([caller]) => caller),
			time,
			true
		);
		return true;
	}

	/** Holds marks against the signs, which are told, and good for nothing any more. */
	private hold(callers: readonly Caller[], time: number, isByHand: boolean): void {
		const signs = this.signs!;
		const until = time + opensWithin;
		const round: Round = { signs, until, isByHand, waiting: new Set(callers), right: [] };
		this.rounds.add(round);
		this.tries += 1;
		this.draw(time);
		const { left, wantsHand: hand } = this;
		for (const caller of callers) {
			this.knocks.get(caller)!.round = round;
			caller.send({ type: 'shown', signs: [...signs], left, hand });
		}
	}

	/** They show what they had sealed. */
	open(caller: Caller, nonce: string, time: number): void {
		const knock = this.knocks.get(caller);
		const { round, mark } = knock ?? {};
		if (!knock || !round?.waiting.delete(caller))
			return caller.send({ type: 'bad', why: 'notPaired' });
		if (mark === sealOf(nonce, round.signs, knock.visit)) round.right.push(caller);
		if (round.waiting.size === 0) this.settle(round, time);
	}

	/** Of two who are both right, one has guessed: neither comes in. */
	private settle(round: Round, time: number): void {
		this.rounds.delete(round);
		const [caller, other] = round.right;
		const knock = caller && !other ? this.knocks.get(caller) : undefined;
		const token = knock && tokenOf(knock.keys.own, knock.visit.appKey, knock.visit);
		if (caller && knock && token !== undefined) {
			if (!round.isByHand) this.tries = 0;
			this.tokens.keep(knock.person.id, token);
			return this.letIn(caller, knock, token, time);
		}
		const { left, wantsHand: hand } = this;
		for (const [each, one] of this.knocks) {
			if (one.round !== round) continue;
			one.round = one.mark = undefined;
			each.send({ type: 'wrong', left, hand });
		}
	}

	/** To be called often. */
	tick(time: number): void {
		for (const round of this.rounds) if (time >= round.until) this.settle(round, time);
		if (!this.signs || time < this.shownAt + signsLast) return;
		this.draw(time);
		for (const [caller, { keys }] of this.knocks) this.ask(caller, keys, time);
	}

	private letIn(caller: Caller, { person, visit }: Knock, token: string, since: number): void {
		this.knocks.delete(caller);
		for (const other of this.knocks.keys()) other.send(this.busy({ person, since }, since));
		this.leave();
		this.guest = { person, since };
		this.welcome(caller, visit, token);
	}

	/** A hand has switched it on: there are all tries. */
	switchedOn(): void {
		this.tries = 0;
	}

	/** One who wanted in is gone. */
	gone(caller: Caller): void {
		this.knocks.delete(caller);
		if (this.knocks.size === 0) this.signs = undefined;
	}

	/** Whoever was there, or wanted in, is gone. */
	leave(): void {
		this.guest = undefined;
		this.signs = undefined;
		this.knocks.clear();
		this.rounds.clear();
	}

	get callers(): readonly Caller[] {
		return [...this.knocks.keys()];
	}

	private busy({ person, since }: Guest, time: number): FromRobot {
		return { type: 'sorry', why: 'busy', with: person.name, since: time - since };
	}
}
