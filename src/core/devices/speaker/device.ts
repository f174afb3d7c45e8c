/** Plays one tone after the other, in place of what is playing. */
import { z } from 'zod';
import type { Device } from '../device';

/** One tone. */
const noteSchema = z.strictObject({
	pitch: z.number().describe('Hz; 0 is a rest.'),
	length: z.number().describe('Seconds.'),
	clip: z
		.string()
		.regex(/^[0-9a-f]{64}$/)
		.optional()
		.describe('The SHA-256 of a sound to play in its place: who cannot sounds the pitch.')
});
export type PlayedNote = Readonly<z.infer<typeof noteSchema>>;

const commands = {
	play: z.strictObject({ notes: z.array(noteSchema).readonly() }),
	volume: z.strictObject({ level: z.number().min(0).max(1) }),
	silence: z.strictObject({})
};

export const speaker: Device<typeof commands> = { id: 'speaker', commands, readings: {} };
