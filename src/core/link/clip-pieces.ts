/** A sound as it is sent to a robot: in pieces that leave room for what is more urgent. */
import { toBase64 } from '../sounds/travelling';
import type { ToRobot } from './frames';

/** Bytes of one piece: six a second stay below what a server hands on. */
const pieceBytes = 24 * 1024;
/** Milliseconds between two of them. */
export const pieceEvery = 160;

export function piecesOf(id: string, wav: Uint8Array): (ToRobot & { type: 'clip' })[] {
	const count = Math.ceil(wav.length / pieceBytes);
	return Array.from({ length: count }, (_, part) => ({
		type: 'clip',
		id,
		part,
		isLast: part === count - 1,
		content: toBase64(wav.subarray(part * pieceBytes, (part + 1) * pieceBytes))
	}));
}
