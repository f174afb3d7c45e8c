/**
 * What an app and a robot prove to each other without saying it: each makes a pair of keys for every
 * visit (X25519, RFC 7748); out of both comes a token that neither sends, and HMAC-SHA-256 (RFC 2104)
 * shows that one has it. Keys, tokens, marks and proofs are written as 64 hexadecimal digits.
 */
import { x25519 } from '@noble/curves/ed25519.js';
import { hmac } from '@noble/hashes/hmac.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, hexToBytes, randomBytes, utf8ToBytes } from '@noble/hashes/utils.js';

/** A pair of keys for one visit. */
export interface Keys {
	readonly own: string;
	/** What the other side is told. */
	readonly shown: string;
}

/** One visit: which robot, which person, and what both have shown. All of it goes into each proof. */
export interface Visit {
	readonly robot: string;
	readonly person: string;
	readonly appKey: string;
	readonly robotKey: string;
}

export function makeKeys(): Keys {
	const own = x25519.utils.randomSecretKey();
	return { own: bytesToHex(own), shown: bytesToHex(x25519.getPublicKey(own)) };
}

/** What only who draws it knows, until it is said. */
export const makeNonce = (): string => bytesToHex(randomBytes(32));

const sealed = (key: string, what: string, { robot, person, appKey, robotKey }: Visit): string =>
	bytesToHex(
		hmac(sha256, hexToBytes(key), utf8ToBytes([what, robot, person, appKey, robotKey].join(' ')))
	);

/**
 * The token of a pairing. @param own key of this side @param other what the other side has shown
 * @returns undefined for a key that no honest side shows
 */
export function tokenOf(own: string, other: string, visit: Visit): string | undefined {
	try {
		return sealed(
			bytesToHex(x25519.getSharedSecret(hexToBytes(own), hexToBytes(other))),
			'token',
			visit
		);
	} catch {
		return undefined;
	}
}

/** That this side has the token, in this visit. */
export const proofOf = (token: string, side: 'app' | 'robot', visit: Visit): string =>
	sealed(token, side, visit);

/** What holds an app to the signs that it was told, before it hears whether they are right. */
export const sealOf = (nonce: string, signs: readonly number[], visit: Visit): string =>
	sealed(nonce, `signs ${signs.join(' ')}`, visit);
