/**
 * A clip: a sound that is played as it is, one of ours by its name, or one of a person's as
 * `HASH:SAMPLES:PITCH:NAME`: the SHA-256 of its file, how many samples it has, the tone that comes nearest
 * to it in hertz, and what it is called. So a step knows all it needs of a sound that lies elsewhere.
 */

import { longestSound, sampleRate, wavBytes } from './limits';
import { ownClips, ownNames } from './own-clips';

export interface Clip {
	/** SHA-256 of its WAV file, hexadecimal. */
	readonly id: string;
	readonly samples: number;
	/** The tone that comes nearest to it, Hz. */
	readonly pitch: number;
	/** As a person called it; of ours, undefined. */
	readonly name?: string;
}

/** Letters of a name at the most. */
export const longestName = 30;
/** Bytes of all sounds of a person's in one plan. */
export const mostSoundBytes = 1024 * 1024;

const ours: Readonly<Record<string, Clip>> = ownClips;
const pattern =
	/^([0-9a-f]{64}):([1-9]\d{0,5}):([1-9]\d{0,3}):([^\u0000-\u001f\u007f-\u009f\u2028\u2029]{1,30})$/;

/** @returns null if the text is none */
export function readClip(text: string): Clip | null {
	if (Object.hasOwn(ours, text)) return ours[text]!;
	const [, id, samples, pitch, name] = pattern.exec(text) ?? [];
	if (id === undefined || Number(samples) > longestSound * sampleRate) return null;
	return { id, samples: Number(samples), pitch: Number(pitch), name: name! };
}

/** Of a sound of a person's. */
export const writeClip = ({ id, samples, pitch, name }: Required<Clip>): string =>
	`${id}:${samples}:${Math.max(1, Math.min(9999, pitch))}:${name.trim().slice(0, longestName).trim()}`;

export const clipSeconds = ({ samples }: Pick<Clip, 'samples'>): number => samples / sampleRate;
export const clipBytes = ({ samples }: Pick<Clip, 'samples'>): number => wavBytes(samples);

/** The name of one of ours, by its hash. */
export const ownNamed = (id: string): string | undefined =>
	ownNames.find((name) => ownClips[name].id === id);

/** Hashes of the sounds of people's that a text plays, such as that of a plan. */
export const idsIn = (text: string): readonly string[] => [
	...new Set([...text.matchAll(/"([0-9a-f]{64}):\d{1,6}:\d{1,4}:/g)].map(([, id]) => id!))
];
