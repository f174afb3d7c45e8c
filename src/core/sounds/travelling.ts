/** Sounds as the file of a plan holds them: WAV files, in base64, by their hashes. */
import { longestSound, sampleRate } from './limits';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { strFromU8, strToU8 } from 'fflate';
import { failure, success, type Result } from '../sentence';

import { readWav } from './wav';

/** The SHA-256 of a file, in hexadecimal digits. */
export const hashOfWav = (wav: Uint8Array): string => bytesToHex(sha256(wav));

export const toBase64 = (bytes: Uint8Array): string => btoa(strFromU8(bytes, true));

/** @throws where the text is no base64 */
export const fromBase64 = (text: string): Uint8Array<ArrayBuffer> => strToU8(atob(text), true);

/** @param sounds by their hashes: each is only taken if it is what its hash says, and a sound */
export function soundsFrom(
	sounds: Readonly<Record<string, string>>
): Result<readonly Uint8Array<ArrayBuffer>[]> {
	const found: Uint8Array<ArrayBuffer>[] = [];
	for (const [id, text] of Object.entries(sounds)) {
		const wav = fromBase64(text);
		if (hashOfWav(wav) !== id) return failure('sound.damaged');
		const read = readWav(wav, longestSound * sampleRate);
		if (!read.ok) return read;
		found.push(wav);
	}
	return success(found);
}
