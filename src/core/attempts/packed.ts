/** A recording as bytes, for keeping and sending: its JSON, deflated (zlib, RFC 1950). */
import { strFromU8, strToU8, Unzlib, zlibSync } from 'fflate';
import { parseJson } from '../document';
import { failure, type Result } from '../sentence';
import type { Attempt } from '../simulation/attempt';
import { readRecording, recordingOf, recordingSchema } from './recording';

/** Bytes of the JSON at the most: an hour of four robots has a fifth of it. */
const maximumText = 64 * 1024 * 1024;
/** Bytes that are inflated at once: they become some MB at the most. */
const piece = 8192;

export const pack = (attempt: Attempt): Uint8Array =>
	zlibSync(strToU8(JSON.stringify(recordingOf(attempt))), { level: 9, mem: 12 });

/** @param bytes from anywhere */
export function unpack(bytes: Uint8Array): Result<Attempt> {
	const text = inflate(bytes);
	if (text === null) return failure('attempt.damaged');
	const value = parseJson(text);
	if (!value.ok) return failure('attempt.damaged');
	const read = recordingSchema.safeParse(value.value);
	return read.success ? readRecording(read.data) : failure('attempt.damaged');
}

function inflate(bytes: Uint8Array): string | null {
	const parts: Uint8Array[] = [];
	let length = 0;
	const stream = new Unzlib((part) => {
		parts.push(part);
		length += part.length;
	});
	try {
		for (let from = 0; from < bytes.length; from += piece) {
			stream.push(bytes.subarray(from, from + piece), from + piece >= bytes.length);
			if (length > maximumText) return null;
		}
	} catch {
		return null;
	}
	const whole = new Uint8Array(length);
	let at = 0;
	for (const part of parts) {
		whole.set(part, at);
		at += part.length;
	}
	return strFromU8(whole);
}
