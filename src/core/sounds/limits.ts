/** Bytes of files that are read at the most. */

/** Ten minutes of one voice, as a recorder keeps it. */
export const largestWav = 64 * 1024 * 1024;
/** A long song has a tenth. */
export const largestMidi = 256 * 1024;
