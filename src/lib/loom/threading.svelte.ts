/**
 * A picture on the loom: lamps are threaded one at a time, and with them those that a mirror line ties
 * to them. What is pulled in one go is one change.
 */
import { darkLamps, gridSize, readPicture, writePicture, type Lamps } from '$core/pictures/picture';

export class Threading {
	/** 0xrrggbb */
	colour = $state(0xffb020);
	/** Left and right alike. */
	sides = $state(false);
	/** Top and bottom alike. */
	ends = $state(false);
	/** The next lamp that is pressed gives its colour. */
	isTaking = $state(false);
	/** While a hand pulls: what is there so far, and what it threads. */
	private stroke = $state.raw<{ readonly lamps: Lamps; readonly colour: number } | null>(null);

	/** @param onset told of a whole picture, whenever a stroke is done */
	constructor(
		private readonly value: () => string,
		private readonly onset: (picture: string) => void
	) {}

	readonly lamps: Lamps = $derived.by(
		() => this.stroke?.lamps ?? readPicture(this.value()) ?? darkLamps(gridSize)
	);

	/** A lamp that has the colour already is put out, and with it what is pulled over. */
	begin(index: number): void {
		const { lamps, colour } = this;
		if (this.isTaking) {
			if (lamps[index]! > 0) this.colour = lamps[index]!;
			this.isTaking = false;
			return;
		}
		this.stroke = { lamps, colour: lamps[index] === colour ? 0 : colour };
		this.over(index);
	}

	/** The hand has come to another lamp. */
	over(index: number): void {
		const { stroke } = this;
		if (!stroke) return;
		const lamps = [...stroke.lamps];
		for (const each of this.tied(index)) lamps[each] = stroke.colour;
		this.stroke = { ...stroke, lamps };
	}

	end(): void {
		const { stroke } = this;
		this.stroke = null;
		if (stroke) this.onset(writePicture(stroke.lamps));
	}

	/** Nothing was pulled after all. */
	drop(): void {
		this.stroke = null;
	}

	clear(): void {
		this.onset(writePicture(darkLamps(gridSize)));
	}

	/** A lamp, and where the mirror lines have it. */
	private tied(index: number): number[] {
		const { columns, rows } = gridSize;
		const [row, column] = [Math.floor(index / columns), index % columns];
		const across = this.sides ? [column, columns - 1 - column] : [column];
		const down = this.ends ? [row, rows - 1 - row] : [row];
		return down.flatMap((y) => across.map((x) => y * columns + x));
	}
}
