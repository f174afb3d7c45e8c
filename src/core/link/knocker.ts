/** The app's half of pairing: what it says to come in, and whether it is that robot which answers. */
import {
	linkVersion,
	type FromRobot,
	type Greeting,
	type LinkPerson,
	type ToRobot
} from './frames';
import { makeKeys, makeNonce, sealOf, proofOf, tokenOf, type Visit } from './secret';

export class Knocker {
	private readonly keys = makeKeys();
	private visit: Visit | undefined;
	/** What the person saw, sealed with a nonce. */
	private sealed: { readonly signs: readonly number[]; readonly nonce: string } | undefined;

	/** @param token from a pairing before, if there was one */
	constructor(
		private readonly robot: string,
		private readonly person: LinkPerson,
		public token: string | undefined
	) {}

	hello(): ToRobot & { type: 'hello' } {
		const { person, keys, token } = this;
		const hasToken = token !== undefined;
		return { type: 'hello', version: linkVersion, person, key: keys.shown, hasToken };
	}

	private meet(robotKey: string): Visit {
		const { robot, person, keys } = this;
		return (this.visit = { robot, person: person.id, appKey: keys.shown, robotKey });
	}

	/** That it has the token. */
	prove({ key }: FromRobot & { type: 'challenge' }): ToRobot | undefined {
		const visit = this.meet(key);
		if (this.token === undefined) return undefined;
		return { type: 'proof', proof: proofOf(this.token, 'app', visit) };
	}

	/** There are signs to be seen: a token of before is worth nothing. */
	see({ key }: FromRobot & { type: 'confirm' }): void {
		this.meet(key);
		this.token = undefined;
	}

	/** The person says what they saw. */
	seal(signs: readonly number[]): ToRobot | undefined {
		if (!this.visit) return undefined;
		const nonce = makeNonce();
		this.sealed = { signs, nonce };
		return { type: 'seal', mark: sealOf(nonce, signs, this.visit) };
	}

	/** @returns undefined if the signs are others than the person saw: then nothing is opened */
	open({ signs }: FromRobot & { type: 'shown' }): ToRobot | undefined {
		const { sealed, visit, keys } = this;
		this.sealed = undefined;
		if (!sealed || !visit || signs.some((sign, index) => sign !== sealed.signs[index]))
			return undefined;
		this.token = tokenOf(keys.own, visit.robotKey, visit);
		return { type: 'open', nonce: sealed.nonce };
	}

	/** Whether it is the robot that was meant, and it has the token. */
	trusts({ id, proof }: Greeting): boolean {
		const { token, visit, robot } = this;
		return id === robot && !!visit && !!token && proof === proofOf(token, 'robot', visit);
	}
}
