/**
 * A picture on the loom: lamps are threaded one at a time, and with them those that a mirror line ties
 * to them. What is pulled in one go is one change.
 */
import {
	darkLamps,
	gridSize,
	readPicture,
	writePicture,
	type Lamps,
	type PictureSize
} from '$core/pictures/picture';

export class Threading {
	/** 0xrrggbb */
	colour = $state(0xffb020);
	/** Left and right alike. */
	sides = $state(false);
	/** Top and bottom alike. */
	ends = $state(false);
	/** The next lamp that is pressed gives its colour. */
	isTaking = $state(false);
	/** While a hand pulls: what is there so far, what it threads, and where it was last. */
	private stroke = $state.raw<{
		readonly lamps: Lamps;
		readonly colour: number;
		readonly last: number;
	} | null>(null);

	/** @param onset told of a whole picture, whenever a stroke is done */
	constructor(
		private readonly value: () => string,
		private readonly onset: (picture: string) => void,
		readonly size: PictureSize = gridSize
	) {}

	readonly lamps: Lamps = $derived.by(
		() => this.stroke?.lamps ?? readPicture(this.value(), this.size) ?? darkLamps(this.size)
	);

	/** A lamp that has the colour already is put out, and with it what is pulled over. */
	begin(index: number): void {
		const { lamps, colour } = this;
		if (this.isTaking) {
			if (lamps[index]! > 0) this.colour = lamps[index]!;
			this.isTaking = false;
			return;
		}
		this.stroke = { lamps, colour: lamps[index] === colour ? 0 : colour, last: index };
		this.over(index);
	}

	/** The hand has come to another lamp; a quick one is told of some on its way only. */
	over(index: number): void {
		const { stroke } = this;
		if (!stroke) return;
		const lamps = [...stroke.lamps];
		for (const on of this.between(stroke.last, index))
			for (const each of this.tied(on)) lamps[each] = stroke.colour;
		this.stroke = { ...stroke, lamps, last: index };
	}

	end(): void {
		const { stroke } = this;
		this.stroke = null;
		if (stroke) this.onset(writePicture(stroke.lamps, this.size));
	}

	/** Nothing was pulled after all. */
	drop(): void {
		this.stroke = null;
	}

	clear(): void {
		this.onset(writePicture(darkLamps(this.size), this.size));
	}

	private placeOf(index: number): readonly [row: number, column: number] {
		const { columns } = this.size;
		return [Math.floor(index / columns), index % columns];
	}

	/** The lamps on a straight line, both ends with it. */
	private between(from: number, to: number): number[] {
		const [[row, column], [lastRow, lastColumn]] = [this.placeOf(from), this.placeOf(to)];
		const steps = Math.max(Math.abs(lastRow - row), Math.abs(lastColumn - column));
		return Array.from({ length: steps + 1 }, (_, step) => {
			const part = steps === 0 ? 0 : step / steps;
			const y = Math.round(row + part * (lastRow - row));
			return y * this.size.columns + Math.round(column + part * (lastColumn - column));
		});
	}

	/** A lamp, and where the mirror lines have it. */
	private tied(index: number): number[] {
		const { columns, rows } = this.size;
		const [row, column] = this.placeOf(index);
		const across = this.sides ? [column, columns - 1 - column] : [column];
		const down = this.ends ? [row, rows - 1 - row] : [row];
		return down.flatMap((y) => across.map((x) => y * columns + x));
	}
}
