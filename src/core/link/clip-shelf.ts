/** Sounds that a robot holds, by the hashes of their files: they come in pieces, and older ones make room. */
import { fromBase64, hashOfWav } from '../sounds/travelling';
import type { FromRobot, ToRobot } from './frames';

export class ClipShelf {
	private readonly held = new Map<string, Uint8Array>();
	/** Of those that are on their way, what is there. */
	private readonly coming = new Map<string, Uint8Array[]>();
	private wanted: readonly string[] = [];

	/** @param room bytes that it has for them */
	constructor(private readonly room: number) {}

	holds(id: string): boolean {
		return this.held.has(id);
	}

	wavOf(id: string): Uint8Array | undefined {
		return this.held.get(id);
	}

	/** Somebody is going to play these. @returns which of them are not there */
	want(ids: readonly string[]): FromRobot {
		this.wanted = ids;
		this.coming.clear();
		return this.lacking(ids.filter((id) => !this.holds(id)));
	}

	private lacking(ids: readonly string[]): FromRobot {
		return { type: 'lacks', ids: [...ids], room: this.room - this.filledBy(this.wanted) };
	}

	private filledBy(ids: readonly string[]): number {
		return ids.reduce((sum, id) => sum + (this.held.get(id)?.length ?? 0), 0);
	}

	/** @returns what it says to the last piece; nothing to the others */
	take({ id, part, isLast, content }: ToRobot & { type: 'clip' }): FromRobot | undefined {
		if (part === 0) this.coming.set(id, []);
		const pieces = this.coming.get(id);
		// What nobody has announced, or what comes out of turn, is not kept.
		if (!pieces || pieces.length !== part || !this.wanted.includes(id)) return this.lacking([id]);
		pieces.push(fromBase64(content));
		const bytes = pieces.reduce((sum, { length }) => sum + length, 0);
		const isTooLarge = bytes > this.room - this.filledBy(this.wanted);
		if (!isLast && !isTooLarge) return undefined;
		this.coming.delete(id);
		const wav = joined(pieces, bytes);
		if (isTooLarge || hashOfWav(wav) !== id) return this.lacking([id]);
		this.makeRoom(bytes);
		this.held.set(id, wav);
		return { type: 'holds', id };
	}

	/** Those that nobody wants now go, the oldest first. */
	private makeRoom(bytes: number): void {
		for (const id of this.held.keys()) {
			if (this.filledBy([...this.held.keys()]) + bytes <= this.room) return;
			if (!this.wanted.includes(id)) this.held.delete(id);
		}
	}
}

function joined(pieces: readonly Uint8Array[], bytes: number): Uint8Array {
	const whole = new Uint8Array(bytes);
	let at = 0;
	for (const piece of pieces) {
		whole.set(piece, at);
		at += piece.length;
	}
	return whole;
}
