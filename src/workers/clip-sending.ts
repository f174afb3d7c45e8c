/** Sounds on their way to a robot, before a run that plays them. */
import type { FromRobot, ToRobot } from '../core/link/frames';
import { pieceEvery, piecesOf } from '../core/link/clip-pieces';

/** Milliseconds for which an answer is awaited: without one the run begins all the same. */
const answersWithin = 3000;

/** Sounds by the hashes of their WAV files. */
export type Wavs = Readonly<Record<string, Uint8Array>>;

/** What is told while they are on their way. */
export interface ClipLine {
	send(frame: ToRobot): void;
	/** The next frame of one of these types; undefined where none comes in time. */
	next<T extends FromRobot['type']>(
		types: readonly T[],
		within: number
	): Promise<(FromRobot & { type: T }) | undefined>;
}

const pause = (milliseconds: number) => new Promise((goOn) => setTimeout(goOn, milliseconds));

/**
 * Asks what it lacks, and sends that, one after the other.
 * @returns hashes of those that it does not hold in the end: it sounds the nearest tone in their place
 */
export async function sendClips(line: ClipLine, wavs: Wavs): Promise<readonly string[]> {
	const asked = line.next(['lacks'], answersWithin);
	line.send({ type: 'clips', ids: Object.keys(wavs) });
	const lacks = await asked;
	if (!lacks) return Object.keys(wavs);
	const refused: string[] = [];
	let { room } = lacks;
	for (const id of lacks.ids) {
		const wav = wavs[id];
		if (!wav || wav.length > room) {
			refused.push(id);
			continue;
		}
		const pieces = piecesOf(id, wav);
		const answer = line.next(['holds', 'lacks'], pieces.length * pieceEvery + answersWithin);
		for (const piece of pieces) {
			line.send(piece);
			await pause(pieceEvery);
		}
		if ((await answer)?.type === 'holds') room -= wav.length;
		else refused.push(id);
	}
	return refused;
}
