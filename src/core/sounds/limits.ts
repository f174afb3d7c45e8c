/** Sizes of sounds, apart from what reads and makes them: plans and pages know these alone. */

/** Samples a second. */
export const sampleRate = 16_000;
/** Seconds of a recording at the most, and of the shortest sound. */
export const longestSound = 10;
export const shortestSound = 0.05;

/** Bytes before the samples of a WAV file that we write. */
export const headerBytes = 44;
/** @returns bytes of a file with so many samples */
export const wavBytes = (samples: number): number => headerBytes + 2 * samples;

/** Bytes of files that are read at the most: ten minutes of one voice, as a recorder keeps it. */
export const largestWav = 64 * 1024 * 1024;
/** A long song has a tenth. */
export const largestMidi = 256 * 1024;
