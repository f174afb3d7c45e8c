/** A moving picture on the loom: a strip of cloths, of which one is being threaded. */
import {
	beatsOf,
	clothAt,
	inQuarters,
	mostCloths,
	readFilm,
	writeFilm,
	type Cloth
} from '$core/pictures/film';
import { darkLamps, gridSize, writePicture } from '$core/pictures/picture';

const dark: Cloth = { picture: writePicture(darkLamps(gridSize)), beats: 1 };

export class Weaving {
	private wanted = $state(0);

	/** @param onset told of a whole moving picture, whenever something of it has changed */
	constructor(
		private readonly value: () => string,
		private readonly onset: (film: string) => void
	) {}

	readonly cloths: readonly Cloth[] = $derived.by(() => readFilm(this.value()) ?? [dark]);
	/** The place of the one that is threaded: something may have been undone since it was chosen. */
	readonly at = $derived.by(() => Math.min(this.wanted, this.cloths.length - 1));
	readonly cloth = $derived.by(() => this.cloths[this.at]!);
	/** That shines through, of the one before; none at the first. */
	readonly before = $derived.by(() => this.cloths[this.at - 1]?.picture);
	readonly isFull = $derived.by(() => this.cloths.length >= mostCloths);

	choose(index: number): void {
		this.wanted = Math.max(0, Math.min(this.cloths.length - 1, index));
	}

	private set(cloths: readonly Cloth[]): void {
		this.onset(writeFilm(cloths));
	}

	private replace(change: Partial<Cloth>): void {
		this.set(this.cloths.with(this.at, { ...this.cloth, ...change }));
	}

	setPicture(picture: string): void {
		this.replace({ picture });
	}

	/** What a file holds: a single picture comes into the place of the cloth that is chosen. */
	take(cloths: readonly Cloth[]): void {
		if (cloths.length === 1) this.setPicture(cloths[0]!.picture);
		else {
			this.wanted = 0;
			this.set(cloths);
		}
	}

	/** As far as beats go; what is no number changes nothing. */
	setBeats(beats: number): void {
		if (Number.isFinite(beats)) this.replace({ beats: inQuarters(beats) });
	}

	/** Another one behind it, to go on from what is on it. */
	add(): void {
		if (this.isFull) return;
		this.set(this.cloths.toSpliced(this.at + 1, 0, this.cloth));
		this.wanted = this.at + 1;
	}

	remove(): void {
		if (this.cloths.length > 1) this.set(this.cloths.toSpliced(this.at, 1));
	}

	/** One place further to the front, or to the end. */
	move(by: -1 | 1): void {
		const to = this.at + by;
		if (to < 0 || to >= this.cloths.length) return;
		this.set(this.cloths.toSpliced(this.at, 1).toSpliced(to, 0, this.cloth));
		this.wanted = to;
	}

	/** What is seen so many beats after the first cloth, over and over. */
	shownAt(beats: number): string {
		return clothAt(this.cloths, beats % beatsOf(this.cloths)).picture;
	}
}
